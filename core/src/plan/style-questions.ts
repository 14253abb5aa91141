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
export type Questions = (typeof STYLE_QUESTIONS)[number];

export interface Choice {
  readonly name: string;
  readonly label: string;
  /** What it does, in one sentence. */
  readonly does: string;
}

export type StyleQuestion = Questions["name"];
export type ChoiceOf<Name extends StyleQuestion> = Extract<Questions, { name: Name }>["choices"][number]["name"];
