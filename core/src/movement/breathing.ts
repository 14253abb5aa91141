import { itemAt } from "../checked-access.ts";
import type { KeyBreath, Movement, MovementKey } from "./format.ts";
import { type RewrittenKeys, rewriteKeys } from "./rewrite-keys.ts";

/** Where a breath waits: full after breathing in, or empty after breathing out. */
export const PAUSE_PLACES = ["top", "bottom"] as const;

/** A pause of the breath, which the body waits for too; never longer than is easy. */
export interface BreathPause {
  readonly at: (typeof PAUSE_PLACES)[number];
  /** Up to three; 0 is none. */
  readonly seconds: number;
}

/** The longest pause that can be chosen, seconds. Usual practice. */
export const LONGEST_PAUSE = 3;

/** How a movement is breathed in a plan. */
export interface Breathing {
  /** Breaths taken to one breath of the movement. */
  readonly breathsToOne: 1 | 2;
  /** Null without one. */
  readonly pause: BreathPause | null;
}

const breathTo = ({ breath }: MovementKey): KeyBreath => breath ?? "in";

/** First and last key pose of each stretch of one breath direction, and when it begins and ends. */
function stretches(
  keys: readonly MovementKey[],
): { readonly first: number; readonly last: number; readonly from: number; readonly to: number }[] {
  const found: { first: number; last: number; from: number; to: number }[] = [];
  keys.forEach((key, i) => {
    if (i === 0) return;
    const before = found.at(-1);
    if (before && breathTo(itemAt(keys, i - 1)) === breathTo(key)) Object.assign(before, { last: i, to: key.at });
    else found.push({ first: i, last: i, from: itemAt(keys, i - 1).at, to: key.at });
  });
  return found;
}

/** What is said without the breath that leads it: "in, lift" becomes "lift". */
const withoutBreath = (say: string): string => say.replace(/^(in|out)\b,?\s*/i, "");

/**
 * Breathes in and out where one direction was: each stretch takes a whole breath, in to its middle and out to its end.
 *
 * @param keys in their order
 */
function twoToOne(keys: readonly MovementKey[]): MovementKey[] {
  const all = stretches(keys);
  return keys.map((key, i) => {
    const stretch = all.find(({ first, last }) => first <= i && i <= last);
    if (!stretch) return key;
    const middle = (stretch.from + stretch.to) / 2;
    const said = key.say === undefined ? key : { ...key, say: withoutBreath(key.say) };
    if (key.at <= middle) return { ...said, breath: "in" };
    return { ...said, breath: itemAt(keys, i - 1).at >= middle ? "out" : "both" };
  });
}

/** Key poses at which the breath is full or empty, before it turns; the last leads to the first. */
function turningPoints(keys: readonly MovementKey[], at: BreathPause["at"]): number[] {
  const turnsAt = at === "top" ? "in" : "out";
  return keys.flatMap((key, i) => {
    if (i === 0) return [];
    const arrives = breathTo(key) === "both" ? "out" : breathTo(key);
    const next = breathTo(itemAt(keys, i === keys.length - 1 ? 1 : i + 1));
    const leaves = next === "both" ? "in" : next;
    // What waits already waits as it is written.
    if (arrives === "pause" || leaves === "pause") return [];
    return arrives === turnsAt && leaves !== arrives ? [i] : [];
  });
}

/** Waits at key poses. @param seconds of the whole repetition, pauses included */
function paused(keys: readonly MovementKey[], { at, seconds: pause }: BreathPause, seconds: number): RewrittenKeys {
  const turns = turningPoints(keys, at);
  const moving = seconds - turns.length * pause;
  const made: MovementKey[] = [];
  const from: (number | null)[] = [];
  keys.forEach((key, i) => {
    const waited = pause * turns.filter((turn) => turn < i).length;
    const like = key.like === undefined ? {} : { like: from.indexOf(key.like) };
    const waits = turns.includes(i);
    const { flow: _, ...stops } = key;
    made.push({ ...(waits ? stops : key), ...like, at: (waited + key.at * moving) / seconds });
    from.push(i);
    if (!waits) return;
    made.push({
      at: (waited + pause + key.at * moving) / seconds,
      like: made.length - 1,
      breath: "pause",
      ...(key.share !== undefined && { share: key.share }),
    });
    from.push(null);
  });
  return { keys: made.map((key, i) => (i === made.length - 1 ? { ...key, at: 1 } : key)), from };
}

/**
 * A movement as it is breathed: two breaths to one, or with a pause at the top or bottom of each breath. It is a movement like
 * any other, so its time, its loads and its picture are read as theirs are. Its breaths need not be whole.
 *
 * @param movement as it is written
 * @param breathing what the plan asks
 * @param breathSeconds seconds of one breath, in and out, without the pause
 */
export function breathedMovement(movement: Movement, { breathsToOne, pause }: Breathing, breathSeconds: number): Movement {
  const waits = pause !== null && pause.seconds > 0;
  if (breathsToOne === 1 && !waits) return movement;
  const breathe = (keys: Movement["keys"]) => (breathsToOne === 2 ? twoToOne(keys) : keys);
  const turns = waits ? turningPoints(breathe(movement.keys), pause.at).length : 0;
  const seconds = breathsToOne * movement.breaths * breathSeconds + (waits ? pause.seconds * turns : 0);
  const change = (keys: Movement["keys"]): RewrittenKeys =>
    waits ? paused(breathe(keys), pause, seconds) : { keys: breathe(keys), from: [...keys.keys()] };
  const breathed = rewriteKeys(movement, change, breathsToOne === 2 ? withoutBreath : undefined);
  return { ...breathed, breaths: seconds / breathSeconds };
}
