import { column, MIDLINE_RANGES, SIDED_RANGES, sidedColumn } from "../body/channels.ts";
import { sidedSlots, slot } from "../body/pose.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { keyPoses } from "./authored-keys.ts";
import type { Demand } from "./demand.ts";
import type { Movement } from "./format.ts";

/** Parts of the body that a movement moves, from the head down. */
export const MOVED_PARTS = ["neck", "shoulders", "elbows", "hands", "spine", "hips", "knees", "ankles"] as const;
/** A part of the body that a movement moves. */
export type MovedPart = (typeof MOVED_PARTS)[number];

type RangeName = (typeof MIDLINE_RANGES)[number]["name"] | (typeof SIDED_RANGES)[number]["name"];

/** The part that each range belongs to; the pelvis turns and tilts in the hips. */
const PART_OF: Readonly<Record<RangeName, MovedPart>> = {
  headFlexion: "neck",
  headSideBend: "neck",
  headRotation: "neck",
  spineFlexion: "spine",
  spineSideBend: "spine",
  spineRotation: "spine",
  pelvisTilt: "hips",
  pelvisList: "hips",
  pelvisRotation: "hips",
  shoulderElevation: "shoulders",
  shoulderPlane: "shoulders",
  shoulderTurn: "shoulders",
  elbow: "elbows",
  forearm: "hands",
  wrist: "hands",
  hipFlexion: "hips",
  hipAbduction: "hips",
  hipRotation: "hips",
  knee: "knees",
  dorsiflexion: "ankles",
};

/** A part moves where one of its ranges goes through more than this, degrees. Our own convention. */
export const PART_MOVES = 10;
/** Below this elevation an arm hangs: in which plane it does so and how it is turned moves no shoulder, degrees. */
const HANGS = 20;

const span = ({ highest, lowest }: Pick<Demand, "highest" | "lowest">, index: number): number =>
  numberAt(highest, index) - numberAt(lowest, index);

/** What no range shows, as it is authored: by how much it has to change for its part to move, shares of H or degrees. */
const MOVED_SLOTS = [
  { slots: [slot("headGlide")], part: "neck", by: 0.01 },
  { slots: [...sidedSlots("girdleUp"), ...sidedSlots("girdleForward")], part: "shoulders", by: 0.01 },
  { slots: sidedSlots("heelLift"), part: "ankles", by: PART_MOVES },
] as const;

/** The parts that key poses move without a range that shows it. */
function movedInKeys(movement: Pick<Movement, "keys">): MovedPart[] {
  const poses = keyPoses(movement);
  return MOVED_SLOTS.flatMap(({ slots, part, by }) =>
    slots.some((index) => {
      const all = poses.map((values) => numberAt(values, index));
      return Math.max(...all) - Math.min(...all) > by;
    })
      ? [part]
      : [],
  );
}

/**
 * The parts of the body that a variant at full size moves.
 *
 * @param movement that it is a variant of
 * @param demands of the variant, one for each side that leads
 * @returns in the order of {@link MOVED_PARTS}
 */
export function movedPartsOf(
  movement: Pick<Movement, "keys">,
  demands: readonly Pick<Demand, "highest" | "lowest" | "features">[],
): readonly MovedPart[] {
  const moved = new Set<MovedPart>(movedInKeys(movement));
  for (const demand of demands) {
    for (const { name } of MIDLINE_RANGES) if (span(demand, column(name)) > PART_MOVES) moved.add(PART_OF[name]);
    for (const { name } of SIDED_RANGES)
      for (const side of SIDES) {
        const hangs = numberAt(demand.highest, sidedColumn("shoulderElevation", side)) < HANGS;
        if (hangs && (name === "shoulderPlane" || name === "shoulderTurn")) continue;
        if (span(demand, sidedColumn(name, side)) > PART_MOVES) moved.add(PART_OF[name]);
      }
    if (demand.features.has("closedFist")) moved.add("hands");
  }
  return MOVED_PARTS.filter((part) => moved.has(part));
}
