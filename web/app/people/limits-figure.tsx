import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { useId } from "react";
import { Figure } from "../kit/figure.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { arcsOf, LimitArcs } from "../kit/limit-arcs.tsx";
import { neutralPosture } from "../kit/neutral-posture.ts";

interface LimitedPerson {
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
}

const words = (labels: readonly { readonly label: string }[]) =>
  labels.length > 0 ? `: ${[...new Set(labels.map(({ label }) => label))].join(", ")}` : "";

const COLUMNS: Readonly<Record<number, string>> = { 2: "grid-cols-2", 3: "grid-cols-3", 4: "grid-cols-4" };

type Arcs = ReturnType<typeof arcsOf>;

/** What two arcs that say the same about either side have in common. */
const said = (arcs: Arcs): string => arcs.map(({ label, allowed }) => `${label} ${allowed}`).join();

/**
 * From which sides a person is shown: from the side whose joints are capped, from both where they differ, from the right where
 * nothing tells them apart.
 */
function sidePictures(right: Arcs, left: Arcs) {
  const fromRight = { view: "side", seenFrom: "right", arcs: right } as const;
  const fromLeft = { view: "sideLeft", seenFrom: "left", arcs: left } as const;
  if (left.length === 0 || said(left) === said(right)) return [fromRight];
  return right.length === 0 ? [fromLeft] : [fromRight, fromLeft];
}

/** Whether any of the caps keeps a person from standing. */
const sitsBy = (caps: readonly Cap[]): boolean => caps.some(({ limit }) => limit.channel === "noStanding");

/**
 * The person at ease with today's limits: from the front the heights where a hand stops (the person's right is on the
 * left), from the side and from above the arcs of the joints, the capped part hatched.
 */
export function LimitsFigure({ caps, person, title }: Props) {
  const { name } = person;
  const hatch = useId();
  const { row, frame, build } = neutralPosture(person, sitsBy(caps));
  const lines = handLines(caps, row);
  const front = arcsOf(caps, row, "front");
  const sides = sidePictures(arcsOf(caps, row, "side"), arcsOf(caps, row, "sideLeft"));
  const above = arcsOf(caps, row, "above");
  const pictures = 1 + sides.length + (above.length > 0 ? 1 : 0);
  return (
    <figure className="rounded-soft bg-sand-100 p-4">
      {title && <p className="mb-2 font-display text-lg font-bold">{title}</p>}
      <div className={`grid ${COLUMNS[pictures] ?? "grid-cols-4"}`}>
        <Figure
          row={row}
          frame={frame}
          build={build}
          view="front"
          lines={lines}
          label={`${name} from the front${words([...lines, ...front])}`}
          className="h-72 w-full"
        >
          <LimitArcs arcs={front} hatch={`${hatch}f`} />
        </Figure>
        {sides.map(({ view, arcs, seenFrom }) => (
          <Figure
            key={view}
            row={row}
            frame={frame}
            build={build}
            view={view}
            label={`${name} from the ${seenFrom} side${words(arcs)}`}
            className="h-72 w-full"
          >
            <LimitArcs arcs={arcs} hatch={`${hatch}${view}`} />
          </Figure>
        ))}
        {above.length > 0 && (
          <Figure
            row={row}
            frame={frame}
            build={build}
            view="above"
            label={`${name} from above${words(above)}`}
            className="h-72 w-full"
          >
            <LimitArcs arcs={above} hatch={`${hatch}a`} />
          </Figure>
        )}
      </div>
      <p className="flex justify-around gap-x-4 text-sand-600" aria-hidden="true">
        <span>front, right side on the left</span>
        {sides.map(({ view, seenFrom }) => (
          <span key={view}>{seenFrom} side</span>
        ))}
        {above.length > 0 && <span>above</span>}
      </p>
    </figure>
  );
}
