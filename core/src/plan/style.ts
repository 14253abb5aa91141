import * as v from "valibot";
import type { Side } from "../side.ts";

/**
 * The questions on which schools of practice differ, with the choices and what each does. A plan's arithmetic follows
 * the choices of its style; a person's caps always win over them. The first choice is the default.
 */
export const STYLE_QUESTIONS = [
  {
    name: "counting",
    label: "Counting",
    choices: [
      { name: "eachSide", label: "each side counts one", does: "Six is three on the right and three on the left." },
      { name: "together", label: "left and right together count one", does: "Six is six on the right and six on the left." },
    ],
  },
  {
    name: "firstSide",
    label: "First side",
    choices: [
      { name: "right", label: "right", does: "Everything begins on the right." },
      { name: "left", label: "left", does: "Everything begins on the left." },
      { name: "alternate", label: "alternate by week", does: "Right one week, left the next: no side is always first." },
    ],
  },
  {
    name: "showing",
    label: "Showing",
    choices: [
      { name: "mirror", label: "mirror, face to face", does: "The figure in class is a mirror: your left for their right." },
      {
        name: "sameSide",
        label: "same side, back turned",
        does: "The figure in class turns its back: your right for their right.",
      },
    ],
  },
  {
    name: "breath",
    label: "Breath",
    choices: [
      {
        name: "coupled",
        label: "open on the in-breath, close on the out-breath",
        does: "A movement takes as long as its breaths.",
      },
      { name: "free", label: "free", does: "Same pace; no breathing instructions." },
      {
        name: "pause",
        label: "a gentle pause at the top",
        does: "Each breath pauses for one second; anyone who should not pause keeps breathing.",
      },
    ],
  },
  {
    name: "breathRoute",
    label: "Breath route",
    choices: [
      { name: "noseMouth", label: "nose in, mouth out", does: "Said at the start." },
      { name: "nose", label: "nose only", does: "Said at the start." },
      { name: "asYouLike", label: "as you like", does: "Nothing is said about it." },
    ],
  },
  {
    name: "learning",
    label: "Learning",
    choices: [
      { name: "twoNew", label: "two new movements a session, with a recap", does: "More than two new ones are pointed out." },
      { name: "sameSet", label: "Same movements repeated for several weeks", does: "Anything new is pointed out." },
      { name: "newCombinations", label: "new combinations each time", does: "Known movements in an order they have not had." },
    ],
  },
  {
    name: "speech",
    label: "Speech",
    choices: [
      {
        name: "fade",
        label: "every phrase for two sessions, then fade",
        does: "The script says less as a movement becomes known.",
      },
      { name: "everyPhrase", label: "cue every phrase", does: "The script has every phrase, always." },
      { name: "startThenQuiet", label: "cue the start, then quiet", does: "The script has the first repetition only." },
      { name: "silent", label: "silent", does: "The script has names and counts." },
    ],
  },
  {
    name: "imagery",
    label: "Imagery",
    choices: [
      { name: "plain", label: "plain body cues", does: "The picture in words is an extra line." },
      { name: "pictures", label: "pictures in words", does: "The picture in words comes first." },
    ],
  },
  {
    name: "size",
    label: "Range of movement",
    choices: [
      { name: "comfortable", label: "comfortable full", does: "As large as each body allows with ease." },
      { name: "smallAndExact", label: "small and exact", does: "Small and controlled, where the purpose is balance." },
      { name: "longStretch", label: "long stretch", does: "Long, slow, towards the end of what is comfortable." },
    ],
  },
  {
    name: "depth",
    label: "Stance height",
    choices: [
      { name: "high", label: "high stance", does: "Half the planned knee bend and a shorter step." },
      { name: "middle", label: "middle", does: "As the movement was written." },
      { name: "low", label: "low, built up by seconds", does: "Half as much knee bend again: for groups that have built it up." },
    ],
  },
  {
    name: "drag",
    label: "Water resistance",
    choices: [
      {
        name: "person",
        label: "the participant slows down",
        does: "A participant whose water resistance would pass their cap moves at half the pace; the others go on.",
      },
      {
        name: "room",
        label: "everyone slows down",
        does: "A movement in the pool is as slow as the strictest cap on water resistance needs.",
      },
    ],
  },
  {
    name: "pelvis",
    label: "Pelvis and back",
    choices: [
      { name: "natural", label: "natural", does: "Easier to check." },
      { name: "tucked", label: "lightly tucked", does: "Said at the start of standing movements." },
    ],
  },
  {
    name: "trunk",
    label: "Trunk in a weight shift",
    choices: [
      { name: "upright", label: "an upright column", does: "Ears over hips, over the foot that carries." },
      { name: "inclined", label: "inclined with the front leg", does: "Said where the weight goes forward." },
    ],
  },
  {
    name: "eyes",
    label: "Eyes",
    choices: [
      { name: "open", label: "open", does: "Nothing is added." },
      { name: "soft", label: "soft", does: "Said at the start." },
      {
        name: "closedStill",
        label: "closed while still",
        does: "Said at the start. Balance is harder with eyes closed: only next to a support.",
      },
    ],
  },
  {
    name: "neck",
    label: "Neck",
    choices: [
      { name: "halfCircles", label: "half circles and turns", does: "Full circles are pointed out." },
      { name: "fullCircles", label: "full circles", does: "Allowed here; caps still exclude them for many participants." },
    ],
  },
] as const satisfies readonly {
  name: string;
  label: string;
  choices: readonly [Choice, ...Choice[]];
}[];

interface Choice {
  readonly name: string;
  readonly label: string;
  /** What it does, in one sentence. */
  readonly does: string;
}

type Questions = (typeof STYLE_QUESTIONS)[number];
export type StyleQuestion = Questions["name"];
type ChoiceOf<Name extends StyleQuestion> = Extract<Questions, { name: Name }>["choices"][number]["name"];

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
