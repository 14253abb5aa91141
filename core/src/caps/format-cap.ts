import { ELEVATION_WITH_OUTWARD_CAP } from "../body/shoulder-turn.ts";
import { featureLabel } from "../movement/features.ts";
import { variantLabel } from "../movement/variant.ts";
import { sentenceCase } from "../sentence-case.ts";
import { partLabel } from "./body-parts.ts";
import { type Cap, type CapLimit, type CapSide, countsWater } from "./cap.ts";
import { type MotionName, motionNamed } from "./motions.ts";

const LONG_DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
const LONG_DAY_OF_YEAR = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", timeZone: "UTC" });

/** "3 March 2026" of an ISO calendar day. */
export const formatDayMonthAndYear = (day: string): string => LONG_DAY.format(new Date(`${day}T00:00:00Z`));

/** "14 March" of an ISO calendar day. */
export const formatDayAndMonth = (day: string): string => LONG_DAY_OF_YEAR.format(new Date(`${day}T00:00:00Z`));

const LANDMARK_WORDS = {
  lap: "lap height",
  navel: "navel height",
  chest: "chest height",
  shoulder: "shoulder height",
  eye: "eye height",
  crown: "the top of the head",
} as const;

/** Heights on the body that water is measured by, share of stature in percent, with their words. */
const WATER_MARKS = [
  [56, "the hip bone"],
  [60, "the navel"],
  [70, "the lower breastbone"],
  [76, "the armpits"],
] as const;

const waterMark = (percent: number): string => WATER_MARKS.find(([at]) => at === percent)?.[1] ?? `${percent}% of their height`;

const bothOr = (side: CapSide, one: string, many: string): string => (side === "both" ? many : `${side} ${one}`);

/** A motion with its side, as "left hip bend (flexion)" or "neck turn to the right". */
function motionWithSide(name: MotionName, side: CapSide): string {
  const { label, sides } = motionNamed(name);
  if (sides === "none") return label;
  if (sides === "toSide") return side === "both" ? `${label} to either side` : `${label} to the ${side}`;
  return side === "both" ? `${label}, both sides` : `${side} ${label}`;
}

/** What a cap on a motion also limits: with the outward turn of a shoulder capped the arm stays low. */
const withElevation = (name: MotionName): string =>
  name === "shoulderOutwardTurn" ? `; arm raise up to ${ELEVATION_WITH_OUTWARD_CAP}°` : "";

const seconds = (of: number): string => (of >= 120 && of % 60 === 0 ? `${of / 60} min` : `${of} s`);

const OF_BODY = "of body weight × height";

