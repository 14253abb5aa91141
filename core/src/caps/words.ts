import { featureLabel } from "../movement/features.ts";
import type { Cap, CapLimit } from "./cap.ts";

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

const bothOr = (side: "left" | "right" | "both", one: string, many: string): string =>
  side === "both" ? many : `${side} ${one}`;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A cap's limit in plain words, as "Right hand stops at shoulder height". */
export function limitInWords(limit: CapLimit): string {
  switch (limit.channel) {
    case "handHeight": {
      const stops = limit.side === "both" ? "stop" : "stops";
      return capital(`${bothOr(limit.side, "hand", "hands")} ${stops} at ${LANDMARK_WORDS[limit.limit]}`);
    }
    case "loadedKnee":
      return capital(`${bothOr(limit.side, "knee bends", "knees bend")} to ${limit.limit}° at most under load`);
    case "dorsiflexion":
      return capital(`${bothOr(limit.side, "ankle bends", "ankles bend")} forward ${limit.limit}° at most`);
    case "noStanding":
      return "No standing";
    case "oneLegSeconds":
      if (limit.limit === 0)
        return limit.side === "both" ? "No standing on one leg" : `No standing on the ${limit.side} leg alone`;
      return `${limit.side === "both" ? "Either leg" : capital(`${limit.side} leg`)} alone ${limit.limit} s at most`;
    case "standingMinutes":
      return `Standing ${limit.limit} min at most in all`;
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
    case "loadedKnee":
      return `${bothOr(limit.side, "knee", "knees")} to ${limit.limit}°`;
    case "dorsiflexion":
      return `${bothOr(limit.side, "ankle", "ankles")} to ${limit.limit}°`;
    case "noStanding":
      return "seated";
    case "oneLegSeconds":
      if (limit.limit === 0) return limit.side === "both" ? "no one-leg stand" : `not on ${limit.side} leg`;
      return `${limit.side === "both" ? "one leg" : `${limit.side} leg`} ${limit.limit} s`;
    case "standingMinutes":
      return `stands ${limit.limit} min`;
    case "steadiness":
      return `steadiness to ${limit.limit}`;
    case "barredFeature":
      return `no ${featureLabel(limit.limit)}`;
  }
}

/** The whole reason: "Right hand stops at shoulder height: sore right shoulder, set by the clinic until 14 March". */
export function capInWords(cap: Cap): string {
  const until = cap.until === null ? "" : ` until ${dayAndMonth(cap.until)}`;
  return `${limitInWords(cap.limit)}: ${cap.reason}, set by ${cap.source}${until}`;
}
