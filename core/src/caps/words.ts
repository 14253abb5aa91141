import { ELEVATION_WITH_OUTWARD_CAP } from "../body/shoulder-turn.ts";
import { featureLabel } from "../movement/features.ts";
import { formLabel } from "../movement/form.ts";
import { partLabel } from "./body-parts.ts";
import { type Cap, type CapLimit, type CapSide, countsWater } from "./cap.ts";
import { type MotionName, motionNamed } from "./motions.ts";

const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

/** "3 March 2026" of an ISO calendar day. */
export const dayMonthAndYear = (day: string): string => `${dayAndMonth(day)} ${day.slice(0, 4)}`;

/** "14 March" of an ISO calendar day. */
export function dayAndMonth(day: string): string {
  const [, month, date] = day.split("-");
  return `${Number(date)} ${MONTHS[Number(month) - 1]}`;
}

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

const waterMark = (percent: number): string => WATER_MARKS.find(([at]) => at === percent)?.[1] ?? `${percent} % of their height`;

const bothOr = (side: CapSide, one: string, many: string): string => (side === "both" ? many : `${side} ${one}`);

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A motion with its side, as "left hip bends" or "neck turns to the right". */
function motionWithSide(name: MotionName, side: CapSide): string {
  const { label, sides } = motionNamed(name);
  if (sides === "none") return label;
  if (sides === "toSide") return side === "both" ? `${label} either way` : `${label} to the ${side}`;
  return side === "both" ? `each ${label}` : `${side} ${label}`;
}

/** What a cap on a motion keeps besides: with the outward turn of a shoulder capped the arm stays low. */
const withElevation = (name: MotionName): string =>
  name === "shoulderOutwardTurn" ? `, and lifts to ${ELEVATION_WITH_OUTWARD_CAP}°` : "";

const seconds = (of: number): string => (of >= 120 && of % 60 === 0 ? `${of / 60} min` : `${of} s`);

/** A cap's limit in plain words, as "Right hand stops at shoulder height". */
export function limitInWords(limit: CapLimit): string {
  switch (limit.channel) {
    case "handHeight": {
      const stops = limit.side === "both" ? "stop" : "stops";
      return capital(`${bothOr(limit.side, "hand", "hands")} ${stops} at ${LANDMARK_WORDS[limit.limit]}`);
    }
    case "motion":
      return limit.limit <= 0
        ? capital(
            `${motionWithSide(limit.motion, limit.side)} not at all${limit.limit < 0 ? `, ${-limit.limit}° short of straight` : ""}${withElevation(limit.motion)}`,
          )
        : capital(`${motionWithSide(limit.motion, limit.side)} ${limit.limit}° at most${withElevation(limit.motion)}`);
    case "handSeparation":
      return limit.limit === 1
        ? "Hands no wider apart than the shoulders"
        : `Hands no wider apart than ${limit.limit} shoulder breadths`;
    case "loadedKnee":
      return capital(`${bothOr(limit.side, "knee bends", "knees bend")} to ${limit.limit}° at most under load`);
    case "dorsiflexion":
      return capital(`${bothOr(limit.side, "ankle bends", "ankles bend")} forward ${limit.limit}° at most`);
    case "straightKneeDorsiflexion":
      return capital(
        `${bothOr(limit.side, "ankle bends", "ankles bend")} forward ${limit.limit}° at most with the knee straight`,
      );
    case "kneeLoad":
      return capital(`${bothOr(limit.side, "knee", "knees")} loaded to ${limit.limit} % of weight × stature at most`);
    case "shoulderLoad":
      return capital(
        `${bothOr(limit.side, "shoulder carries", "shoulders carry")} ${limit.limit} % of the arm straight out at most`,
      );
    case "lowBackLoad":
      return `Low back loaded to ${limit.limit} % of weight × stature at most`;
    case "legShare":
      return limit.limit === 0
        ? capital(`no weight on ${limit.side === "both" ? "either leg" : `the ${limit.side} leg`}`)
        : capital(
            `${bothOr(limit.side, "leg takes", "legs take")} ${limit.limit} % of body weight at most${countsWater(limit) ? ", in the pool with the water counted" : ""}`,
          );
    case "shoulderDrag":
      return capital(
        `${bothOr(limit.side, "shoulder meets", "shoulders meet")} ${limit.limit} % of weight × height of water drag at most`,
      );
    case "hipDrag":
      return capital(`${bothOr(limit.side, "hip meets", "hips meet")} ${limit.limit} % of weight × height of water drag at most`);
    case "handWeight":
      return limit.limit === 0
        ? `Nothing heavy in ${limit.side === "both" ? "the hands" : `the ${limit.side} hand`}`
        : capital(`${bothOr(limit.side, "hand holds", "hands hold")} ${limit.limit} kg at most`);
    case "heldOutShare":
      return capital(
        `${bothOr(limit.side, "arm is", "arms are")} held out for ${limit.limit === 50 ? "half" : `${limit.limit} % of`} the time at most`,
      );
    case "noStanding":
      return "No standing";
    case "heldStanding":
      return "Standing only with a hold";
    case "bothHandsStanding":
      return "Standing only with both hands on fixed support, a helper in reach";
    case "chairWithArms":
      return "A chair with arms";
    case "higherSeat":
      return `A seat ${limit.limit} cm higher at least`;
    case "barredForm":
      return limit.limit === "water" ? "Not in the pool" : `No ${formLabel(limit.limit)} forms`;
    case "oneLegSeconds":
      if (limit.limit === 0)
        return limit.side === "both" ? "No standing on one leg" : `No standing on the ${limit.side} leg alone`;
      return `${limit.side === "both" ? "Either leg" : capital(`${limit.side} leg`)} alone ${limit.limit} s at most`;
    case "oneLegSecondsInAll":
      return `${limit.side === "both" ? "Either leg" : capital(`${limit.side} leg`)} alone ${seconds(limit.limit)} at most in all`;
    case "handsUpSeconds":
      return `${capital(bothOr(limit.side, "hand", "hands"))} above the shoulder ${seconds(limit.limit)} at most at a time`;
    case "handsUpSecondsInAll":
      return `${capital(bothOr(limit.side, "hand", "hands"))} above the shoulder ${seconds(limit.limit)} at most in all`;
    case "holdSeconds":
      return limit.limit === 0 ? "No holding still under load" : `Holds last ${limit.limit} s at most`;
    case "standingMinutesAtATime":
      return `Standing ${limit.limit} min at most at a time`;
    case "standingMinutes":
      return `Standing ${limit.limit} min at most in all`;
    case "sessionMinutes":
      return `The first ${limit.limit} min of the session at most`;
    case "rounds":
      return `${limit.limit} rounds at most`;
    case "roundsShare":
      return limit.part === "all"
        ? `${limit.limit === 50 ? "Half" : `${limit.limit} % of`} the rounds at most`
        : `${limit.limit === 50 ? "Half" : `${limit.limit} % of`} the rounds where the ${partLabel(limit.part)} works`;
    case "sizeShare":
      if (limit.limit === 0) return `${capital(partLabel(limit.part))} rests`;
      return limit.part === "all"
        ? `Movements ${limit.limit} % of their size at most`
        : `${capital(partLabel(limit.part))} moves ${limit.limit} % of the size at most`;
    case "longestBreath":
      return `One breath lasts ${limit.limit} s at most`;
    case "shortestCycle":
      return `One movement takes ${limit.limit} s at least`;
    case "breathPause":
      return limit.limit === 0 ? "No holding of the breath" : `A pause of the breath lasts ${limit.limit} s at most`;
    case "effort":
      return `Effort ${limit.limit} of 10 at most`;
    case "heartRate":
      return `Heart rate ${limit.limit} a minute at most`;
    case "waterMinutes":
      return `In the water ${limit.limit} min at most`;
    case "waterDepth":
      return `Water no deeper than ${waterMark(limit.limit)}`;
    case "waterWarmest":
      return `Water no warmer than ${limit.limit} °C`;
    case "waterCoolest":
      return `Water no cooler than ${limit.limit} °C`;
    case "steadiness":
      return `Steadiness stops at ${limit.limit} of 10`;
    case "barredFeature":
      return `No ${featureLabel(limit.limit)}`;
  }
}

