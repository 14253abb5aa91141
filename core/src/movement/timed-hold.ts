import { itemAt, present } from "../checked-access.ts";
import { authoredKeys } from "./authored-keys.ts";
import type { Movement, MovementKey } from "./format.ts";
import { type RewrittenKeys, rewriteKeys } from "./rewrite-keys.ts";

/** One level of a hold. */
export interface HoldLevel {
  readonly seconds: number;
  /** How far the body goes: share of the way from the first key pose to the held one, above 0 up to 1. */
  readonly share: number;
}

/** A key pose held for some seconds, level after level; getting from one level to the next is part of the seconds. */
export type TimedHold = readonly HoldLevel[];

/** Shares of the way that a level may have, furthest first. */
export const HOLD_SHARES = [1, 0.75, 0.5, 0.25] as const;

/** Seconds of a level, of a whole hold, and levels of a hold. Everyone stands tall after a minute at most. */
export const HOLD_SECONDS = { least: 5, most: 60, step: 5 } as const;
/** The most levels of a hold. */
export const MOST_HOLD_LEVELS = 4;

/** Seconds of standing tall between two holds. */
export const STAND_TALL_SECONDS = 10;

/** Seconds that it takes to go from one level to the next. */
const LEVEL_CHANGE = 3;

/** Holds that someone who must not hold as long as the group may do instead, seconds, longest first. */
const shorterThan = (seconds: number): number[] =>
  Array.from({ length: Math.ceil(seconds / HOLD_SECONDS.step) - 1 }, (_, i) => HOLD_SECONDS.step * (i + 1)).toReversed();

/** Seconds of a hold, all levels together. */
export const holdSeconds = (hold: TimedHold): number => hold.reduce((sum, { seconds }) => sum + seconds, 0);

/**
 * The beginning of a hold.
 *
 * @param seconds whole seconds, no more than the hold has
 * @example shortenedHold([{ seconds: 30, share: 0.5 }, { seconds: 10, share: 1 }], 35) // 30 s, then 5 s
 */
export function shortenedHold(hold: TimedHold, seconds: number): TimedHold {
  let left = seconds;
  return hold.flatMap((level) => {
    const taken = Math.min(level.seconds, left);
    left -= taken;
    return taken > 0 ? [{ ...level, seconds: taken }] : [];
  });
}

/** Pieces made before: the same hold is the same object, which saves finding its content again. */
const piecesBefore = new WeakMap<Movement, Map<string, readonly HoldPiece[]>>();
const MOST_PIECES = 40;

/** Rounds to a tenth of a second, in which plans count. */
const tenths = (seconds: number): number => Math.round(10 * seconds) / 10;

/** Where the body stays as it is in the held key pose: the number of the last key pose like it. */
function lastLike(keys: readonly MovementKey[], at: number): number {
  const poses = authoredKeys(keys);
  const held = itemAt(poses, at);
  const isSame = (i: number): boolean =>
    itemAt(poses, i).lift === held.lift && itemAt(poses, i).stated.every((value, slot) => value === held.stated[slot]);
  let last = at;
  while (last + 2 < keys.length && isSame(last + 1)) last += 1;
  return last;
}

/** Seconds of going to the held key pose, of the hold, and of coming back: the same in every variant, for the group moves together. */
interface HoldTimes {
  readonly there: number;
  readonly held: number;
  readonly back: number;
  readonly breathSeconds: number;
}

const OTHER_BREATH = { in: "out", out: "in" } as const;

/** What a stay in a level follows from. */
interface Stay {
  /** The held key pose. */
  readonly like: number;
  /** The breath that led to it. */
  readonly arrived: "in" | "out";
  /** When the stay begins, seconds. */
  readonly start: number;
  /** Whether the body comes from another level. */
  readonly changes: boolean;
  readonly breathSeconds: number;
}

/** Stays in a level: whole breaths go in and out, and the body stays; on the first way it may go there. */
function stay({ seconds, share }: HoldLevel, { like, arrived, start, changes, breathSeconds }: Stay): MovementKey[] {
  const halves = Math.max(2, 2 * Math.round(seconds / breathSeconds));
  const change = changes ? Math.min(LEVEL_CHANGE, seconds / (halves + 1)) : 0;
  const ends = Array.from({ length: halves }, (_, i) => ({ end: change + ((i + 1) / halves) * (seconds - change), half: i }));
  return [...(changes ? [{ end: change, half: 0 }] : []), ...ends].map(
    ({ end, half }): MovementKey => ({
      at: start + end,
      breath: half % 2 === 0 ? OTHER_BREATH[arrived] : arrived,
      like,
      share,
      held: true,
    }),
  );
}

