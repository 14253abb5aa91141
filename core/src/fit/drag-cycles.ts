import { buildOf } from "../body/build.ts";
import { WATER_EQUIPMENT_NAMES, type WaterEquipment } from "../body/water-equipment.ts";
import { type Cap, sidesOf } from "../caps/cap.ts";
import { type DragMoments, shortestCycle } from "../movement/drag.ts";
import { hasWaterVariant, type Movement } from "../movement/format.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { recordOf } from "../named.ts";
import { BREATH_SECONDS } from "../plan/style.ts";
import type { DragCycles } from "../schedule/plan-setting.ts";
import { sideIndex } from "../side.ts";
import type { FitPerson } from "./session.ts";
import { leadingSides, type VariantCache } from "./variant-cache.ts";
import { workedCap } from "./working-range.ts";

const jointOf = ({ limit }: Cap): keyof DragMoments | null =>
  limit.channel === "shoulderDrag" ? "shoulder" : limit.channel === "hipDrag" ? "hip" : null;

/**
 * The shortest repetition that keeps a cap on drag, where a repetition of some seconds meets so much. Shares of weight
 * times stature.
 */
function cycleFor(cap: Cap, drag: DragMoments, seconds: number): number {
  const joint = jointOf(cap);
  if (joint === null || !("limit" in cap.limit)) return 0;
  const most = (cap.limit.limit as number) / 100;
  return Math.max(0, ...sidesOf(cap.limit).map((side) => shortestCycle(seconds, drag[joint][sideIndex(side)], most)));
}

/**
 * Computes the shortest repetition of each movement that keeps everyone within the caps on drag: drag grows with the
 * square of speed. Seconds by movement id.
 *
 * @param movements of the plan
 * @param people in the pool, with their depth
 * @param variants cache of solved variants; fills as it is used
 * @param workingShare share of a cap that is used, 0 to 1
 * @returns an empty map where no one has such a cap
 */
export function dragCycles(
  movements: readonly Movement[],
  people: readonly FitPerson[],
  variants: VariantCache,
  workingShare: number,
): DragCycles {
  const capped = people.flatMap((person) => {
    const caps = person.caps.filter((cap) => jointOf(cap) !== null).map((cap) => workedCap(cap, workingShare));
    return caps.length > 0 && person.depth ? [{ person, caps }] : [];
  });
  if (capped.length === 0) return {};
  const cycleOf = (movement: Movement, equipment: WaterEquipment): number => {
    const seconds = BREATH_SECONDS.usual * movement.breaths;
    const cycles = capped.flatMap(({ person, caps }) => {
      const doer = { ...person, build: buildOf(person.measured, person.stature), equipment: person.equipment ?? equipment };
      const demands = variants.demands(
        movement,
        { ...FULL_STANDING_VARIANT, kind: "water" },
        doer,
        BREATH_SECONDS.usual,
        leadingSides(movement),
      );
      return (demands ?? []).flatMap(({ water }) =>
        caps.map((cap) => (water?.dragShare ? cycleFor(cap, water.dragShare, seconds) : 0)),
      );
    });
    return Math.max(0, ...cycles.filter(Number.isFinite));
  };
  return Object.fromEntries(
    movements
      .filter(hasWaterVariant)
      .map((movement) => [movement.id, recordOf(WATER_EQUIPMENT_NAMES, (name) => cycleOf(movement, name))]),
  );
}
