/**
 * The questions on which schools of practice differ, with their choices. A plan's arithmetic follows
 * the choices of its style; a person's caps always win over them. The first choice is the default.
 */

export const STYLE_QUESTIONS = [
  { name: "counting", choices: ["eachSide", "together"] },
  { name: "firstSide", choices: ["right", "left", "alternate"] },
  { name: "showing", choices: ["mirror", "sameSide"] },
  { name: "breath", choices: ["coupled", "free", "pause"] },
  { name: "breathRoute", choices: ["noseMouth", "nose", "asYouLike"] },
  { name: "learning", choices: ["twoNew", "sameSet", "newCombinations"] },
  { name: "speech", choices: ["fade", "everyPhrase", "startThenQuiet", "silent"] },
  { name: "imagery", choices: ["plain", "pictures"] },
  { name: "size", choices: ["comfortable", "smallAndExact", "longStretch"] },
  { name: "depth", choices: ["high", "middle", "low"] },
  { name: "drag", choices: ["person", "room"] },
  { name: "pelvis", choices: ["natural", "tucked"] },
  { name: "trunk", choices: ["upright", "inclined"] },
  { name: "eyes", choices: ["open", "soft", "closedStill"] },
  { name: "neck", choices: ["halfCircles", "fullCircles"] },
] as const satisfies readonly {
  name: string;
  choices: readonly [string, ...string[]];
}[];
export type Questions = (typeof STYLE_QUESTIONS)[number];

export type StyleQuestion = Questions["name"];
export type ChoiceOf<Name extends StyleQuestion> = Extract<Questions, { name: Name }>["choices"][number];