/** The limit in two or three words, for a grid or a class screen. */
export function limitInBrief(limit: CapLimit): string {
  switch (limit.channel) {
    case "handHeight":
      return `${bothOr(limit.side, "hand", "hands")} to ${LANDMARK_WORDS[limit.limit].replace(" height", "")}`;
    case "motion":
      return `${motionWithSide(limit.motion, limit.side)} ${limit.limit}°`;
    case "handSeparation":
      return "hands near";
    case "loadedKnee":
      return `${bothOr(limit.side, "knee", "knees")} to ${limit.limit}°`;
    case "dorsiflexion":
      return `${bothOr(limit.side, "ankle", "ankles")} to ${limit.limit}°`;
    case "straightKneeDorsiflexion":
      return `${bothOr(limit.side, "ankle", "ankles")} to ${limit.limit}°, knee straight`;
    case "legShare":
      return `${bothOr(limit.side, "leg", "legs")} to ${limit.limit} %`;
    case "noStanding":
      return "seated";
    case "heldStanding":
      return "holds on";
    case "bothHandsStanding":
      return "holds on with both hands";
    case "oneLegSeconds":
      if (limit.limit === 0) return limit.side === "both" ? "no one-leg stand" : `not on ${limit.side} leg`;
      return `${limit.side === "both" ? "one leg" : `${limit.side} leg`} ${limit.limit} s`;
    case "handsUpSeconds":
      return `${bothOr(limit.side, "hand", "hands")} up ${seconds(limit.limit)}`;
    case "standingMinutesAtATime":
      return `stands ${limit.limit} min at a time`;
    case "standingMinutes":
      return `stands ${limit.limit} min`;
    case "sessionMinutes":
      return `first ${limit.limit} min`;
    case "steadiness":
      return `steadiness to ${limit.limit}`;
    case "barredFeature":
      return `no ${featureLabel(limit.limit)}`;
    default: {
      const words = limitInWords(limit);
      return words.charAt(0).toLowerCase() + words.slice(1).replace(/ at most/, "");
    }
  }
}

const untilInWords = ({ until, dateKind, strength }: Cap): string => {
  if (until === null) return "";
  if (strength === "comfort" || dateKind === "ends") return ` until ${dayAndMonth(until)}`;
  return `, to be asked again after ${dayAndMonth(until)}`;
};

/** Why a cap holds: its reason, who set it and until when. */
export const reasonInWords = (cap: Cap): string => `${cap.reason}, set by ${cap.source}${untilInWords(cap)}`;

/** The whole of it: "Right hand stops at shoulder height: sore right shoulder, set by the clinic until 14 March". */
export const capInWords = (cap: Cap): string => `${limitInWords(cap.limit)}: ${reasonInWords(cap)}`;
