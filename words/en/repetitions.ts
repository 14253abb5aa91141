import type { HoldCount } from "@able-tide/core/class/hold-count";
import type { Movement } from "@able-tide/core/movement/format";
import { type Way, waysOf } from "@able-tide/core/movement/reversal";
import type { HoldLevel, TimedHold } from "@able-tide/core/movement/timed-hold";
import type { Turn } from "@able-tide/core/schedule/count";
import { count } from "./text.ts";

/** What is said where a movement turns round. */
export const OTHER_WAY = "Now the other way";

/** Which way repetitions go: empty where there is one way only. */
export const wayLabel = ({ reversal }: Pick<Movement, "reversal">, way: Way): string =>
  reversal === undefined ? "" : way === "forth" ? "one way" : "the other way";

const FAR: Readonly<Record<string, string>> = {
  "1": "all the way",
  "0.75": "three quarters",
  "0.5": "half way",
  "0.25": "a quarter",
};

/** How far the body goes in a level of a hold. */
export const shareLabel = (share: HoldLevel["share"]): string => FAR[String(share)] ?? `${Math.round(100 * share)}%`;

const isPlain = (hold: TimedHold): boolean => hold.length === 1 && hold[0]?.share === 1;

/** Levels of a hold: "30 s", or "30 s half way, 10 s all the way". */
export const formatHold = (hold: TimedHold): string =>
  hold.map(({ seconds, share }) => (isPlain(hold) ? `${seconds} s` : `${seconds} s ${shareLabel(share)}`)).join(", ");

/** Holds of an item: "hold 30 s", "2 holds on each side: 30 s half way, 10 s all the way". */
function formatHolds({ sided }: Pick<Movement, "sided">, turns: readonly Turn[], hold: TimedHold): string {
  const [first] = turns;
  const where = !sided || !first ? "" : turns.length > 1 ? " on each side" : ` on the ${first.lead}`;
  const times = first?.rounds ?? 1;
  if (times === 1 && isPlain(hold)) return `hold ${formatHold(hold)}${where}`;
  const what = `${count(times, "hold", "holds")}${where}`;
  return isPlain(hold) ? `${what}, ${formatHold(hold)} each` : `${what}: ${formatHold(hold)}`;
}

/**
 * Repetitions of an item: "8 times", "6 right, 6 left", "4 one way, 4 the other way", "3 right, 3 left on the way back"; or its
 * holds.
 *
 * @param hold the levels where it is held
 */
export function formatRepetitions(
  movement: Pick<Movement, "sided" | "reversal">,
  turns: readonly Turn[],
  hold: TimedHold | null = null,
): string {
  if (hold !== null) return formatHolds(movement, turns, hold);
  const parts = turns.flatMap((each, turn) =>
    waysOf(movement, turn, each).map((part) =>
      [String(part.rounds), movement.sided ? each.lead : "", wayLabel(movement, part.way), each.back ? "on the way back" : ""]
        .filter((word) => word !== "")
        .join(" "),
    ),
  );
  if (movement.sided || movement.reversal !== undefined) return parts.join(", ");
  return parts.map((count) => `${count} times`).join(", ");
}

/** What a leader says of a movement that is done in the mind only. */
export const IN_MIND = "Stand or sit at ease. Picture the movement and breathe with it. Nothing moves.";

/** What a leader says of repetitions that grow. */
export const GROWS = "Begin half way. Go a little further each time.";

/** What a leader of a hold says of it. */
export const COUNT_ALOUD = "Count the seconds aloud. Come up whenever you need to.";

/** Where a hold stands, in a word or two: what is counted down, or what comes. */
export function holdStageLabel(count: HoldCount): string {
  switch (count.stage) {
    case "goingThere":
      return "Go into the hold";
    case "comingBack":
      return "Come back up";
    case "standingTall":
      return "Stand tall, rest";
    case "holding":
      if (count.before === null) return "Hold";
      return count.level.share > count.before.share ? "Further, hold" : "Back a little, hold";
  }
}
