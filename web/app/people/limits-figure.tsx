import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { itemAt } from "@able-tide/core/checked-access";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import { ofOneHeight, pictureOf } from "@able-tide/core/figure/framing";
import type { Side } from "@able-tide/core/side";
import { useId } from "react";
import { Figure, type FigureLine } from "../kit/figure.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { anglesSeen, type CappedAngle, cappedAngles, LimitArcs } from "../kit/limit-arcs.tsx";
import { neutralPosture, type Posture } from "../kit/neutral-posture.ts";
import { type LongestStep, StepMark, withRoomForStep } from "../kit/step-mark.tsx";

export interface LimitedPerson {
  readonly name: string;
  /** Metres. */
  readonly stature: number;
  readonly measured: MeasuredBody;
}

interface Props {
  readonly caps: readonly Cap[];
  readonly person: LimitedPerson;
  /** Said over it, as "with these". */
  readonly title?: string;
  /** Between the ankles, centimetres; no mark unless it is said. */
  readonly longestStep?: number | undefined;
}

const words = (labels: readonly { readonly label: string }[]) =>
  labels.length > 0 ? `: ${[...new Set(labels.map(({ label }) => label))].join(", ")}` : "";

type Arcs = readonly CappedAngle[];

/** What two arcs that say the same about either side have in common. */
const said = (arcs: Arcs): string => arcs.map(({ label, allowed }) => `${label} ${allowed}`).join();

/**
 * From which sides a person is shown: from the side whose joints are capped, from both where they differ, from the right where
 * nothing tells them apart. Neck and spine are shown from the right.
 */
function sidePictures(right: Arcs, seenFromLeft: Arcs) {
  const left = seenFromLeft.filter(({ midline }) => !midline);
  const fromRight = { view: "side", seenFrom: "right", arcs: right } as const;
  const fromLeft = { view: "sideLeft", seenFrom: "left", arcs: left } as const;
  if (left.length === 0 || said(left) === said(right)) return [fromRight];
  return right.length === 0 ? [fromLeft] : [fromRight, fromLeft];
}

/** Whether any of the caps keeps a person from standing. */
const sitsBy = (caps: readonly Cap[]): boolean => caps.some(({ limit }) => limit.channel === "noStanding");

/** Height that a person is drawn at, rem. */
const SCALE = 11;

interface Pictured {
  readonly view: ViewName;
  readonly arcs: Arcs;
  readonly lines: readonly FigureLine[];
  /** Said under it. */
  readonly caption: string;
  /** Said of it to those who do not see it, after the person's name. */
  readonly from: string;
  /** The side that is looked at; null where it is neither. */
  readonly near: Side | null;
}

/** A person at ease: on a seat where a cap keeps them from standing. */
export const postureOf = (person: LimitedPerson, caps: readonly Cap[]) => neutralPosture(person, sitsBy(caps));

/** A length in centimetres as a share of a person's stature; null where there is no step. */
export const stepShare = ({ stature }: LimitedPerson, centimetres: number | undefined): number | null =>
  centimetres ? centimetres / 100 / stature : null;

/** The views that a person's caps are shown in: from the front always, from above where a turn is capped. */
function viewsOf({ caps, longestStep }: Props, posture: Omit<Posture, "samples">): readonly Pictured[] {
  const angles = cappedAngles(caps);
  const arcsIn = (view: ViewName) => anglesSeen(angles, { ...posture, camera: VIEWS[view] });
  const above = arcsIn("above");
  return [
    {
      view: "front",
      arcs: arcsIn("front"),
      lines: handLines(caps, posture.row),
      caption: "front, right side on the left",
      from: "from the front",
      near: null,
    },
    ...sidePictures(arcsIn("side"), arcsIn("sideLeft")).map(({ view, seenFrom, arcs }) => ({
      view,
      arcs,
      lines: [],
      caption: longestStep ? `${seenFrom} side, longest step ${longestStep}\u00a0cm` : `${seenFrom} side`,
      from: `from the ${seenFrom} side`,
      near: seenFrom,
    })),
    ...(above.length > 0
      ? [{ view: "above" as const, arcs: above, lines: [], caption: "above", from: "from above", near: null }]
      : []),
  ];
}

/**
 * The person at ease with today's limits: from the front the heights where a hand stops (the person's right is on the
 * left), from the side and from above the arcs of the joints, the capped part hatched. All at one scale.
 */
export function LimitsFigure(props: Props) {
  const { caps, person, title, longestStep } = props;
  const hatch = useId();
  const { samples: _, ...posture } = postureOf(person, caps);
  const { row } = posture;
  const share = stepShare(person, longestStep);
  const stepOf = (side: Side | null): LongestStep | null => (side === null || share === null ? null : { side, share });
  const shown = viewsOf(props, posture);
  const pictures = ofOneHeight(
    shown.map(({ view, near }) => {
      const picture = pictureOf([posture], VIEWS[view]);
      const step = stepOf(near);
      return step ? withRoomForStep(picture, row, step) : picture;
    }),
  );
  return (
    <figure className="rounded-soft bg-sand-100 p-4">
      {title && <p className="mb-2 font-display text-lg font-bold">{title}</p>}
      <ul className="flex flex-wrap justify-around gap-y-4">
        {shown.map(({ view, arcs, lines, caption, from, near }, number) => {
          const picture = itemAt(pictures, number);
          const step = stepOf(near);
          return (
            <li
              key={view}
              className={view === "above" ? "self-center" : ""}
              style={{ width: `${(picture.wide * SCALE).toFixed(2)}rem` }}
            >
              <Figure
                {...posture}
                view={view}
                picture={picture}
                lines={lines}
                label={`${person.name} ${from}${words([...lines, ...arcs])}`}
                className="w-full"
              >
                {step && <StepMark row={row} camera={VIEWS[view]} step={step} />}
                <LimitArcs angles={arcs} {...posture} camera={VIEWS[view]} hatch={`${hatch}${view}`} />
              </Figure>
              <p className="mt-2 text-center leading-snug text-sand-600" aria-hidden="true">
                {caption}
              </p>
            </li>
          );
        })}
      </ul>
    </figure>
  );
}
