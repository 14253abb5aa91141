import type { Observation } from "@able-tide/core/class/events";

const SIGN_LABELS: Readonly<Record<Observation, string>> = {
  rested: "Rested",
  wobbled: "Lost balance",
  caught: "Caught",
  pain: "Pain",
  dizzy: "Dizzy",
};

/** What a sign is called. */
export const observationLabel = (name: Observation): string => SIGN_LABELS[name];

/** Words of the 0 to 10 scale of perceived effort. */
export const EFFORT_WORDS = [
  "sitting still",
  "hardly anything",
  "very light",
  "light",
  "light",
  "moderate: breath quicker, whole sentences still easy",
  "moderate: breath quicker, whole sentences still easy",
  "hard: a few words at a time",
  "hard: a few words at a time",
  "very hard",
  "maximum",
] as const;