/** A cap's limit in plain words, as "Right hand: up to shoulder height". */
export function formatCapLimit(limit: CapLimit): string {
  /** "Left knee load" or "Knee load, both sides"; without a measure "Left hand" or "Both hands". */
  const part = (one: string, many: string, what = ""): string => {
    const side = "side" in limit ? limit.side : "both";
    if (side !== "both") return sentenceCase(`${side} ${one}${what && ` ${what}`}`);
    return what === "" ? `Both ${many}` : `${sentenceCase(one)} ${what}, both sides`;
  };
  const oneLeg = (): string => `One-leg standing${"side" in limit && limit.side !== "both" ? ` on the ${limit.side} leg` : ""}`;
  switch (limit.channel) {
    case "handHeight":
      return `${part("hand", "hands")}: up to ${LANDMARK_WORDS[limit.limit]}`;
    case "motion": {
      const motion = motionWithSide(limit.motion, limit.side);
      if (limit.limit > 0) return `${sentenceCase(motion)}: up to ${limit.limit}°${withElevation(limit.motion)}`;
      const before = limit.limit < 0 ? `; stop ${-limit.limit}° before straight` : "";
      return `No ${motion}${before}${withElevation(limit.motion)}`;
    }
    case "handSeparation":
      return limit.limit === 1 ? "Hands no wider than shoulder width" : `Hands no wider than ${limit.limit} shoulder widths`;
    case "loadedKnee":
      return `${part("knee", "knees", "bend under load")}: up to ${limit.limit}°`;
    case "dorsiflexion":
      return `${part("ankle", "ankles", "bend")}: up to ${limit.limit}°`;
    case "straightKneeDorsiflexion":
      return `${part("ankle", "ankles", "bend (knee straight)")}: up to ${limit.limit}°`;
    case "kneeLoad":
      return `${part("knee", "knees", "load")}: up to ${limit.limit}% ${OF_BODY}`;
    case "shoulderLoad":
      return `${part("shoulder", "shoulders", "load")}: up to ${limit.limit}% of the load with the arm held straight out`;
    case "lowBackLoad":
      return `Lower back load: up to ${limit.limit}% ${OF_BODY}`;
    case "legShare": {
      const pool = countsWater(limit) ? "; in the pool, weight in water counts" : "";
      if (limit.limit === 0) return `No weight on ${limit.side === "both" ? "either leg" : `the ${limit.side} leg`}`;
      return `${part("leg", "legs", "weight")}: up to ${limit.limit}% of body weight${pool}`;
    }
    case "shoulderDrag":
      return `${part("shoulder", "shoulders", "water resistance")}: up to ${limit.limit}% ${OF_BODY}`;
    case "hipDrag":
      return `${part("hip", "hips", "water resistance")}: up to ${limit.limit}% ${OF_BODY}`;
    case "handWeight":
      return limit.limit === 0
        ? `No weights in ${limit.side === "both" ? "the hands" : `the ${limit.side} hand`}`
        : `Weight in ${limit.side === "both" ? "each hand" : `the ${limit.side} hand`}: up to ${limit.limit} kg`;
    case "heldOutShare":
      return `${part("arm", "arms", "held out")}: up to ${limit.limit === 50 ? "half" : `${limit.limit}% of`} the time`;
    case "noStanding":
      return "No standing";
    case "heldStanding":
      return "Standing only with hand support";
    case "bothHandsStanding":
      return "Standing only with both hands on fixed support and a helper in reach";
    case "chairWithArms":
      return "Chair with arms";
    case "higherSeat":
      return `Seat at least ${limit.limit} cm higher`;
    case "barredForm":
      return limit.limit === "water" ? "No pool" : `No ${variantLabel(limit.limit)} variants`;
    case "oneLegSeconds":
      if (limit.limit === 0) return `No ${oneLeg().toLowerCase()}`;
      return `${oneLeg()}: up to ${limit.limit} s at a time`;
    case "oneLegSecondsInAll":
      return `${oneLeg()}: up to ${seconds(limit.limit)} in total`;
    case "handsUpSeconds":
      return `${part("hand", "hands", "above the shoulder")}: up to ${seconds(limit.limit)} at a time`;
    case "handsUpSecondsInAll":
      return `${part("hand", "hands", "above the shoulder")}: up to ${seconds(limit.limit)} in total`;
    case "holdSeconds":
      return limit.limit === 0 ? "No static holds under load" : `Static hold: up to ${limit.limit} s`;
    case "standingMinutesAtATime":
      return `Standing: up to ${limit.limit} min at a time`;
    case "standingMinutes":
      return `Standing: up to ${limit.limit} min in total`;
    case "sessionMinutes":
      return `Session: up to ${limit.limit} min`;
    case "rounds":
      return `Up to ${limit.limit} repetitions`;
    case "roundsShare":
      return limit.part === "all"
        ? `Up to ${limit.limit}% of the repetitions`
        : `${sentenceCase(partLabel(limit.part))}: up to ${limit.limit}% of the repetitions`;
    case "sizeShare":
      if (limit.limit === 0) return `${sentenceCase(partLabel(limit.part))} rests`;
      return limit.part === "all"
        ? `Range: up to ${limit.limit}% of the full movement`
        : `${sentenceCase(partLabel(limit.part))}: up to ${limit.limit}% of full range`;
    case "longestBreath":
      return `Breath length: up to ${limit.limit} s`;
    case "shortestCycle":
      return `At least ${limit.limit} s per repetition`;
    case "breathPause":
      return limit.limit === 0 ? "No breath-holding" : `Breath pause: up to ${limit.limit} s`;
    case "effort":
      return `Effort: up to ${limit.limit} out of 10`;
    case "heartRate":
      return `Heart rate: up to ${limit.limit} beats per minute`;
    case "waterMinutes":
      return `In the water: up to ${limit.limit} min`;
    case "waterDepth":
      return `Water depth: up to ${waterMark(limit.limit)}`;
    case "waterWarmest":
      return `Water: up to ${limit.limit} °C`;
    case "waterCoolest":
      return `Water: at least ${limit.limit} °C`;
    case "steadiness":
      return `Balance demand: up to ${limit.limit} out of 10`;
    case "barredFeature":
      return `No ${featureLabel(limit.limit)}`;
  }
}

