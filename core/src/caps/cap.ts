import * as v from "valibot";
import { LANDMARKS } from "../body/channels.ts";
import { FEATURE_NAMES } from "../movement/features.ts";

/**
 * A cap is the number that follows from a limitation: what a person must not go beyond.
 * A cap only ever filters computed demands, so tightening one never makes more possible.
 */
export const CAP_CHANNELS = [
  { name: "handHeight", label: "Hand no higher than", sided: true, kind: "landmark" },
  { name: "loadedKnee", label: "Loaded knee bends at most", sided: true, kind: "number", unit: "°", lowest: 0, highest: 120 },
  { name: "dorsiflexion", label: "Ankle bends forward at most", sided: true, kind: "number", unit: "°", lowest: 0, highest: 30 },
  { name: "noStanding", label: "No standing", sided: false, kind: "none" },
  { name: "oneLegSeconds", label: "On one leg at most", sided: true, kind: "number", unit: "s", lowest: 0, highest: 60 },
  {
    name: "standingMinutes",
    label: "Standing in all at most",
    sided: false,
    kind: "number",
    unit: "min",
    lowest: 1,
    highest: 90,
  },
  { name: "steadiness", label: "Steadiness asked at most", sided: false, kind: "number", unit: "of 10", lowest: 0, highest: 10 },
  { name: "barredFeature", label: "Not at all", sided: false, kind: "feature" },
] as const;
export type CapChannel = (typeof CAP_CHANNELS)[number]["name"];

export const CAP_CHANNEL_NAMES = CAP_CHANNELS.map((channel) => channel.name);

export const capChannel = (name: CapChannel): (typeof CAP_CHANNELS)[number] =>
  CAP_CHANNELS.find((channel) => channel.name === name) as (typeof CAP_CHANNELS)[number];

/** Differences below these are not a broken cap: degrees, shares of H. */
export const CAP_TOLERANCE = { degrees: 0.05, share: 0.001 } as const;

/** Who may change a cap: absolute only a clinician, firm the instructor, comfort lapses by itself. */
export const STRENGTHS = ["absolute", "firm", "comfort"] as const;
export const CAP_SIDES = ["left", "right", "both"] as const;
export type CapSide = (typeof CAP_SIDES)[number];

const numberLimit = (name: CapChannel) => {
  const channel = capChannel(name);
  if (channel.kind !== "number") throw new RangeError(`${name} has no number`);
  return v.pipe(v.number(), v.minValue(channel.lowest), v.maxValue(channel.highest));
};

/** What is capped and where; sides are the person's own. */
export const CapLimit = v.variant("channel", [
  v.object({ channel: v.literal("handHeight"), side: v.picklist(CAP_SIDES), limit: v.picklist(LANDMARKS) }),
  v.object({ channel: v.literal("loadedKnee"), side: v.picklist(CAP_SIDES), limit: numberLimit("loadedKnee") }),
  v.object({ channel: v.literal("dorsiflexion"), side: v.picklist(CAP_SIDES), limit: numberLimit("dorsiflexion") }),
  v.object({ channel: v.literal("noStanding") }),
  v.object({ channel: v.literal("oneLegSeconds"), side: v.picklist(CAP_SIDES), limit: numberLimit("oneLegSeconds") }),
  v.object({ channel: v.literal("standingMinutes"), limit: numberLimit("standingMinutes") }),
  v.object({ channel: v.literal("steadiness"), limit: numberLimit("steadiness") }),
  v.object({ channel: v.literal("barredFeature"), limit: v.picklist(FEATURE_NAMES) }),
]);
export type CapLimit = v.InferOutput<typeof CapLimit>;

/** A cap with why, who said so and until when. Dates are ISO calendar days. */
export interface Cap {
  readonly id: string;
  readonly limit: CapLimit;
  readonly reason: string;
  readonly source: string;
  readonly strength: (typeof STRENGTHS)[number];
  readonly from: string;
  /** The day to ask again. A firm or absolute cap keeps holding after it until somebody answers. */
  readonly until: string | null;
}

/** Whether a cap holds on a day. Only a comfort cap lapses by itself after its date. */
export function holdsOn(cap: Cap, day: string): boolean {
  if (day < cap.from) return false;
  return cap.strength !== "comfort" || cap.until === null || day <= cap.until;
}

/** Whether a cap's date has passed and nobody has said how it is now. */
export const asksOn = (cap: Cap, day: string): boolean => cap.strength !== "comfort" && cap.until !== null && day > cap.until;

/** The sides a cap speaks of. */
export function sidesOf(limit: CapLimit): readonly ("left" | "right")[] {
  if (!("side" in limit)) return [];
  return limit.side === "both" ? ["left", "right"] : [limit.side];
}
