import { ELEVATION_WITH_OUTWARD_CAP } from "@able-tide/core/body/shoulder-turn";
import type { OwnAid } from "@able-tide/core/body/supports";
import { type Cap, type CapLimit, countsWater } from "@able-tide/core/caps/cap";
import type { CapReason, CapSource, StandardCaps } from "@able-tide/core/caps/cap-reason";
import type { CapSide } from "@able-tide/core/caps/cap-side";
import type { AffectedFeature, CapTemplate } from "@able-tide/core/caps/limitations/rule";
import { type MotionName, motionNamed } from "@able-tide/core/caps/motions";
import { capLimitsFrom, isOfAffected } from "@able-tide/core/caps/propose";
import { motionLabel, partLabel } from "./caps.ts";
import { formatFinding } from "./findings.ts";
import { formatLimitation, sourceLabel } from "./limitations.ts";
import { featureLabel, variantLabel } from "./movement.ts";
import { sitsOn } from "./seats.ts";
import { formatDayAndMonth, lowerFirst, sentenceCase } from "./text.ts";

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
  const { sides } = motionNamed(name);
  const label = motionLabel(name);
  if (sides === "none") return label;
  if (sides === "toSide") return side === "both" ? `${label} to either side` : `${label} to the ${side}`;
  return side === "both" ? `${label}, both sides` : `${side} ${label}`;
}

/** What a cap on a motion also limits: with the outward turn of a shoulder capped the arm stays low. */
const withElevation = (name: MotionName): string =>
  name === "shoulderOutwardTurn" ? `; arm raise up to ${ELEVATION_WITH_OUTWARD_CAP}°` : "";

const seconds = (of: number): string => (of >= 120 && of % 60 === 0 ? `${of / 60} min` : `${of} s`);

const OF_BODY = "of body weight × height";

/** "Left knee load" or "Knee load, both sides"; without a measure "Left hand" or "Both hands". */
function part(limit: CapLimit, one: string, many: string, what = ""): string {
  const side = "side" in limit ? limit.side : "both";
  if (side !== "both") return sentenceCase(`${side} ${one}${what && ` ${what}`}`);
  return what === "" ? `Both ${many}` : `${sentenceCase(one)} ${what}, both sides`;
}

/** "Left hand above the shoulder", or "Each hand above the shoulder": both may be up at once. */
const handUp = (limit: CapLimit): string =>
  `${sentenceCase("side" in limit && limit.side !== "both" ? limit.side : "each")} hand above the shoulder`;

const oneLeg = (limit: CapLimit): string =>
  `One-leg standing${"side" in limit && limit.side !== "both" ? ` on the ${limit.side} leg` : ""}`;

