import { type Build, buildOf, canStand, type MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { strictestNumber } from "@able-tide/core/caps/effective";
import { createMemo } from "@able-tide/core/memo";
import type { Movement } from "@able-tide/core/movement/format";
import { floorMarks } from "@able-tide/core/setup/floor-marks";
import { longestStep, ORDINARY_DORSIFLEXION } from "@able-tide/core/setup/longest-step";
import { cushionUnderFeet, seatHeights } from "@able-tide/core/setup/seat";
import { seatRaise, strictestHip } from "@able-tide/core/setup/seat-raise";
import { deepestWater, depthForShare } from "@able-tide/core/setup/standing-depth";
import type { Pair } from "@able-tide/core/side";
import { SHIPPED } from "../movements/shipped.ts";

/** A usual chair, metres. */
const USUAL_CHAIR = 0.43;
const SHARES = [0.6, 0.4] as const;
const BOW = "shift-and-press";
const HIP = "settling-breath";

/** Numbers for setting up the place for one person. Whole centimetres. */
export interface SetUpNumbers {
  readonly seat: number;
  /** Whether the chair has to have arms. */
  readonly withArms: boolean;
  readonly seatForRising: { readonly least: number; readonly most: number };
  /** What the hip may bend that the seat is raised for, degrees; null where nothing says. */
  readonly hip: number | null;
  readonly chair: number;
  readonly cushion: number;
  /** Null for someone who does not stand, or may not. */
  readonly standing: StandingNumbers | null;
  /** Ankle limits the step was found for, left and right, degrees; null where no one measured one. */
  readonly ankles: { readonly left: number; readonly right: number } | null;
}

interface StandingNumbers {
  readonly feetApart: number;
  readonly longestStep: number;
  readonly water: readonly { readonly share: number; readonly depth: number | null }[];
  readonly deepest: number;
}

const centimetres = (metres: number): number => Math.round(metres * 100);
/** Numbers of so many bodies are kept: some hundred bytes each. */
const MOST_KEPT = 1000;
const kept = createMemo<string, SetUpNumbers>(MOST_KEPT);

/** The step is found standing tall: a low stance needs more ankle bend at any length. */
const tall = (movement: Movement): Movement => ({ ...movement, keys: movement.keys.map((key) => ({ ...key, sink: 0 })) });

function shipped(id: string) {
  const movement = SHIPPED.find((each) => each.id === id);
  if (!movement) throw new Error(`the library has no ${id}`);
  return movement;
}

const standingNumbers = (stature: number, build: Build, ankles: Pair, caps: readonly Cap[]): StandingNumbers => ({
  feetApart: floorMarks(shipped(HIP), stature).width,
  longestStep: centimetres(longestStep(tall(shipped(BOW)), stature, ankles, build, caps)),
  water: SHARES.map((share) => {
    const depth = depthForShare(share, stature, build);
    return { share, depth: depth === null ? null : centimetres(depth) };
  }),
  deepest: centimetres(deepestWater(stature, build)),
});

/** Channels that the numbers depend on. */
const POSING: ReadonlySet<string> = new Set([
  "motion",
  "loadedKnee",
  "dorsiflexion",
  "straightKneeDorsiflexion",
  "kneeLoad",
  "legShare",
  "noStanding",
  "higherSeat",
  "chairWithArms",
]);

/**
 * Chair, cushion, floor marks, longest step and pool depth for a body and today's caps.
 * The step takes some tens of milliseconds, so what was found is kept.
 */
export function setUpNumbers(
  { stature, measured }: { readonly stature: number; readonly measured: MeasuredBody },
  caps: readonly Cap[],
): SetUpNumbers {
  const build = buildOf(measured, stature);
  const posing = caps.filter(({ limit }) => POSING.has(limit.channel));
  const key = `${stature} ${build.key} ${JSON.stringify(posing.map(({ limit, forms }) => [limit, forms]))}`;
  return kept(key, () => numbersOf(stature, build, measured, caps, posing));
}

function numbersOf(
  stature: number,
  build: Build,
  measured: MeasuredBody,
  caps: readonly Cap[],
  posing: readonly Cap[],
): SetUpNumbers {
  const { sitting, rising } = seatHeights(stature, build);
  const [left, right] = [strictestNumber(caps, "dorsiflexion", "left"), strictestNumber(caps, "dorsiflexion", "right")];
  const ankles: Pair = [left ?? ORDINARY_DORSIFLEXION, right ?? ORDINARY_DORSIFLEXION];
  const hip = strictestHip(caps);
  const higher = seatRaise(measured, stature, caps);
  return {
    seat: centimetres(sitting + higher),
    withArms: caps.some(({ limit }) => limit.channel === "chairWithArms"),
    seatForRising: { least: centimetres(rising.least + higher), most: centimetres(rising.most + higher) },
    hip,
    chair: centimetres(USUAL_CHAIR),
    cushion: higher === 0 ? centimetres(cushionUnderFeet(stature, USUAL_CHAIR, build)) : 0,
    standing:
      canStand(build) && !posing.some(({ limit }) => limit.channel === "noStanding")
        ? standingNumbers(stature, build, ankles, posing)
        : null,
    ankles: left === null && right === null ? null : { left: ankles[0], right: ankles[1] },
  };
}
