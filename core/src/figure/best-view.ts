import { type MidlinePoint, pointColumn, ROW_WIDTH, type SidedPoint, sidedPointColumn } from "../body/channels.ts";
import { isOnSupport } from "../body/pose.ts";
import { numberAt } from "../checked-access.ts";
import { INTERVALS, type SolvedSamples } from "../movement/solved-samples.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { projection, VIEWS, type ViewName } from "./camera.ts";

/** Views that a movement is told from, the most familiar first. */
export const TELLING_VIEWS = [
  "facing",
  "oblique",
  "obliqueLeft",
  "wide",
  "wideLeft",
  "aside",
  "asideLeft",
] as const satisfies readonly ViewName[];

/** How much better than face to face a view has to tell the movement, as a share: the further round, the more. */
const FAMILIAR: Readonly<Record<(typeof TELLING_VIEWS)[number], number>> = {
  facing: 1,
  oblique: 0.98,
  obliqueLeft: 0.98,
  wide: 0.96,
  wideLeft: 0.96,
  aside: 0.9,
  asideLeft: 0.9,
};

/** What moves or is moved about, and how much seeing it counts. */
const SIDED: readonly (readonly [SidedPoint, number])[] = [
  ["fingertip", 1],
  ["palm", 0.6],
  ["wristJoint", 1],
  ["elbowJoint", 0.7],
  ["kneeJoint", 0.8],
  ["ankle", 0.8],
  ["toe", 0.5],
];
const MIDLINE: readonly (readonly [MidlinePoint, number])[] = [
  ["crown", 0.6],
  ["eyes", 1],
  ["shoulderLine", 0.6],
  ["pelvis", 0.8],
];

const TRACKED = [
  ...SIDED.flatMap(([name, weight]) => SIDES.map((side) => ({ column: sidedPointColumn(name, side), weight }))),
  ...MIDLINE.map(([name, weight]) => ({ column: pointColumn(name), weight })),
];

/** Points that tell a pose when they lie apart from the trunk and from each other. */
const APART = SIDES.flatMap((side) => [
  sidedPointColumn("handCentre", side),
  sidedPointColumn("elbowJoint", side),
  sidedPointColumn("kneeJoint", side),
]);
const TRUNK = [pointColumn("pelvis"), pointColumn("midSpine"), pointColumn("shoulderLine"), pointColumn("crown")];
/** How much lying apart counts beside motion, each as a share of what the best view shows. */
const SEPARATION = 0.2;
/** Further apart than this, share of stature, is no clearer. */
const FAR = 0.16;

/** What a view shows: how far what moves is seen to move, and how far apart limbs and trunk lie, shares of stature in all. */
function shownBy(samples: SolvedSamples, view: ViewName): { readonly motion: number; readonly apart: number } {
  const put = projection(VIEWS[view]);
  const at = (sample: number, column: number) => {
    const from = sample * ROW_WIDTH + column;
    return put(numberAt(samples.rows, from), numberAt(samples.rows, from + 1), numberAt(samples.rows, from + 2));
  };
  const step = INTERVALS / 2;
  let [motion, apart] = [0, 0];
  for (let sample = 0; sample < samples.count; sample += 1) {
    const within = sample % (INTERVALS + 1);
    if (within % step !== 0) continue;
    if (within + step <= INTERVALS)
      for (const { column, weight } of TRACKED) {
        const [a, b] = [at(sample, column), at(sample + step, column)];
        motion += weight * Math.hypot(b.across - a.across, b.up - a.up);
      }
    for (const column of APART) {
      const place = at(sample, column);
      const distance = (other: number): number => {
        const { across, up } = at(sample, other);
        return Math.hypot(place.across - across, place.up - up);
      };
      apart += Math.min(FAR, ...TRUNK.map(distance), ...APART.filter((other) => other !== column).map(distance));
    }
  }
  return { motion, apart };
}

/**
 * The side that belongs on the far side of the picture, and whether what is there runs along the way ahead, so that it is not
 * told from a post when it is looked at from the front.
 */
function farSide({ segments }: SolvedSamples): { readonly hidden: Side | null; readonly along: boolean } {
  const frame = segments[0]?.frame;
  const [held, other] = SIDES.filter((side) => frame && isOnSupport(frame.hands[sideIndex(side)]));
  if (frame?.seating.kind === "standing" && frame.seating.atWall) return { hidden: held ?? "right", along: true };
  if (held === undefined || other !== undefined) return { hidden: null, along: false };
  return { hidden: held, along: frame?.support === "rail" || frame?.support === "fingertips" };
}

/**
 * The view from which a movement is told best: where its moving parts are seen to move the most and limbs lie apart. What one
 * hand holds is on the far side, so that it hides nothing.
 *
 * @param samples the solved movement
 * @example bestView(samplesOfAPressAhead) // "aside"
 */
export function bestView(samples: SolvedSamples): ViewName {
  const { hidden, along } = farSide(samples);
  // From an azimuth over 0 the person's right side is nearer to the eye.
  const seen = TELLING_VIEWS.filter((view) => {
    const { azimuth } = VIEWS[view];
    if (hidden === null) return true;
    return azimuth === 0 ? !along : (azimuth > 0 ? "right" : "left") !== hidden;
  });
  const shown = seen.map((view) => ({ view, ...shownBy(samples, view) }));
  const most = (of: "motion" | "apart"): number => Math.max(1e-9, ...shown.map((one) => one[of]));
  const [motion, apart] = [most("motion"), most("apart")];
  return shown
    .map((one) => ({ ...one, score: FAMILIAR[one.view] * (one.motion / motion + (SEPARATION * one.apart) / apart) }))
    .reduce((best, next) => (next.score > best.score + 1e-9 ? next : best)).view;
}