/** Holds key poses, their `at` a share of the whole. */
function heldKeys(keys: readonly MovementKey[], at: number, hold: TimedHold, times: HoldTimes): RewrittenKeys {
  const { there, back, breathSeconds } = times;
  const whole = there + times.held + back;
  const last = lastLike(keys, at);
  const [first, left] = [present(hold[0], "level of a hold").share, present(hold.at(-1), "level of a hold").share];
  const held = itemAt(keys, at);
  /** Goes no further than a level: what a key pose states less than all of stays less. */
  const within = (key: MovementKey, share: number): MovementKey =>
    share < 1 ? { ...key, share: (key.share ?? 1) * share } : key;
  const made: MovementKey[] = [];
  const from: (number | null)[] = [];
  const add = (key: MovementKey, number: number | null) => {
    made.push(key);
    from.push(number);
  };
  for (let i = 0; i <= at; i += 1) {
    const key = { ...itemAt(keys, i), at: (there * itemAt(keys, i).at) / held.at };
    add(i === 0 ? key : within(key, first), i);
  }
  let clock = there;
  hold.forEach((level, i) => {
    const changes = i > 0 && itemAt(hold, i - 1).share !== level.share;
    const arrived = held.breath === "out" || held.breath === "both" ? "out" : "in";
    const far = { ...level, share: level.share * (held.share ?? 1) };
    for (const key of stay(far, { like: at, arrived, start: clock, changes, breathSeconds })) add(key, null);
    clock += level.seconds;
  });
  const leaves = itemAt(keys, last).at;
  const offset = made.length - (last + 1);
  const numberNow = (number: number): number => (number > last ? number + offset : Math.min(number, at));
  for (let i = last + 1; i < keys.length; i += 1) {
    const key = itemAt(keys, i);
    const then = { ...key, at: clock + (back * (key.at - leaves)) / (1 - leaves) };
    const like = key.like === undefined ? {} : { like: numberNow(key.like) };
    add(i < keys.length - 1 ? { ...within(then, left), ...like } : { ...then, ...like }, i);
  }
  return { keys: made.map((key, i) => ({ ...key, at: i === made.length - 1 ? 1 : key.at / whole })), from };
}

/**
 * A movement held: one repetition goes to the held key pose, stays there level by level and comes back. It is a movement like any
 * other, so its loads, its seconds and its picture are read as theirs are. Its breaths need not be whole.
 *
 * @param movement one that has a key pose to hold
 * @param hold levels in their order
 * @param breathSeconds seconds of one breath, in and out
 * @throws {RangeError} where the movement has no key pose to hold, or the hold no level
 */
export function heldMovement(movement: Movement, hold: TimedHold, breathSeconds: number): Movement {
  const { holdAt, reversal: _, ...unheld } = movement;
  const { keys } = movement;
  if (holdAt === undefined || holdAt >= keys.length - 1) throw new RangeError(`${movement.id} has no key pose to hold`);
  const repetition = movement.breaths * breathSeconds;
  const times: HoldTimes = {
    there: tenths(itemAt(keys, holdAt).at * repetition),
    held: holdSeconds(hold),
    back: tenths((1 - itemAt(keys, lastLike(keys, holdAt)).at) * repetition),
    breathSeconds,
  };
  const held = rewriteKeys(unheld, (all, own = holdAt) => heldKeys(all, own, hold, times));
  return { ...held, breaths: (times.there + times.held + times.back) / breathSeconds };
}

/** A hold as long as the group's, or shorter, as a movement. */
export interface HoldPiece {
  /** 0: the movement as it is repeated, without a hold. */
  readonly seconds: number;
  readonly movement: Movement;
}

/**
 * A hold and the shorter ones that someone may do instead: they come up before the group does and wait, standing tall.
 *
 * @param movement one that has a key pose to hold
 * @param hold levels in their order
 * @param breathSeconds seconds of one breath, in and out
 * @returns the group's hold, then shorter ones, longest first, the last without a hold
 */
export function holdPieces(movement: Movement, hold: TimedHold, breathSeconds: number): readonly HoldPiece[] {
  const before = piecesBefore.get(movement) ?? new Map<string, readonly HoldPiece[]>();
  piecesBefore.set(movement, before);
  const key = JSON.stringify([hold, breathSeconds]);
  const known = before.get(key);
  if (known) return known;
  const whole = holdSeconds(hold);
  const held = [whole, ...shorterThan(whole)].map((seconds) => ({
    seconds,
    movement: heldMovement(movement, shortenedHold(hold, seconds), breathSeconds),
  }));
  const pieces = [...held, { seconds: 0, movement }];
  if (before.size >= MOST_PIECES) before.clear();
  before.set(key, pieces);
  return pieces;
}
