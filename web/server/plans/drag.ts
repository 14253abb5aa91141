import { dragCycles } from "@able-tide/core/fit/drag-cycles";
import type { FitPerson } from "@able-tide/core/fit/session";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import { WORKING_SHARES } from "@able-tide/core/fit/working-range";
import type { Movement } from "@able-tide/core/movement/format";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";

/** Variants solved for it; few movements have one for the water, and few people a cap on drag. */
const variants = createVariantCache();

/** A setting with what caps on drag ask of the movements of a pool; as it is where no one has such a cap. */
export function withDrag(
  setting: PlanSetting,
  people: readonly FitPerson[],
  movements: readonly Movement[],
  { size }: Pick<TeachingStyle, "size">,
): PlanSetting {
  if (setting.fitPlace.pool === null) return setting;
  const cycles = dragCycles(movements, people, variants, WORKING_SHARES[size]);
  return Object.keys(cycles).length > 0 ? { ...setting, dragCycles: cycles } : setting;
}
