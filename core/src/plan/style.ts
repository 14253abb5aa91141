import * as v from "valibot";
import type { Side } from "../side.ts";
import { type Choice, type ChoiceOf, STYLE_QUESTIONS, type StyleQuestion } from "./style-questions.ts";

/** Numbers of rounds that a style may call. */
export const CALLED_ROUNDS = [3, 4, 5, 6, 8] as const;

/** Seconds of one breath, in and out. */
export const BREATH_SECONDS = { least: 4, most: 14, usual: 8 } as const;

/** A saved set of choices that a plan's arithmetic obeys. */
export type TeachingStyle = { readonly [Name in StyleQuestion]: ChoiceOf<Name> } & {
  readonly name: string;
  /** Rounds called where nothing else is said, and the fewest worth starting. */
  readonly rounds: (typeof CALLED_ROUNDS)[number];
  readonly leastRounds: number;
  /** Seconds of one breath. */
  readonly breathSeconds: number;
};

const choiceSchemas = Object.fromEntries(
  STYLE_QUESTIONS.map(({ name, label, choices }) => [
    name,
    v.picklist(
      choices.map((choice) => choice.name),
      `${label}: choose one of the options.`,
    ),
  ]),
);

/** Reads a style from a file or a form that has turned its texts into numbers. */
export const TeachingStyleSchema = v.object({
  name: v.pipe(
    v.string("Enter a name for the style."),
    v.trim(),
    v.minLength(1, "Enter a name for the style."),
    v.maxLength(60, "Use 60 characters or fewer."),
  ),
  ...choiceSchemas,
  rounds: v.picklist(CALLED_ROUNDS, `Choose ${CALLED_ROUNDS.join(", ")}.`),
  leastRounds: v.pipe(
    v.number("Enter a whole number for minimum repetitions."),
    v.integer("Enter a whole number for minimum repetitions."),
    v.minValue(1, "Enter 1 repetition or more."),
    v.maxValue(8, "Enter 8 repetitions or fewer."),
  ),
  breathSeconds: v.pipe(
    v.number("Enter the breath length in seconds."),
    v.minValue(BREATH_SECONDS.least, `Enter a breath length of ${BREATH_SECONDS.least} s or more.`),
    v.maxValue(BREATH_SECONDS.most, `Enter a breath length of ${BREATH_SECONDS.most} s or less.`),
    v.multipleOf(0.5, "Enter the breath length in steps of 0.5 s."),
  ),
}) as unknown as v.GenericSchema<TeachingStyle>;

const usualChoices = Object.fromEntries(STYLE_QUESTIONS.map(({ name, choices }) => [name, choices[0].name])) as {
  [Name in StyleQuestion]: ChoiceOf<Name>;
};

/** The defaults. */
export const USUAL_STYLE: TeachingStyle = {
  name: "Even keel",
  ...usualChoices,
  rounds: 6,
  leastRounds: 3,
  breathSeconds: BREATH_SECONDS.usual,
};

/** Ready-made combinations, each with a sentence for whom. */
export const READY_STYLES: readonly { readonly style: TeachingStyle; readonly forWhom: string }[] = [
  { style: USUAL_STYLE, forWhom: "Standard choices: three on each side, shown as a mirror, two new movements a week." },
  {
    style: {
      ...USUAL_STYLE,
      name: "Small ripples",
      firstSide: "alternate",
      speech: "everyPhrase",
      size: "smallAndExact",
      breath: "free",
      learning: "sameSet",
      rounds: 4,
      breathSeconds: 7,
    },
    forWhom: "For balance: small, precise, frequent; same movements until familiar; full cues.",
  },
  {
    style: {
      ...USUAL_STYLE,
      name: "Long swell",
      counting: "together",
      firstSide: "alternate",
      speech: "startThenQuiet",
      imagery: "pictures",
      depth: "middle",
      learning: "newCombinations",
      breathSeconds: 9,
    },
    forWhom: "For participants who know the movements: long breaths, six on each side, few words, new combinations.",
  },
];

const sameValues = (a: TeachingStyle, b: TeachingStyle, name: keyof TeachingStyle): boolean => a[name] === b[name];

/** A choice in words. */
export function formatStyleChoice(style: TeachingStyle, name: StyleQuestion): Choice {
  const question = STYLE_QUESTIONS.find((each) => each.name === name);
  const choice = question?.choices.find((each) => each.name === style[name]);
  if (!choice) throw new RangeError(`no choice for ${name}`);
  return choice;
}

/** What differs from one style to another, a line each: "Counting: each side counts one, left and right together count one". */
export function styleDifferences(from: TeachingStyle, to: TeachingStyle): string[] {
  const choices = STYLE_QUESTIONS.filter(({ name }) => !sameValues(from, to, name)).map(
    ({ name, label }) => `${label}: ${formatStyleChoice(from, name).label} → ${formatStyleChoice(to, name).label}`,
  );
  const numbers = [
    ["rounds", "Counted repetitions", ""],
    ["leastRounds", "Minimum repetitions", ""],
    ["breathSeconds", "One breath", " s"],
  ] as const;
  return [
    ...choices,
    ...numbers
      .filter(([name]) => !sameValues(from, to, name))
      .map(([name, label, unit]) => `${label}: ${from[name]}${unit} → ${to[name]}${unit}`),
  ];
}

/**
 * The side on which a block begins.
 *
 * @param week any count of weeks that goes on by one each week: an even one begins on the right where sides alternate
 */
export function firstSideOf({ firstSide }: TeachingStyle, week: number): Side {
  if (firstSide !== "alternate") return firstSide;
  return week % 2 === 0 ? "right" : "left";
}

/** Seconds that each breath waits at the top. */
export const PAUSE_SECONDS = 1;

/** Seconds of one breath with what the style adds. */
export const breathWithPause = ({ breath }: TeachingStyle, breathSeconds: number): number =>
  breath === "pause" ? breathSeconds + PAUSE_SECONDS : breathSeconds;
