import { itemAt } from "../checked-access.ts";
import { type SessionItem, type SessionLimits, THIRD_REST_COST } from "./session-rules.ts";

/** Columns of a program that stand for options: block, then option. */
const column = (block: number, option: number): string => `x${block}_${option}`;

const term = (factor: number, name: string): string => `${factor < 0 ? "-" : "+"} ${Math.abs(factor)} ${name}`;

/** A sum of options, by what each counts. */
const sumOf = (
  blocks: readonly SessionItem[],
  within: readonly number[],
  of: (option: SessionItem["options"][number]) => number,
) =>
  within.flatMap((b) =>
    itemAt(blocks, b).options.flatMap((option, i) => (of(option) === 0 ? [] : [term(of(option), column(b, i))])),
  );

/** The shortest stretches of blocks that last longer than a run may. */
function* tooLong(blocks: readonly SessionItem[], run: number): Generator<number[]> {
  for (let from = 0; from < blocks.length; from += 1) {
    let seconds = 0;
    for (let to = from; to < blocks.length; to += 1) {
      seconds += itemAt(blocks, to).seconds;
      if (seconds <= run + 0.001) continue;
      yield Array.from({ length: to - from + 1 }, (_, i) => from + i);
      break;
    }
  }
}

/**
 * The choice over a session as an integer program in LP format, for a general solver: the referee of chooseOverSession,
 * and the proof behind it. Its best value is the worth of the best choice.
 */
export function buildSessionIlp(blocks: readonly SessionItem[], limits: SessionLimits): string {
  const all = blocks.map((_, b) => b);
  const goal = sumOf(blocks, all, ({ worth }) => worth);
  const rows: string[] = blocks.map(({ options }, b) => `${options.map((_, i) => `+ ${column(b, i)}`).join(" ")} = 1`);
  const bounded: string[] = [];
  limits.sums.forEach((limit, sum) => {
    if (!Number.isFinite(limit)) return;
    const spent = sumOf(blocks, all, ({ spends }) => itemAt(spends, sum));
    if (spent.length > 0) rows.push(`${spent.join(" ")} <= ${limit + 0.001}`);
  });
  const onFeet = (within: readonly number[]) => sumOf(blocks, within, (option) => (option.onFeet ? 1 : 0));
  for (const stretch of tooLong(blocks, limits.run)) {
    const standing = onFeet(stretch);
    if (standing.length > 0) rows.push(`${standing.join(" ")} <= ${stretch.length - 1}`);
  }
  blocks.forEach(({ change, options }, b) => {
    if (b > 0)
      for (const [name, up, down, cost] of [
        [`u${b}`, b, b - 1, change.rise],
        [`d${b}`, b - 1, b, change.sit],
      ] as const) {
        const from = sumOf(blocks, [up], (option) => (option.onFeet ? 1 : 0));
        const to = sumOf(blocks, [down], (option) => (option.onFeet ? -1 : 0));
        if (from.length > 0) rows.push(`${[...from, ...to].join(" ")} - ${name} <= 0`);
        if (Number.isFinite(cost)) goal.push(term(-cost, name));
        bounded.push(Number.isFinite(cost) ? `0 <= ${name} <= 1` : `${name} = 0`);
      }
    if (b < 2 || options.length === 1) return;
    rows.push(`${sumOf(blocks, [b - 2, b - 1, b], ({ rests }) => (rests ? 1 : 0)).join(" ")} - z${b} <= 2`);
    goal.push(term(-THIRD_REST_COST, `z${b}`));
    bounded.push(`0 <= z${b} <= 1`);
  });
  return [
    "Maximize",
    ` worth: ${goal.length > 0 ? goal.join("\n  ") : "0 x0_0"}`,
    "Subject To",
    ...rows.map((row, i) => ` r${i}: ${row}`),
    "Bounds",
    ...bounded.map((bound) => ` ${bound}`),
    "Binary",
    ...blocks.flatMap(({ options }, b) => options.map((_, i) => ` ${column(b, i)}`)),
    "End",
  ].join("\n");
}
