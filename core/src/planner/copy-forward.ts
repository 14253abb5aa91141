import type { VariantCache } from "../fit/variant-cache.ts";
import type { Movement } from "../movement/format.ts";
import { newBlockId } from "../plan/change-block.ts";
import type { PlanContent } from "../plan/plan.ts";
import { type PlanContext, type PlanItemWithMovement, withMovements } from "../schedule/schedule-plan.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { readContent } from "./content.ts";
import { fixDuration } from "./fixes.ts";
import { analyzeMovement } from "./trains.ts";

export interface ForwardQuestion {
  readonly last: PlanContent;
  readonly movements: readonly Movement[];
  readonly circumstances: PlanContext;
  readonly minutes: number;
  /** How many new movements to bring. */
  readonly news: number;
  readonly library: VariantCache;
}

/** The new movement that would fill most of what the plan lacks; the first by id where several would. */
function mostWanted(
  blocks: readonly PlanItemWithMovement[],
  { last, movements, circumstances, library }: ForwardQuestion,
): Movement | null {
  const missing = readContent(analyzePlan(blocks, circumstances, library), last.purpose);
  const worth = (movement: Movement): number => {
    const { demands, trains } = analyzeMovement(movement, circumstances, library);
    if (demands.length === 0) return -1;
    // What the session is for counts even where nothing of it is missing.
    return missing.reduce(
      (sum, { content, missing: seconds }) => sum + (seconds + (content === last.purpose ? 30 : 1)) * trains[content],
      0,
    );
  };
  const used = new Set(blocks.map(({ movement }) => movement.id));
  const [best] = movements
    .filter(({ id, phase }) => !used.has(id) && (phase === "loosen" || phase === "flow") && circumstances.knows(id) === "new")
    .map((movement) => ({ movement, worth: worth(movement) }))
    .filter((each) => each.worth >= 0)
    .toSorted((a, b) => b.worth - a.worth || (a.movement.id < b.movement.id ? -1 : 1));
  return best?.movement ?? null;
}

/**
 * The next session from the last: all of it again as a recap, some new movements at the end of their phase, then
 * shortened or deepened as proposed until it fills its minutes.
 */
export function copyForward(question: ForwardQuestion): PlanContent {
  const { last, movements, circumstances, minutes, news, library } = question;
  let blocks: readonly PlanItemWithMovement[] = withMovements(last.blocks, movements);
  for (let added = 0; added < news; added += 1) {
    const movement = mostWanted(blocks, question);
    if (!movement) break;
    const block = {
      id: newBlockId(blocks.map((each) => each.block)),
      movementId: movement.id,
      rounds: circumstances.style.rounds,
    };
    const at = blocks.findLastIndex((each) => (each.block.phase ?? each.movement.phase) === movement.phase);
    blocks = blocks.toSpliced(at < 0 ? blocks.length : at + 1, 0, { block, movement });
  }
  const ask = { blocks, circumstances, library };
  const fixed = fixDuration(ask, analyzePlan(blocks, circumstances, library), minutes).at(-1);
  // A form was held for that day and that block; where people stand is the same next week.
  return { ...last, holds: [], blocks: fixed?.blocks ?? blocks.map(({ block }) => block) };
}
