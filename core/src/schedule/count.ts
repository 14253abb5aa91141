import type { Movement } from "../movement/format.ts";
import { isHeld, type PlanItem } from "../plan/plan-item.ts";
import type { TeachingStyle } from "../plan/style.ts";
import { otherSide, type Side } from "../side.ts";

/** Repetitions done one after another with one side leading. */
export interface Turn {
  /** The side that leads; for an unsided movement the one it begins with. */
  readonly lead: Side;
  readonly rounds: number;
  /** Whether it is the way back of a walk ahead: everyone has turned round. */
  readonly back?: true;
  /** Whether it is the second side by itself, as in a combination. */
  readonly other?: true;
}

/** What the turns of an item depend on besides the item. */
interface HowCounted {
  /** Whether a repetition ends further ahead, or behind, than it began. */
  readonly walksAhead?: boolean;
  /** Which side it is of a combination that does one side after the other; null where it is not one side by itself. */
  readonly alone?: "first" | "second" | null;
}

/**
 * The turns of a block. Where each side counts one, the number called is shared out and an odd one gives the first side
 * one more; where left and right together count one, each side has the whole number. An unsided movement does both
 * sides within each repetition and has one turn. Timed holds are counted for each side.
 *
 * A walk ahead goes there and back: half its repetitions each way, an odd number giving the way there one more. In a combination
 * that does one side after the other, the first side goes there and the second comes back.
 *
 * @param leadsFirst the side that the style begins with
 * @param how what else the turns depend on
 * @example turnsOf(sided, { rounds: 6 }, "eachSide", "right") // right 3, left 3
 * @example turnsOf(sided, { rounds: 6 }, "together", "right") // right 6, left 6
 */
export function turnsOf(
  { sided, holdAt }: Pick<Movement, "sided" | "holdAt">,
  block: Pick<PlanItem, "rounds" | "first" | "only" | "timedHold">,
  counting: TeachingStyle["counting"],
  leadsFirst: Side,
  { walksAhead = false, alone = null }: HowCounted = {},
): Turn[] {
  const { rounds, only } = block;
  const first = only ?? block.first ?? leadsFirst;
  // Unsided movements are authored with the right side beginning, whichever side the style begins with.
  if (!sided) return [{ lead: block.first ?? "right", rounds }];
  if (only && alone !== null) {
    const second = alone === "second";
    return [
      { lead: only, rounds, ...(second && { other: true as const }), ...(second && walksAhead && { back: true as const }) },
    ];
  }
  if (only && !walksAhead) return [{ lead: only, rounds }];
  // Holds are counted for each side, whatever the style counts.
  const each = !only && (counting === "together" || isHeld(block, { holdAt }));
  const [one, other] = each ? [rounds, rounds] : [Math.ceil(rounds / 2), Math.floor(rounds / 2)];
  const turns: Turn[] = [
    { lead: first, rounds: one },
    { lead: only ?? otherSide(first), rounds: other, ...(walksAhead && { back: true as const }) },
  ];
  return turns.filter((turn) => turn.rounds > 0);
}

/** Repetitions on each side, left then right: an unsided movement does both in each. */
export function repetitionsPerSide({ sided }: Pick<Movement, "sided">, turns: readonly Turn[]): readonly [number, number] {
  const on = (side: Side): number => turns.reduce((sum, turn) => sum + (sided && turn.lead !== side ? 0 : turn.rounds), 0);
  return [on("left"), on("right")];
}
