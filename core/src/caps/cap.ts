import * as v from "valibot";
import { LANDMARKS } from "../body/channels.ts";
import { daysBetween } from "../calendar.ts";
import { FEATURES } from "../movement/features.ts";
import { VARIANT_KINDS, type VariantKind } from "../movement/variant.ts";
import { SIDES, type Side } from "../side.ts";
import { WHOLE_OR_PART } from "./body-parts.ts";
import type { CapReason, CapSource } from "./cap-reason.ts";
import { CAP_SIDES } from "./cap-side.ts";
import { CAP_CHANNELS, type CapChannel, capChannel, type NumberChannel, type SidedNumberChannel } from "./channels.ts";
import { MOTION_NAMES, mostOfMotion } from "./motions.ts";

/** Differences below these are not a broken cap: degrees, shares, and shares of weight times stature in drag. */
export const CAP_TOLERANCE = { degrees: 0.05, share: 0.001, drag: 0.00001 } as const;

/** Who may change a cap: absolute only a clinician, firm the instructor, comfort lapses by itself. */
export const STRENGTHS = ["absolute", "firm", "comfort"] as const;
export type Strength = (typeof STRENGTHS)[number];

/**
 * What a cap's date means. After *review* the cap stays active and is due for review. After *ends* (the person who set
 * it said that it ends) it holds until the instructor has answered how it is now, and may then be released. A comfort
 * cap lapses by itself.
 */
export const DATE_KINDS = ["review", "ends"] as const;
export type DateKind = (typeof DATE_KINDS)[number];

function numberLimit(name: CapChannel) {
  const channel = capChannel(name);
  if (channel.kind !== "number") throw new RangeError(`${name} has no number`);
  return v.pipe(v.number(), v.minValue(channel.lowest), v.maxValue(channel.highest));
}
const side = v.picklist(CAP_SIDES);
const ofSide = <Name extends SidedNumberChannel>(name: Name) =>
  v.object({ channel: v.literal(name), side, limit: numberLimit(name) });
const ofAll = <Name extends NumberChannel>(name: Name) => v.object({ channel: v.literal(name), limit: numberLimit(name) });
/** Percent of a part of the body, or of everything. */
const ofPart = <Name extends "roundsShare" | "sizeShare">(name: Name) =>
  v.object({
    channel: v.literal(name),
    part: v.picklist(WHOLE_OR_PART),
    limit: v.pipe(v.number(), v.minValue(0), v.maxValue(100)),
  });

/** What is capped and where; sides are the person's own. Units are those of the channel. */
export const CapLimit = v.variant("channel", [
  v.object({ channel: v.literal("handHeight"), side, limit: v.picklist(LANDMARKS) }),
  v.pipe(
    v.object({
      channel: v.literal("motion"),
      motion: v.picklist(MOTION_NAMES),
      side,
      limit: v.pipe(v.number(), v.minValue(-30), v.maxValue(180)),
    }),
    v.check(({ motion, limit }) => limit <= mostOfMotion(motion)),
  ),
  v.object({ channel: v.literal("noStanding") }),
  v.object({ channel: v.literal("heldStanding") }),
  v.object({ channel: v.literal("bothHandsStanding") }),
  v.object({ channel: v.literal("handToRise") }),
  v.object({ channel: v.literal("chairWithArms") }),
  v.object({ channel: v.literal("barredForm"), limit: v.picklist(VARIANT_KINDS) }),
  v.object({ channel: v.literal("barredFeature"), limit: v.picklist(FEATURES) }),
  ofPart("roundsShare"),
  ofPart("sizeShare"),
  ofSide("loadedKnee"),
  ofSide("dorsiflexion"),
  ofSide("straightKneeDorsiflexion"),
  ofSide("kneeLoad"),
  ofSide("shoulderLoad"),
  v.object({
    channel: v.literal("legShare"),
    side,
    limit: numberLimit("legShare"),
    /** Whether the clinician allows the pool, where water takes weight off the leg. */
    poolAllowed: v.exactOptional(v.boolean()),
  }),
  ofSide("shoulderDrag"),
  ofSide("hipDrag"),
  ofSide("handWeight"),
  ofSide("heldOutShare"),
  ofSide("oneLegSeconds"),
  ofSide("oneLegSecondsInAll"),
  ofSide("handsUpSeconds"),
  ofSide("handsUpSecondsInAll"),
  ofAll("handSeparation"),
  ofAll("lowBackLoad"),
  ofAll("steadiness"),
  ofAll("holdSeconds"),
  ofAll("holdSecondsInAll"),
  ofAll("higherSeat"),
  ofAll("standingMinutesAtATime"),
  ofAll("standingMinutes"),
  ofAll("sessionMinutes"),
  ofAll("rounds"),
  ofAll("longestBreath"),
  ofAll("shortestCycle"),
  ofAll("breathPause"),
  ofAll("effort"),
  ofAll("heartRate"),
  ofAll("waterMinutes"),
  ofAll("waterDepth"),
  ofAll("waterWarmest"),
  ofAll("waterCoolest"),
]);
export type CapLimit = v.InferOutput<typeof CapLimit>;

