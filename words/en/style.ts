import { PHASES } from "@able-tide/core/movement/format";
import {
  differingParts,
  type ReadyStyle,
  type StylePart,
  type TeachingStyle,
  VERSIONS_AT_A_TIME,
} from "@able-tide/core/plan/style";
import type { ChoiceOf, StyleQuestion } from "@able-tide/core/plan/style-questions";
import { phaseLabel } from "./phase.ts";

/** A choice of a style: what it is called, and what it does in one sentence. */
export interface ChoiceWords {
  readonly label: string;
  readonly does: string;
}

type QuestionWords = {
  readonly [Name in StyleQuestion]: {
    readonly label: string;
    readonly choices: Readonly<Record<ChoiceOf<Name>, ChoiceWords>>;
  };
};

const QUESTIONS: QuestionWords = {
  counting: {
    label: "Counting",
    choices: {
      eachSide: { label: "each side counts one", does: "Six is three on the right and three on the left." },
      together: { label: "left and right together count one", does: "Six is six on the right and six on the left." },
    },
  },
  firstSide: {
    label: "First side",
    choices: {
      right: { label: "right", does: "Everything begins on the right." },
      left: { label: "left", does: "Everything begins on the left." },
      alternate: { label: "alternate by week", does: "Right one week, left the next: no side is always first." },
    },
  },
  showing: {
    label: "Showing",
    choices: {
      mirror: { label: "mirror, face to face", does: "The figure in class is a mirror: your left for their right." },
      sameSide: { label: "same side, back turned", does: "The figure in class turns its back: your right for their right." },
    },
  },
  breath: {
    label: "Breath",
    choices: {
      coupled: { label: "open on the in-breath, close on the out-breath", does: "A movement takes as long as its breaths." },
      free: { label: "free", does: "Same pace; no breathing instructions." },
      pause: {
        label: "a gentle pause at the top",
        does: "Each breath pauses for one second; anyone who should not pause keeps breathing.",
      },
    },
  },
  breathRoute: {
    label: "Breath route",
    choices: {
      noseMouth: { label: "nose in, mouth out", does: "Said at the start." },
      nose: { label: "nose only", does: "Said at the start." },
      asYouLike: { label: "as you like", does: "Nothing is said about it." },
    },
  },
  learning: {
    label: "Learning",
    choices: {
      twoNew: { label: "two new movements a session, with a recap", does: "More than two new ones are pointed out." },
      sameSet: { label: "same movements repeated for several weeks", does: "Anything new is pointed out." },
      newCombinations: { label: "new combinations each time", does: "Known movements in an order they have not had." },
    },
  },
  speech: {
    label: "Speech",
    choices: {
      fade: { label: "every phrase for two sessions, then fade", does: "The script says less as a movement becomes known." },
      everyPhrase: { label: "cue every phrase", does: "The script has every phrase, always." },
      startThenQuiet: { label: "cue the start, then quiet", does: "The script has the first repetition only." },
      silent: { label: "silent", does: "The script has names and counts." },
    },
  },
  imagery: {
    label: "Imagery",
    choices: {
      plain: { label: "plain body cues", does: "The picture in words is an extra line." },
      pictures: { label: "pictures in words", does: "The picture in words comes first." },
    },
  },
  size: {
    label: "Range of movement",
    choices: {
      comfortable: { label: "comfortable full", does: "As large as each body allows with ease." },
      smallAndExact: { label: "small and exact", does: "Small and controlled, where the purpose is balance." },
      longStretch: { label: "long stretch", does: "Long, slow, towards the end of what is comfortable." },
    },
  },
  depth: {
    label: "Stance height",
    choices: {
      high: { label: "high stance", does: "Half the planned knee bend and a shorter step." },
      middle: { label: "middle", does: "As the movement was written." },
      low: { label: "low, built up by seconds", does: "Half as much knee bend again: for groups that have built it up." },
    },
  },
  drag: {
    label: "Water resistance",
    choices: {
      person: {
        label: "the participant slows down",
        does: "A participant whose water resistance would pass their cap moves at half or a third of the pace; the others go on.",
      },
      room: {
        label: "everyone slows down",
        does: "A movement in the pool is as slow as the strictest cap on water resistance needs.",
      },
    },
  },
  pelvis: {
    label: "Pelvis and back",
    choices: {
      natural: { label: "natural", does: "Easier to check." },
      tucked: { label: "lightly tucked", does: "Said at the start of standing movements." },
    },
  },
  trunk: {
    label: "Trunk in a weight shift",
    choices: {
      upright: { label: "an upright column", does: "Ears over hips, over the foot that carries." },
      inclined: { label: "inclined with the front leg", does: "Said where the weight goes forward." },
    },
  },
  eyes: {
    label: "Eyes",
    choices: {
      open: { label: "open", does: "Nothing is added." },
      soft: { label: "soft", does: "Said at the start." },
      closedStill: {
        label: "closed while still",
        does: "Said at the start. Balance is harder with eyes closed: only next to a support.",
      },
    },
  },
  neck: {
    label: "Neck",
    choices: {
      halfCircles: { label: "half circles and turns", does: "Full circles are pointed out." },
      fullCircles: { label: "full circles", does: "Allowed here; caps still exclude them for many participants." },
    },
  },
};

