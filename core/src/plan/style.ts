import * as v from "valibot";
import type { BreathPause } from "../movement/breathing.ts";
import { PHASES, type Phase } from "../movement/format.ts";
import type { Side } from "../side.ts";
import type { PlanItem } from "./plan-item.ts";
import { type ChoiceOf, STYLE_QUESTIONS, type StyleQuestion } from "./style-questions.ts";

/** Numbers of repetitions that a style may call. */
export const COUNTED_REPETITIONS = [3, 4, 5, 6, 8] as const;

/** Seconds of one breath, in and out. */
export const BREATH_SECONDS = { least: 4, most: 14, usual: 8 } as const;

/** Repetitions that a phase may have of its own. */
export const PHASE_REPETITIONS = { least: 2, most: 10 } as const;

/** Repetitions called in one phase, and the fewest worth starting. */
export interface PhaseRepetitions {
  readonly ideal: number;
  readonly least: number;
}

/**
 * How many versions of a movement one person leads at a time. One would leave most groups a poor session; with more than
 * four no one can be cued in time. Our own numbers.
 */
export const VERSIONS_AT_A_TIME = { choices: [2, 3, 4], usual: 3 } as const;

/** A saved set of choices that a plan's arithmetic obeys. */
export type TeachingStyle = { readonly [Name in StyleQuestion]: ChoiceOf<Name> } & {
  readonly name: string;
  /** Repetitions called where nothing else is said, and the fewest worth starting. */
  readonly rounds: (typeof COUNTED_REPETITIONS)[number];
  readonly leastRounds: number;
  /** Repetitions of phases that have their own; the others have those above. */
  readonly phases?: Partial<Readonly<Record<Phase, PhaseRepetitions>>>;
  /** Seconds of one breath. */
  readonly breathSeconds: number;
  /** The most versions of a movement at a time; the usual number where it is left out. */
  readonly versions?: (typeof VERSIONS_AT_A_TIME.choices)[number];
};

const choiceSchemas = Object.fromEntries(
  STYLE_QUESTIONS.map(({ name, choices }) => [name, v.picklist(choices as readonly string[])]),
);

const ofPhase = v.pipe(v.number(), v.integer(), v.minValue(PHASE_REPETITIONS.least), v.maxValue(PHASE_REPETITIONS.most));
const OnePhase = v.pipe(
  v.object({ ideal: ofPhase, least: ofPhase }),
  v.check(({ ideal, least }) => least <= ideal, "leastOverIdeal"),
);

/** Reads a style from a file or a form that has turned its texts into numbers. */
export const TeachingStyleSchema = v.object({
  name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60)),
  ...choiceSchemas,
  rounds: v.picklist(COUNTED_REPETITIONS),
  leastRounds: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(8)),
  phases: v.optional(
    v.object({
      arrive: v.optional(OnePhase),
      loosen: v.optional(OnePhase),
      flow: v.optional(OnePhase),
      settle: v.optional(OnePhase),
    }),
  ),
  breathSeconds: v.pipe(v.number(), v.minValue(BREATH_SECONDS.least), v.maxValue(BREATH_SECONDS.most), v.multipleOf(0.5)),
  versions: v.exactOptional(v.picklist(VERSIONS_AT_A_TIME.choices)),
}) as unknown as v.GenericSchema<TeachingStyle>;

const usualChoices = Object.fromEntries(STYLE_QUESTIONS.map(({ name, choices }) => [name, choices[0]])) as {
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

/** A style that comes with the product. */
export type ReadyStyle = "evenKeel" | "smallRipples" | "longSwell";

/** Ready-made combinations; `words` says for whom each is. */
export const READY_STYLES: readonly { readonly ready: ReadyStyle; readonly style: TeachingStyle }[] = [
  { style: USUAL_STYLE, ready: "evenKeel" },
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
    ready: "smallRipples",
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
    ready: "longSwell",
  },
];

/**
 * Repetitions of a style in a phase.
 *
 * @param style that a plan is taught in
 * @param phase of the session
 */
export const repetitionsIn = ({ rounds, leastRounds, phases }: TeachingStyle, phase: Phase): PhaseRepetitions =>
  phases?.[phase] ?? { ideal: rounds, least: leastRounds };

/** Everything that a style chooses, but for its name. */
export const STYLE_PARTS = [
  ...STYLE_QUESTIONS.map(({ name }) => name),
  "rounds" as const,
  "leastRounds" as const,
  "phases" as const,
  "breathSeconds" as const,
  "versions" as const,
];
/** A question or a number of a style. */
export type StylePart = (typeof STYLE_PARTS)[number];

const sameValues = (a: TeachingStyle, b: TeachingStyle, name: StylePart): boolean =>
  name === "phases"
    ? PHASES.every((phase) => {
        const [one, other] = [repetitionsIn(a, phase), repetitionsIn(b, phase)];
        const own = a.phases?.[phase] !== undefined || b.phases?.[phase] !== undefined;
        return !own || (one.ideal === other.ideal && one.least === other.least);
      })
    : name === "versions"
      ? (a.versions ?? VERSIONS_AT_A_TIME.usual) === (b.versions ?? VERSIONS_AT_A_TIME.usual)
      : a[name] === b[name];

/**
 * Names of the parts in which two styles differ.
 *
 * @param from one style
 * @param to the other
 */
export const differingParts = (from: TeachingStyle, to: TeachingStyle): StylePart[] =>
  STYLE_PARTS.filter((name) => !sameValues(from, to, name));

/**
 * The side on which a block begins.
 *
 * @param week any count of weeks that goes on by one each week: an even one begins on the right where sides alternate
 */
export function firstSideOf({ firstSide }: TeachingStyle, week: number): Side {
  if (firstSide !== "alternate") return firstSide;
  return week % 2 === 0 ? "right" : "left";
}

/** The pause of a style that has one. */
const STYLE_PAUSE: BreathPause = { at: "top", seconds: 1 };

/**
 * The pause of the breath in an item: its own, or the style's; null without one. Two breaths to one are full on the way from one
 * key pose to the next, where nothing waits.
 *
 * @param style whose pause it is where the item has none
 * @param item what the plan says of it
 */
export function pauseOf(
  { breath }: TeachingStyle,
  { pause: own, breathsToOne }: Pick<PlanItem, "pause" | "breathsToOne">,
): BreathPause | null {
  const pause = own ?? (breath === "pause" ? STYLE_PAUSE : null);
  if (pause === null || pause.seconds === 0) return null;
  return breathsToOne === 2 && pause.at === "top" ? null : pause;
}
