import type { VariantCache } from "../fit/variant-cache.ts";
import type { Movement } from "../movement/format.ts";
import { newItemId } from "../plan/change-item.ts";
import type { PlanContent } from "../plan/plan.ts";
import { movementIdsOf } from "../plan/plan-item.ts";
import { repetitionsIn } from "../plan/style.ts";
import { type PlanItemWithMovement, withMovements } from "../schedule/items-with-movements.ts";
import type { PlanContext } from "../schedule/schedule-plan.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { readContent } from "./content.ts";
import { fixDuration } from "./fix-duration.ts";
import { analyzeMovement } from "./trains.ts";

/** What the next session is made from. */
export interface CopyForwardInput {
  readonly last: PlanContent;
  readonly movements: readonly Movement[];
  readonly context: PlanContext;
  readonly minutes: number;
  /** How many new movements to bring. */
  readonly news: number;
  readonly variants: VariantCache;
}

/** The new movement that would fill most of what the plan lacks; the first by id where several would. */
function mostWanted(
  blocks: readonly PlanItemWithMovement[],
  { last, movements, context, variants }: CopyForwardInput,
): Movement | null {
  const missing = readContent(analyzePlan(blocks, context, variants), last.purpose);
  const worth = (movement: Movement): number => {
    const { demands, trains } = analyzeMovement(movement, context, variants);
    if (demands.length === 0) return -1;
    // What the session is for counts even where nothing of it is missing.
    return missing.reduce(
      (sum, { content, missing: seconds }) => sum + (seconds + (content === last.purpose ? 30 : 1)) * trains[content],
      0,
    );
  };
  const used = movementIdsOf(blocks.map(({ block }) => block));
  const [best] = movements
    .filter(({ id, phase }) => !used.has(id) && (phase === "loosen" || phase === "flow") && context.familiarityWith(id) === "new")
    .map((movement) => ({ movement, worth: worth(movement) }))
    .filter((each) => each.worth >= 0)
    .toSorted((a, b) => b.worth - a.worth || (a.movement.id < b.movement.id ? -1 : 1));
  return best?.movement ?? null;
}

/**
 * Makes the next session from the last: the same items as a recap, some new movements at the end of their phase, then
 * shortened or lengthened until it fills its minutes; what is new stays.
 *
 * @param input the last plan, the movements, the minutes and how many are to be new
 */
export function copyForward(input: CopyForwardInput): PlanContent {
  const { last, movements, context, minutes, news, variants } = input;
  let blocks: readonly PlanItemWithMovement[] = withMovements(last.blocks, movements);
  const keeps = new Set<string>();
  for (let added = 0; added < news; added += 1) {
    const movement = mostWanted(blocks, input);
    if (!movement) break;
    const block = {
      id: newItemId(blocks.map((each) => each.block)),
      movementId: movement.id,
      rounds: repetitionsIn(context.style, movement.phase).ideal,
    };
    keeps.add(block.id);
    const at = blocks.findLastIndex((each) => (each.block.phase ?? each.movement.phase) === movement.phase);
    blocks = blocks.toSpliced(at < 0 ? blocks.length : at + 1, 0, { block, movement });
  }
  const ask = { blocks, context, variants, keeps };
  const fixed = fixDuration(ask, analyzePlan(blocks, context, variants), { minutes, changing: 0 }).at(-1);
  // A variant was held for that day and that block; where people stand is the same next week.
  return { ...last, holds: [], blocks: fixed?.blocks ?? blocks.map(({ block }) => block) };
}