/**
 * A cap is the number that follows from a limitation: what a person must not go beyond, with why, who said so and until
 * when. It only ever filters computed demands, so tightening one never makes more possible. Dates are ISO calendar
 * days.
 */
export interface Cap {
  readonly id: string;
  readonly limit: CapLimit;
  /** The variants it applies to; null for all of them. */
  readonly forms: readonly VariantKind[] | null;
  readonly reason: CapReason;
  readonly source: CapSource;
  readonly strength: Strength;
  readonly from: string;
  /** The last day before its review is due, or before a temporary cap ends. */
  readonly until: string | null;
  readonly dateKind: DateKind;
}

/** Whether a cap holds on a day. Only a comfort cap lapses by itself after its date. */
export function isActiveOn(cap: Pick<Cap, "from" | "until" | "strength">, day: string): boolean {
  if (day < cap.from) return false;
  return cap.strength !== "comfort" || cap.until === null || day <= cap.until;
}

/** Whether a cap's date has passed and no one has said how it is now. */
export const isReviewDue = (cap: Pick<Cap, "until" | "strength">, day: string): boolean =>
  cap.strength !== "comfort" && cap.until !== null && day > cap.until;

/** Days before a cap's date on which it is announced. */
const ANNOUNCED = 14;

/** Whether a cap's date is near: it will ask, may be released or will lapse within two weeks. */
export function isDueSoon({ until }: Pick<Cap, "until">, day: string): boolean {
  if (until === null) return false;
  const left = daysBetween(day, until);
  return left >= 0 && left <= ANNOUNCED;
}

/** Whether an instructor may end a cap on a day: an absolute one only after the end that its setter named. */
export const instructorMayEnd = (cap: Pick<Cap, "strength" | "dateKind" | "until">, day: string): boolean =>
  cap.strength !== "absolute" || (cap.dateKind === "ends" && cap.until !== null && day > cap.until);

/** Whether a cap applies to a variant. */
export const appliesTo = (cap: Pick<Cap, "forms">, kind: VariantKind): boolean => cap.forms === null || cap.forms.includes(kind);

/** The sides a cap speaks of; none for a cap on the whole body. */
export function sidesOf(limit: CapLimit): readonly Side[] {
  if (!("side" in limit)) return [];
  return limit.side === "both" ? SIDES : [limit.side];
}

/** A limit as a number in which less is always stricter; a bar is the strictest there is. */
function weight(limit: CapLimit): number {
  switch (limit.channel) {
    case "handHeight":
      return LANDMARKS.indexOf(limit.limit);
    case "noStanding":
    case "heldStanding":
    case "bothHandsStanding":
    case "handToRise":
    case "chairWithArms":
    case "barredForm":
    case "barredFeature":
      return 0;
    default: {
      const channel = capChannel(limit.channel);
      return channel.kind === "number" && channel.stricter === "more" ? -limit.limit : limit.limit;
    }
  }
}

/** Whether a limit is stricter than another on the same thing. */
export const isStricter = (limit: CapLimit, than: CapLimit): boolean => weight(limit) < weight(than);

/** Up to this share a leg may only touch the floor: percent. Usual practice. */
const TOUCH_ONLY = 20;

/**
 * Whether the water's lift counts towards a cap on the weight on a leg: only where the clinician allows the pool, and
 * never where the leg may carry nothing or only touch.
 */
export const countsWater = (limit: CapLimit): boolean =>
  limit.channel === "legShare" && limit.poolAllowed === true && limit.limit > TOUCH_ONLY;

/** Every channel whose limit a number says: which direction is stricter is part of the channel. */
export const NUMBER_CHANNELS = CAP_CHANNELS.flatMap((channel) => (channel.kind === "number" ? [channel] : []));
