import { CAP_TOLERANCE, type Cap } from "../caps/cap.ts";
import { strictestNumber } from "../caps/effective.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";

/** What one way of doing a block adds to the session. Seconds; pairs are left and right. */
export interface BlockOption {
  /** On the feet. */
  readonly standing: number;
  readonly oneLeg: readonly [number, number];
  readonly handsUp: readonly [number, number];
  /** How much it is worth. */
  readonly worth: number;
}

/** The most of each sum that caps leave, seconds; infinite without a cap. */
export interface SessionLimits {
  readonly standing: number;
  readonly standingAtATime: number;
  readonly oneLeg: readonly [number, number];
  readonly handsUp: readonly [number, number];
}

const MINUTE = 60;

/** What the caps on sums over a session leave. */
export function sessionLimits(caps: readonly Cap[]): SessionLimits {
  const least = (channel: Cap["limit"]["channel"], scale: number, side?: Side): number =>
    scale * (strictestNumber(caps, channel, side) ?? Number.POSITIVE_INFINITY);
  return {
    standing: least("standingMinutes", MINUTE),
    standingAtATime: least("standingMinutesAtATime", MINUTE),
    oneLeg: [least("oneLegSecondsInAll", 1, "left"), least("oneLegSecondsInAll", 1, "right")],
    handsUp: [least("handsUpSecondsInAll", 1, "left"), least("handsUpSecondsInAll", 1, "right")],
  };
}

/** Caps whose sum or run a session can spend. */
export const SESSION_CHANNELS: readonly string[] = [
  "standingMinutes",
  "standingMinutesAtATime",
  "oneLegSecondsInAll",
  "handsUpSecondsInAll",
];

interface Label {
  readonly spent: readonly number[];
  readonly worth: number;
  readonly option: number;
  readonly before: Label | null;
}

/** Ways kept from one block to the next; more only in sessions far longer than any class. */
const MOST_LABELS = 600;

const dominates = (a: Label, b: Label): boolean =>
  a.worth >= b.worth - 1e-12 && a.spent.every((value, i) => value <= (b.spent[i] as number) + 1e-12);

/** Drops what another way beats in everything. The order of the answer follows from the values alone. */
function undominated(labels: readonly Label[]): Label[] {
  const kept: Label[] = [];
  for (const label of labels.toSorted((a, b) => b.worth - a.worth || sum(a.spent) - sum(b.spent)))
    if (!kept.some((better) => dominates(better, label))) kept.push(label);
  return kept.slice(0, MOST_LABELS);
}

const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);

/**
 * Chooses one way of doing each block so that no sum and no run over the session passes its limit and the worth is
 * greatest. Exact: labels are only dropped when another is at least as good in everything. Each block's last option has
 * to be rest, which spends nothing, so that there is always an answer.
 *
 * @param blocks the options of each block; the first of equal worth wins
 * @returns the number of the option chosen for each block
 */
export function chooseOverSession(blocks: readonly (readonly BlockOption[])[], limits: SessionLimits): number[] {
  const counted = (of: number, limit: number): number => (Number.isFinite(limit) ? of : 0);
  const most = [limits.standing, limits.standingAtATime, ...limits.oneLeg, ...limits.handsUp];
  let labels: Label[] = [{ spent: [0, 0, 0, 0, 0, 0], worth: 0, option: -1, before: null }];
  for (const options of blocks) {
    const next: Label[] = [];
    for (const label of labels)
      options.forEach((option, number) => {
        const [standing, run] = label.spent as [number, number];
        const spent = [
          standing + counted(option.standing, limits.standing),
          option.standing > 0 ? run + counted(option.standing, limits.standingAtATime) : 0,
          ...SIDES.map((side) => {
            const i = sideIndex(side);
            return (label.spent[2 + i] as number) + counted(option.oneLeg[i], limits.oneLeg[i]);
          }),
          ...SIDES.map((side) => {
            const i = sideIndex(side);
            return (label.spent[4 + i] as number) + counted(option.handsUp[i], limits.handsUp[i]);
          }),
        ];
        if (spent.every((value, i) => value <= (most[i] as number) + CAP_TOLERANCE.share))
          next.push({ spent, worth: label.worth + option.worth, option: number, before: label });
      });
    labels = undominated(next);
  }
  const chosen: number[] = [];
  for (let label: Label | null = labels[0] ?? null; label?.before; label = label.before) chosen.unshift(label.option);
  return chosen;
}
