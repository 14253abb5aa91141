import { itemAt } from "../checked-access.ts";
import { type HoldLevel, holdSeconds, type TimedHold } from "../movement/timed-hold.ts";
import { type ClassStep, repetitionSince } from "./class-steps.ts";
import type { ScriptItem } from "./script.ts";

/** What a hold is counted from: its levels, and the key poses of the movement held. */
type Held = Pick<ScriptItem, "movement" | "timedHold">;

/** Where a hold stands: on the way there, in a level with what is left of it, on the way back, or standing tall before the next. */
export type HoldCount =
  | { readonly stage: "goingThere" | "comingBack" | "standingTall" }
  | {
      readonly stage: "holding";
      readonly level: HoldLevel;
      /** The level before it; null in the first. */
      readonly before: HoldLevel | null;
      /** Whole seconds left of the level, counted down to 1. */
      readonly left: number;
    };

/** Seconds of going to the held key pose, of a movement held. */
export function secondsToHold({ movement, timedHold }: Held, roundSeconds: number): number {
  const at = movement.keys.findIndex(({ held }) => held === true);
  return timedHold === undefined || at < 1 ? 0 : itemAt(movement.keys, at - 1).at * roundSeconds;
}

/** The level that a hold is in. @param seconds since the hold began */
function levelAt(hold: TimedHold, seconds: number): HoldCount {
  let end = 0;
  for (const [i, level] of hold.entries()) {
    end += level.seconds;
    if (seconds < end) return { stage: "holding", level, before: hold[i - 1] ?? null, left: Math.ceil(end - seconds) };
  }
  return { stage: "comingBack" };
}

/**
 * Where a hold stands in class, for counting aloud.
 *
 * @param item a plan item as it is taught
 * @param step of the item
 * @param seconds since the step began
 * @returns null where the item is repeated, or while it is being shown
 */
export function holdCountAt(item: Held, step: ClassStep, seconds: number): HoldCount | null {
  const { timedHold } = item;
  if (timedHold === undefined || seconds < step.lead) return null;
  const inHold = repetitionSince(step, seconds - step.lead).seconds;
  const there = secondsToHold(item, step.roundSeconds);
  if (inHold < there) return { stage: "goingThere" };
  if (inHold < there + holdSeconds(timedHold)) return levelAt(timedHold, inHold - there);
  return { stage: inHold < step.roundSeconds ? "comingBack" : "standingTall" };
}
