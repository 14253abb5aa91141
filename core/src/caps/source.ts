/** Where a rule or a number comes from; `words` names each in full. */
export const SOURCES = [
  "commonPractice",
  "acsm",
  "ada",
  "ats",
  "boneGuidance",
  "consensus",
  "consensusAndPractice",
  "fallsGuidance",
  "measuredStanding",
  "cdc",
  "checkIn",
  "notedInClass",
] as const;
/** Code of a source. */
export type Source = (typeof SOURCES)[number];
