import type { Movement } from "@able-tide/core/movement/format";
import { type Way, waysOf } from "@able-tide/core/movement/reversal";
import type { Turn } from "@able-tide/core/schedule/count";

/** What is said where a movement turns round. */
export const OTHER_WAY = "Now the other way";

/** Which way repetitions go: empty where there is one way only. */
export const wayLabel = ({ reversal }: Pick<Movement, "reversal">, way: Way): string =>
  reversal === undefined ? "" : way === "forth" ? "one way" : "the other way";

/** Repetitions of an item: "8 times", "6 right, 6 left", "4 one way, 4 the other way". */
export function formatRepetitions(movement: Pick<Movement, "sided" | "reversal">, turns: readonly Turn[]): string {
  const parts = turns.flatMap(({ lead, rounds }, turn) =>
    waysOf(movement, turn, rounds).map((part) =>
      [String(part.rounds), movement.sided ? lead : "", wayLabel(movement, part.way)].filter((word) => word !== "").join(" "),
    ),
  );
  if (movement.sided || movement.reversal !== undefined) return parts.join(", ");
  return parts.map((count) => `${count} times`).join(", ");
}