/** A sentence for each channel. */
const LIMITS: { readonly [Channel in CapLimit["channel"]]: (limit: Extract<CapLimit, { channel: Channel }>) => string } = {
  handHeight: (limit) => `${part(limit, "hand", "hands")}: up to ${LANDMARK_WORDS[limit.limit]}`,
  motion: (limit) => {
    const motion = motionWithSide(limit.motion, limit.side);
    if (limit.limit > 0) return `${sentenceCase(motion)}: up to ${limit.limit}°${withElevation(limit.motion)}`;
    const before = limit.limit < 0 ? `; stop ${-limit.limit}° before straight` : "";
    return `No ${motion}${before}${withElevation(limit.motion)}`;
  },
  handSeparation: (limit) =>
    limit.limit === 1 ? "Hands no wider than shoulder width" : `Hands no wider than ${limit.limit} shoulder widths`,
  loadedKnee: (limit) => `${part(limit, "knee", "knees", "bend under load")}: up to ${limit.limit}°`,
  dorsiflexion: (limit) => `${part(limit, "ankle", "ankles", "bend")}: up to ${limit.limit}°`,
  straightKneeDorsiflexion: (limit) => `${part(limit, "ankle", "ankles", "bend (knee straight)")}: up to ${limit.limit}°`,
  kneeLoad: (limit) => `${part(limit, "knee", "knees", "load")}: up to ${limit.limit}% ${OF_BODY}`,
  shoulderLoad: (limit) =>
    `${part(limit, "shoulder", "shoulders", "load")}: up to ${limit.limit}% of the load with the arm held straight out`,
  lowBackLoad: (limit) => `Lower back load: up to ${limit.limit}% ${OF_BODY}`,
  legShare: (limit) => {
    const pool = countsWater(limit) ? "; in the pool, weight in water counts" : "";
    if (limit.limit === 0) return `No weight on ${limit.side === "both" ? "either leg" : `the ${limit.side} leg`}`;
    return `${part(limit, "leg", "legs", "weight")}: up to ${limit.limit}% of body weight${pool}`;
  },
  shoulderDrag: (limit) => `${part(limit, "shoulder", "shoulders", "water resistance")}: up to ${limit.limit}% ${OF_BODY}`,
  hipDrag: (limit) => `${part(limit, "hip", "hips", "water resistance")}: up to ${limit.limit}% ${OF_BODY}`,
  handWeight: (limit) =>
    limit.limit === 0
      ? `No weights in ${limit.side === "both" ? "the hands" : `the ${limit.side} hand`}`
      : `Weight in ${limit.side === "both" ? "each hand" : `the ${limit.side} hand`}: up to ${limit.limit} kg`,
  heldOutShare: (limit) =>
    `${part(limit, "arm", "arms", "held out")}: up to ${limit.limit === 50 ? "half" : `${limit.limit}% of`} the time`,
  noStanding: () => "No standing",
  heldStanding: () => "Standing only with hand support",
  bothHandsStanding: () => "Standing only with both hands on fixed support and a helper in reach",
  handToRise: () => "Standing up only with a helping hand",
  chairWithArms: () => "Chair with arms",
  higherSeat: (limit) => `Seat at least ${limit.limit} cm higher`,
  barredForm: (limit) => (limit.limit === "water" ? "No pool" : `No ${variantLabel(limit.limit)} variants`),
  oneLegSeconds: (limit) => {
    if (limit.limit === 0) return `No ${oneLeg(limit).toLowerCase()}`;
    return `${oneLeg(limit)}: up to ${limit.limit} s at a time`;
  },
  oneLegSecondsInAll: (limit) => `${oneLeg(limit)}: up to ${seconds(limit.limit)} in total`,
  handsUpSeconds: (limit) => `${handUp(limit)}: up to ${seconds(limit.limit)} at a time`,
  handsUpSecondsInAll: (limit) => `${handUp(limit)}: up to ${seconds(limit.limit)} in total`,
  holdSecondsInAll: (limit) => `Timed holds: up to ${seconds(limit.limit)} in total`,
  holdSeconds: (limit) => (limit.limit === 0 ? "No static holds under load" : `Static hold: up to ${limit.limit} s`),
  standingMinutesAtATime: (limit) => `Standing: up to ${limit.limit} min at a time`,
  standingMinutes: (limit) => `Standing: up to ${limit.limit} min in total`,
  sessionMinutes: (limit) => `Session: up to ${limit.limit} min`,
  rounds: (limit) => `Up to ${limit.limit} repetitions`,
  roundsShare: (limit) =>
    limit.part === "all"
      ? `Up to ${limit.limit}% of the repetitions`
      : `${sentenceCase(partLabel(limit.part))}: up to ${limit.limit}% of the repetitions`,
  sizeShare: (limit) => {
    if (limit.limit === 0) return `${sentenceCase(partLabel(limit.part))} rests`;
    return limit.part === "all"
      ? `Range: up to ${limit.limit}% of the full movement`
      : `${sentenceCase(partLabel(limit.part))}: up to ${limit.limit}% of full range`;
  },
  longestBreath: (limit) => `Breath length: up to ${limit.limit} s`,
  shortestCycle: (limit) => `At least ${limit.limit} s per repetition`,
  breathPause: (limit) => (limit.limit === 0 ? "No breath-holding" : `Breath pause: up to ${limit.limit} s`),
  effort: (limit) => `Effort: up to ${limit.limit} out of 10`,
  heartRate: (limit) => `Heart rate: up to ${limit.limit} beats per minute`,
  waterMinutes: (limit) => `In the water: up to ${limit.limit} min`,
  waterDepth: (limit) => `Water depth: up to ${waterMark(limit.limit)}`,
  waterWarmest: (limit) => `Water: up to ${limit.limit} °C`,
  waterCoolest: (limit) => `Water: at least ${limit.limit} °C`,
  steadiness: (limit) => `Balance demand: up to ${limit.limit} out of 10`,
  barredFeature: (limit) => `No ${featureLabel(limit.limit)}`,
};

