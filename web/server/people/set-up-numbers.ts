import { type Build, buildOf, canStand, type MeasuredBody } from "@able-tide/core/body/build";
import { type Cap, sidesOf } from "@able-tide/core/caps/cap";
import type { Movement } from "@able-tide/core/movement/format";
import { floorMarks } from "@able-tide/core/setup/floor-marks";
import { longestStep, ORDINARY_DORSIFLEXION } from "@able-tide/core/setup/longest-step";
import { cushionUnderFeet, seatHeights } from "@able-tide/core/setup/seat";
import { deepestWater, depthForShare } from "@able-tide/core/setup/standing-depth";
import { type Pair, SIDES, type Side } from "@able-tide/core/side";
import { SHIPPED } from "../movements/shipped.ts";

/** A usual chair, metres. */
const USUAL_CHAIR = 0.43;
const SHARES = [0.6, 0.4] as const;
const BOW = "shift-and-press";
const HIP = "settling-breath";

/** Numbers for setting up the place for one person. Whole centimetres. */
export interface SetUpNumbers {
  readonly seat: number;
  readonly seatForRising: { readonly least: number; readonly most: number };
  readonly chair: number;
  readonly cushion: number;
  /** Null for somebody who does not stand. */
  readonly standing: StandingNumbers | null;
  /** Ankle limits the step was found for, left and right, degrees; null where nobody measured one. */
  readonly ankles: { readonly left: number; readonly right: number } | null;
}

interface StandingNumbers {
  readonly feetApart: number;
  readonly longestStep: number;
  readonly water: readonly { readonly share: number; readonly depth: number | null }[];
  readonly deepest: number;
}

const centimetres = (metres: number): number => Math.round(metres * 100);
const known = new Map<string, SetUpNumbers>();

/** The step is found standing tall: a low stance asks more of the ankles at any length. */
const tall = (movement: Movement): Movement => ({ ...movement, keys: movement.keys.map((key) => ({ ...key, sink: 0 })) });

function shipped(id: string) {
  const movement = SHIPPED.find((each) => each.id === id);
  if (!movement) throw new Error(`the library has no ${id}`);
  return movement;
}

/** The strictest cap on one ankle, degrees; null without one. */
function ankleCap(caps: readonly Cap[], side: Side): number | null {
  const limits = caps.flatMap(({ limit }) =>
    limit.channel === "dorsiflexion" && sidesOf(limit).includes(side) ? [limit.limit] : [],
  );
  return limits.length > 0 ? Math.min(...limits) : null;
}

const standingNumbers = (stature: number, build: Build, ankles: Pair): StandingNumbers => ({
  feetApart: floorMarks(shipped(HIP), stature).width,
  longestStep: centimetres(longestStep(tall(shipped(BOW)), stature, ankles, build)),
  water: SHARES.map((share) => {
    const depth = depthForShare(share, stature, build);
    return { share, depth: depth === null ? null : centimetres(depth) };
  }),
  deepest: centimetres(deepestWater(stature, build)),
});

/**
 * Chair, cushion, floor marks, longest step and pool depth for a body and today's caps.
 * The step takes some tens of milliseconds, so what was found is kept.
 */
export function setUpNumbers(
  { stature, measured }: { readonly stature: number; readonly measured: MeasuredBody },
  caps: readonly Cap[],
): SetUpNumbers {
  const build = buildOf(measured, stature);
  const [left, right] = SIDES.map((side) => ankleCap(caps, side)) as [number | null, number | null];
  const key = `${stature} ${left} ${right} ${build.key}`;
  const before = known.get(key);
  if (before) return before;
  const { sitting, rising } = seatHeights(stature, build);
  const ankles = [left ?? ORDINARY_DORSIFLEXION, right ?? ORDINARY_DORSIFLEXION] as const;
  const numbers: SetUpNumbers = {
    seat: centimetres(sitting),
    seatForRising: { least: centimetres(rising.least), most: centimetres(rising.most) },
    chair: centimetres(USUAL_CHAIR),
    cushion: centimetres(cushionUnderFeet(stature, USUAL_CHAIR, build)),
    standing: canStand(build) ? standingNumbers(stature, build, ankles) : null,
    ankles: left === null && right === null ? null : { left: ankles[0], right: ankles[1] },
  };
  known.set(key, numbers);
  return numbers;
}