/** The limit in two or three words, for a grid or a class screen. */
export function formatCapLimitBriefly(limit: CapLimit): string {
  switch (limit.channel) {
    case "handHeight":
      return `${bothOr(limit.side, "hand", "hands")} to ${LANDMARK_WORDS[limit.limit].replace(" height", "")}`;
    case "motion":
      return `${motionWithSide(limit.motion, limit.side).replace(/ \(.*?\)/, "")} ${limit.limit}°`;
    case "handSeparation":
      return "hands close together";
    case "loadedKnee":
      return `${bothOr(limit.side, "knee", "knees")} to ${limit.limit}°`;
    case "dorsiflexion":
      return `${bothOr(limit.side, "ankle", "ankles")} to ${limit.limit}°`;
    case "straightKneeDorsiflexion":
      return `${bothOr(limit.side, "ankle", "ankles")} to ${limit.limit}°, knee straight`;
    case "kneeLoad":
      return `${bothOr(limit.side, "knee", "knees")} load to ${limit.limit}%`;
    case "shoulderLoad":
      return `${bothOr(limit.side, "shoulder", "shoulders")} load to ${limit.limit}%`;
    case "handsUpSecondsInAll":
      return `${bothOr(limit.side, "hand", "hands")} up ${seconds(limit.limit)} in total`;
    case "legShare":
      return `${bothOr(limit.side, "leg", "legs")} to ${limit.limit}%`;
    case "noStanding":
      return "seated";
    case "heldStanding":
      return "with support";
    case "bothHandsStanding":
      return "both hands on support";
    case "oneLegSeconds":
      if (limit.limit === 0) return limit.side === "both" ? "no one-leg standing" : `not on ${limit.side} leg`;
      return `${limit.side === "both" ? "one leg" : `${limit.side} leg`} ${limit.limit} s`;
    case "handsUpSeconds":
      return `${bothOr(limit.side, "hand", "hands")} up ${seconds(limit.limit)}`;
    case "standingMinutesAtATime":
      return `stands up to ${limit.limit} min at a time`;
    case "standingMinutes":
      return `stands up to ${limit.limit} min`;
    case "sessionMinutes":
      return `up to ${limit.limit} min`;
    case "steadiness":
      return `balance demand to ${limit.limit}`;
    case "barredFeature":
      return `no ${featureLabel(limit.limit)}`;
    default: {
      const words = formatCapLimit(limit);
      return words.charAt(0).toLowerCase() + words.slice(1).replace(/: up to/, " to");
    }
  }
}

const untilInWords = ({ until, dateKind, strength }: Cap): string => {
  if (until === null) return "";
  if (strength === "comfort") return `, ends automatically on ${formatDayAndMonth(until)}`;
  return dateKind === "ends" ? `, until ${formatDayAndMonth(until)}` : `, review by ${formatDayAndMonth(until)}`;
};

/** Who set a cap and until when: "source: the clinic, review by 14 March". */
export const formatSource = (cap: Cap): string => `source: ${cap.source}${untilInWords(cap)}`;

/** Why a cap is active: its reason, its source and until when. */
export const formatReason = (cap: Cap): string => `${cap.reason}; ${formatSource(cap)}`;

/** The whole cap: "Right hand: up to shoulder height. Sore right shoulder; source: the clinic, until 14 March". */
export const formatCap = (cap: Cap): string => `${formatCapLimit(cap.limit)}. ${sentenceCase(formatReason(cap))}`;