/** A cap's limit in plain words, as "Right hand: up to shoulder height". */
export const formatCapLimit = (limit: CapLimit): string => (LIMITS[limit.channel] as (limit: CapLimit) => string)(limit);

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
    case "handToRise":
      return "a hand to stand up";
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
    default:
      return lowerFirst(formatCapLimit(limit).replace(/: up to/, " to"));
  }
}

const AIDS: Readonly<Record<OwnAid, string>> = { frame: "walks with a frame", stick: "walks with a stick" };

const STANDARD_CAPS: Readonly<Record<StandardCaps, string>> = {
  newcomer: "new participant: caps apply until safety is confirmed",
  released: "no limitation recorded, standard caps",
  everyone: "standard caps for everyone, until changed",
};

/** Why a cap is there, as someone wrote it or as the computation says it. */
export function formatReason(reason: CapReason): string {
  if (typeof reason === "string") return reason;
  switch (reason.because) {
    case "limitation":
      return `${formatLimitation(reason)}${reason.waiting ? ": waiting for the clinician's caps" : ""}`;
    case "aid":
      return AIDS[reason.aid];
    case "seat":
      return sitsOn(reason.seat);
    case "lifted":
      return "stands up only when lifted: stays seated";
    case "risesWithHand":
      return "stands up with a helping hand";
    case "handSeen":
      return `needed a hand to stand up in class on ${formatDayAndMonth(reason.day)}`;
    case "standard":
      return STANDARD_CAPS[reason.caps];
    case "checkIn":
      return reason.findings.map(formatFinding).join(", ");
  }
}

/** Who says so: a name or publication as someone wrote it, or a rule's source in full. */
export const formatSource = (source: CapSource): string => (typeof source === "string" ? source : sourceLabel(source.standard));

const formatUntil = ({ until, dateKind, strength }: Cap): string => {
  if (until === null) return "";
  if (strength === "comfort") return `, ends automatically on ${formatDayAndMonth(until)}`;
  return dateKind === "ends" ? `, until ${formatDayAndMonth(until)}` : `, review by ${formatDayAndMonth(until)}`;
};

/** Who set a cap and until when: "source: the clinic, review by 14 March". */
export const formatCapSource = (cap: Cap): string => `source: ${formatSource(cap.source)}${formatUntil(cap)}`;

/** Why a cap is active: its reason, its source and until when. */
export const formatCapReason = (cap: Cap): string => `${formatReason(cap.reason)}; ${formatCapSource(cap)}`;

/** A cap in full: its limit, reason, source and until when. */
export const formatCap = (cap: Cap): string => `${formatCapLimit(cap.limit)}. ${sentenceCase(formatCapReason(cap))}`;

const AFFECTED: Readonly<Record<AffectedFeature, string>> = {
  holdsWithAffected: "No hand support on that side",
  affectedArmCarried: "No carrying that arm with the other hand",
  fistAffected: "No closing that hand to a fist",
  liftsAffectedLegOut: "No active lifting of that leg to the side",
  affectedFootTurns: "No turning of that foot on the floor",
  turnsOverAffectedLeg: "No turning of the body over that leg",
  affectedHipBackTurnedOut: "Not that leg back and turned out at once",
};

/** A limit that a limitation proposes, for a table: the affected side is called "that". */
export function formatTemplate(template: CapTemplate): string {
  if (template.channel === "barredFeature" && isOfAffected(template.limit)) return AFFECTED[template.limit];
  if ("part" in template && template.part === "affectedArm")
    return template.limit === 0 ? "That arm rests" : `That arm ${template.limit}%`;
  if ("part" in template && template.part === "affectedLeg")
    return template.limit === 0 ? "That leg rests" : `That leg ${template.limit}%`;
  const [limit] = capLimitsFrom(template, "left");
  if (!limit) return "";
  const words = formatCapLimit(limit);
  const sided = "side" in template && (template.side === "affected" || template.side === "other");
  if (!sided) return words;
  const which = template.side === "affected" ? "that" : "the other";
  return sentenceCase(words.replace(/\b(the )?left\b/i, which));
}
