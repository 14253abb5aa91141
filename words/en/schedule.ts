import { itemAt } from "@able-tide/core/checked-access";
import type { ScriptWording } from "@able-tide/core/class/script";
import type { FeetState } from "@able-tide/core/movement/format";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { BodyState, HandPlace } from "@able-tide/core/schedule/body-state";
import type { Stance, TransitionProblem } from "@able-tide/core/schedule/plan-transitions";
import type { TransitionHazard, TransitionPhrase, TransitionStep } from "@able-tide/core/schedule/transition-steps";
import type { Side } from "@able-tide/core/side";

const FEET_WORDS: Record<FeetState, (foot: Side | null) => string> = {
  together: () => "feet together",
  hip: () => "feet hip-width apart",
  wide: () => "feet wide apart",
  semi: (foot) => `semi-tandem, ${foot} foot in front`,
  tandem: (foot) => `tandem, ${foot} foot in front`,
  bow: (foot) => `${foot} foot forward`,
  lift: (foot) => `${foot} foot off the floor`,
  toe: (foot) => `${foot} toes touching the floor`,
};
const HAND_WORDS: Readonly<Record<HandPlace, string>> = {
  down: "arms at the sides",
  belly: "hands on the belly",
  front: "hands in front",
  up: "hands up",
  ballLeft: "hands round a ball, left on top",
  ballRight: "hands round a ball, right on top",
  railLeft: "left hand on the rail",
  railRight: "right hand on the rail",
  railBoth: "both hands on the rail",
};
const formatFeet = (feet: FeetState, foot: Side | null): string => FEET_WORDS[feet](foot);
const formatStance = ({ feet, foot }: Stance): string => formatFeet(feet, foot);

/** A state in a few words. @example "standing, right foot ahead, weight on the left leg, hands in front" */
export function formatState({ support, feet, foot, load, facing, hands }: BodyState): string {
  const words = [support === "seat" ? "seated" : support === "pool" ? "in the water" : "standing", formatFeet(feet, foot)];
  if (load !== "both" && feet !== "lift" && feet !== "toe") words.push(`weight on the ${load} leg`);
  if (facing !== 0) words.push(["", "turned right", "facing the back", "turned left"][facing] as string);
  return [...words, HAND_WORDS[hands]].join(", ");
}

/** What is said once at the start of a session, from the style. */
export function openingWords({ breathRoute, breath, eyes, pelvis, trunk }: TeachingStyle, standing: boolean): string[] {
  const words = [
    breathRoute === "nose" && "In and out through the nose.",
    breathRoute === "noseMouth" && "In through the nose, out through the mouth.",
    breath === "coupled" && "Open on the in-breath, close on the out-breath. Take two breaths to my one whenever you like.",
    breath === "pause" && "A gentle pause at the top, no longer than is easy. Never hold the breath.",
    breath === "free" && "Breathe as it comes.",
    eyes === "soft" && "Soft eyes.",
    eyes === "closedStill" && "Eyes may close while we are still; open them if you feel unsure.",
    standing && pelvis === "tucked" && "Let the tailbone drop a little.",
    standing && trunk === "inclined" && "When the weight goes forward, the trunk leans with the front leg.",
    standing && trunk === "upright" && "When the weight goes, the trunk stays upright over it.",
  ];
  return words.filter((word): word is string => word !== false);
}

/** A transition that cannot be, in words. */
export function formatTransitionProblem(problem: TransitionProblem): string {
  switch (problem.kind) {
    case "weight":
      return problem.carries === "both"
        ? `Cannot start: weight is on both legs, but the ${problem.steps} leg has to step. Shift weight first.`
        : `Cannot start: weight is on the ${problem.carries} leg, which has to step`;
    case "feet":
      return `Needs a pause: participants stand with ${formatStance(problem.stand)}, but this movement starts with ${formatStance(problem.begins)}`;
    case "load":
      return "Needs a pause: weight is on one leg, but this movement starts on both";
    case "support":
      return "Needs a pause: participants have to sit down or stand up first";
    case "facing":
      return "Needs a pause: participants face a different direction";
    case "noChair":
      return "Cannot start: there are no chairs in this venue";
    case "noRail":
      return "Cannot start: there is no rail on that side of the room";
    case "noWater":
      return "Cannot start: there is no pool in this venue";
  }
}

/** What the helper is ready for in a transition. */
const HAZARDS: Readonly<Record<TransitionHazard, string>> = {
  standsUp: "Everyone stands up: remove cushions first, rise in stages",
  sitsDown: "Everyone sits down: feel the chair against the legs first",
  turns: "Everyone turns",
  stepsBack: "A step back",
  oneLeg: "One foot leaves the floor",
};

/** A hazard of a transition, as the helper reads it. */
export const formatHazard = (hazard: TransitionHazard): string => HAZARDS[hazard];

const PHRASES: Readonly<Record<Exclude<TransitionPhrase, "handsTo">, (side: string) => string>> = {
  letGoOfRail: () => "let go of the rail",
  feetHipWidth: () => "feet hip-width apart on the floor",
  feetCloser: () => "feet closer",
  feetWider: () => "feet wider",
  standUp: () => "stand up in stages",
  sitDown: () => "sit down",
  weightOnBoth: () => "weight on both legs",
  weightTo: (side) => `weight to the ${side}`,
  footDown: (foot) => `${foot} foot down`,
  toeToFloor: (foot) => `${foot} toe to the floor`,
  heelUpToeDown: (foot) => `${foot} heel up, toe down`,
  liftFoot: (foot) => `lift the ${foot} foot`,
  heelToToes: (foot) => `${foot} heel to the toes`,
  footInLine: (foot) => `${foot} foot in line (tandem)`,
  footIn: (foot) => `${foot} foot in`,
  footInHipWidth: (foot) => `${foot} foot in, hip-width apart`,
  footOut: (foot) => `${foot} foot out`,
  footOutHipWidth: (foot) => `${foot} foot out, hip-width apart`,
  footOutALittle: (foot) => `${foot} foot out a little`,
  footForward: (foot) => `${foot} foot forward`,
  footForwardSemi: (foot) => `${foot} foot forward to semi-tandem`,
  footBack: (foot) => `${foot} foot back`,
  footBackSemi: (foot) => `${foot} foot back to semi-tandem`,
  quarterTurn: (side) => `a quarter turn ${side}`,
};

type SaidStep = Pick<TransitionStep, "phrase" | "side" | "to">;

const formatStep = ({ phrase, side, to }: SaidStep): string =>
  phrase === "handsTo" ? HAND_WORDS[to.hands] : PHRASES[phrase](side ?? "");

const turnsOn = (step: SaidStep, before: SaidStep | undefined): boolean =>
  step.phrase === "quarterTurn" && before?.phrase === "quarterTurn" && before.side === step.side;

/** The steps of a transition in their order, as they are said; two quarter turns the same way are a turn round. */
export function formatTransitionSteps(steps: readonly SaidStep[]): string[] {
  const said: string[] = [];
  for (let i = 0; i < steps.length; i += 1) {
    const step = itemAt(steps, i);
    const next = steps[i + 1];
    const half = next !== undefined && turnsOn(next, step);
    said.push(half ? `turn round by the ${step.side}` : formatStep(step));
    if (half) i += 1;
  }
  return said;
}

/** The steps of a transition and what the helper is ready for, as a class keeps them. */
export const SCRIPT_WORDING: ScriptWording = { steps: formatTransitionSteps, hazard: formatHazard };
