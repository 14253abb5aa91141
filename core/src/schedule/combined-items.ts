import type { Movement } from "../movement/format.ts";
import { imaginedMovement } from "../movement/imagined.ts";
import type { Combination, CombinationPass } from "../plan/combination.ts";
import type { PlanItem } from "../plan/plan-item.ts";
import type { TeachingStyle } from "../plan/style.ts";
import { otherSide, type Side } from "../side.ts";
import { type Turn, turnsOf } from "./count.ts";
import type { PlanItemWithMovement } from "./items-with-movements.ts";

/** Which part of which pass of a combination a scheduled item is. */
export interface CombinedPart {
  /** The plan item that is the combination. */
  readonly item: PlanItem;
  readonly combination: Combination;
  readonly pass: CombinationPass;
  /** Number of the pass, from 0. */
  readonly passNumber: number;
  /** Whether it is the first item of its pass. */
  readonly begins: boolean;
  /** Which side it is of a pass that does one side after the other; null where it does both in turn, or one only. */
  readonly alone: "first" | "second" | null;
  /** Whether it goes straight on from the item before, without showing and without sitting down or standing up between. */
  readonly runsOn: boolean;
}

/** A plan item that is done by itself, or one part of a combination as an item of its own. */
export interface SingleItem {
  readonly block: PlanItem;
  readonly movement: Movement;
  readonly part: CombinedPart | null;
}

/** One part done once: its number, the side it is done on alone, and its repetitions. */
interface Step {
  readonly part: number;
  readonly only: Side | null;
  readonly rounds: number;
}

/** The parts of a pass in their order. @param turns sides and repetitions as the style counts them */
function stepsOfPass(pass: CombinationPass, { order, parts }: Combination, rounds: number, turns: readonly Turn[]): Step[] {
  const times = (part: number): number => parts[part]?.times ?? 1;
  const numbers = parts.map((_, i) => i);
  if (pass.how === "parts" || order === "parts") {
    const only = pass.side === undefined ? null : (turns[0]?.lead ?? null);
    return numbers.map((part) => ({ part, only, rounds: rounds * times(part) }));
  }
  if (order === "sides")
    return turns.flatMap(({ lead, rounds: each }) => numbers.map((part) => ({ part, only: lead, rounds: each * times(part) })));
  return turns.flatMap(({ lead, rounds: each }) =>
    Array.from({ length: each }, () => numbers.map((part) => ({ part, only: lead, rounds: times(part) }))).flat(),
  );
}

/** The one side that a pass is done on; null where it is done on both. @param first the side that the item begins with */
const sideOfPass = ({ side }: CombinationPass, first: Side): Side | null =>
  side === undefined ? null : side === "first" ? first : otherSide(first);

/** What is the same for every part: what the item says of all of them. */
function commonOf(block: PlanItem): Omit<PlanItem, "id" | "movementId" | "rounds"> {
  const {
    id: _,
    movementId: __,
    rounds: ___,
    combined: ____,
    timedHold: _____,
    talk: ______,
    straight: _______,
    ...common
  } = block;
  return common;
}

/**
 * A plan item as items that are done one after another: itself, or the parts of its combination, pass by pass. A combination is
 * the sum of these and of the transitions between them.
 *
 * @param item with its movement, and those of its parts where it is a combination
 * @param counting how the style counts sides
 * @param leadsFirst the side that the style begins with
 * @returns in their order; the first one has the item's explanation, and runs straight on where the item does
 */
export function singleItems(
  { block, movement: named, parts: namedParts = [] }: PlanItemWithMovement,
  counting: TeachingStyle["counting"],
  leadsFirst: Side,
): SingleItem[] {
  const done = (each: Movement): Movement => (block.inMind ? imaginedMovement(each) : each);
  const movement = done(named);
  const parts = namedParts.map(done);
  const { combined } = block;
  if (combined === undefined) return [{ block, movement, part: null }];
  const sided = parts.some((part) => part.sided);
  const common = commonOf(block);
  const first = common.only ?? common.first ?? leadsFirst;
  return combined.passes.flatMap((pass, passNumber) => {
    const only = common.only ?? sideOfPass(pass, common.first ?? leadsFirst);
    const called = pass.rounds ?? block.rounds;
    // Where each side counts one, a pass on both sides does each side once at least.
    const rounds = sided && only === null && counting === "eachSide" ? Math.max(2, called) : called;
    const turns = turnsOf({ sided }, { ...common, rounds, ...(only && { only }) }, counting, leadsFirst);
    return stepsOfPass(pass, combined, rounds, turns).flatMap((step, i): SingleItem[] => {
      const own = parts[step.part];
      if (own === undefined) return [];
      const opens = passNumber === 0 && i === 0;
      const { only: itemsOnly, first: itemsFirst, ...rest } = common;
      const side = step.only ?? itemsOnly;
      const item: PlanItem = {
        ...rest,
        id: `${block.id}.${passNumber + 1}.${i + 1}`,
        movementId: own.id,
        rounds: step.rounds,
        phase: block.phase ?? movement.phase,
        combination: combined.name,
        ...(own.sided && side && { only: side }),
        ...(!own.sided && side && { first: side }),
        ...(side === null || side === undefined ? itemsFirst && { first: itemsFirst } : {}),
        ...(pass.breathSeconds !== undefined && { breathSeconds: pass.breathSeconds }),
        ...((pass.quiet ?? block.quiet) && { quiet: true }),
        ...(opens && block.talk !== undefined && { talk: block.talk }),
        ...(opens && block.straight && { straight: true }),
      };
      const part: CombinedPart = {
        item: block,
        combination: combined,
        pass,
        passNumber,
        begins: i === 0,
        alone: own.sided && only === null && step.only !== null ? (step.only === first ? "first" : "second") : null,
        runsOn: pass.how === "joined" && i > 0,
      };
      return [{ block: item, movement: own, part }];
    });
  });
}