/** What a question on which schools differ is called. */
export const styleQuestionLabel = (name: StyleQuestion): string => QUESTIONS[name].label;

/** A choice of a question. */
export const styleChoiceWords = (name: StyleQuestion, choice: string): ChoiceWords =>
  (QUESTIONS[name].choices as Readonly<Record<string, ChoiceWords>>)[choice] ?? { label: choice, does: "" };

/** What a style chooses on a question. */
export const formatStyleChoice = (style: TeachingStyle, name: StyleQuestion): string => styleChoiceWords(name, style[name]).label;

const READY: Readonly<Record<ReadyStyle, string>> = {
  evenKeel: "Standard choices: three on each side, shown as a mirror, two new movements a week.",
  smallRipples: "For balance: small, precise, frequent; same movements until familiar; full cues.",
  longSwell: "For participants who know the movements: long breaths, six on each side, few words, new combinations.",
};
/** For whom a ready-made style is. */
export const readyStyleFor = (ready: ReadyStyle): string => READY[ready];

/** Repetitions of the phases that have their own: "loosen 4, at least 3". */
function formatPhases({ phases = {} }: TeachingStyle): string {
  const own = PHASES.flatMap((phase) => {
    const each = phases[phase];
    return each ? [`${phaseLabel(phase)} ${each.ideal}, at least ${each.least}`] : [];
  });
  return own.length === 0 ? "the same in every phase" : own.join("; ");
}

function formatStylePart(style: TeachingStyle, part: StylePart): readonly [label: string, value: string] {
  switch (part) {
    case "rounds":
      return ["Counted repetitions", String(style.rounds)];
    case "leastRounds":
      return ["Minimum repetitions", String(style.leastRounds)];
    case "phases":
      return ["Repetitions by phase", formatPhases(style)];
    case "versions":
      return ["Versions at a time", String(style.versions ?? VERSIONS_AT_A_TIME.usual)];
    case "breathSeconds":
      return ["Breath length", `${style.breathSeconds} s`];
    default:
      return [styleQuestionLabel(part), formatStyleChoice(style, part)];
  }
}

/** One part in which two styles differ: "Counting: each side counts one → left and right together count one". */
export function formatStyleDifference(from: TeachingStyle, to: TeachingStyle, part: StylePart): string {
  const [label, before] = formatStylePart(from, part);
  return `${label}: ${before} → ${formatStylePart(to, part)[1]}`;
}

/** What differs from one style to another, a line each. */
export const styleDifferences = (from: TeachingStyle, to: TeachingStyle): string[] =>
  differingParts(from, to).map((part) => formatStyleDifference(from, to, part));
