import type { FeetState } from "../movement/format.ts";
import type { Facing } from "../plan/plan-item.ts";
import { otherSide, SIDES, type Side } from "../side.ts";
import { type BodyState, HAND_PLACES, HAND_WORDS, isPossible, LEVEL_FEET, onRailWith, type PlanPlace, railAt } from "./state.ts";

/** What the helper has to be ready for. */
export const TRANSITION_HAZARDS = ["standsUp", "sitsDown", "turns", "stepsBack", "oneLeg"] as const;
export type TransitionHazard = (typeof TRANSITION_HAZARDS)[number];

/** Hazards in words, as the helper reads them. */
export const HAZARD_WORDS: Readonly<Record<TransitionHazard, string>> = {
  standsUp: "Everyone stands up: remove cushions first, rise in stages",
  sitsDown: "Everyone sits down: feel the chair against the legs first",
  turns: "Everyone turns",
  stepsBack: "A step back",
  oneLeg: "One foot leaves the floor",
};

/**
 * The small links that join two movements, in the order of their ids. Tenths of a second; the penalty counts beside
 * them when a chain is chosen, so that a hazard is only met where it has to be. Our own numbers, see docs/planning.md.
 */
export const TRANSITION_STEPS = [
  { name: "hands", tenths: 10, penalty: 0, hazard: null },
  { name: "shift", tenths: 10, penalty: 0, hazard: null },
  { name: "setDown", tenths: 10, penalty: 0, hazard: null },
  { name: "toeDown", tenths: 10, penalty: 0, hazard: null },
  { name: "stepIn", tenths: 15, penalty: 5, hazard: null },
  { name: "stepOut", tenths: 15, penalty: 5, hazard: null },
  { name: "stepForward", tenths: 15, penalty: 5, hazard: null },
  { name: "gather", tenths: 15, penalty: 5, hazard: null },
  { name: "takeRail", tenths: 15, penalty: 0, hazard: null },
  { name: "leaveRail", tenths: 10, penalty: 5, hazard: null },
  { name: "stepBack", tenths: 20, penalty: 30, hazard: "stepsBack" },
  { name: "lift", tenths: 15, penalty: 10, hazard: "oneLeg" },
  { name: "turn", tenths: 30, penalty: 40, hazard: "turns" },
  { name: "sit", tenths: 60, penalty: 100, hazard: "sitsDown" },
  { name: "stand", tenths: 100, penalty: 150, hazard: "standsUp" },
] as const satisfies readonly { name: string; tenths: number; penalty: number; hazard: TransitionHazard | null }[];
export type TransitionStepKind = (typeof TRANSITION_STEPS)[number]["name"];

/** One link: what it is, which side moves, and the state it leads to. */
export interface TransitionStep {
  readonly kind: TransitionStepKind;
  /** The foot that moves, the way the weight goes or the way it turns; null for hands, sitting and standing. */
  readonly side: Side | "both" | null;
  /** What is done, as it is said. */
  readonly words: string;
  readonly tenths: number;
  readonly penalty: number;
  readonly hazard: TransitionHazard | null;
  readonly to: BodyState;
}

const KINDS = new Map(TRANSITION_STEPS.map((kind) => [kind.name as TransitionStepKind, kind]));

function link(kind: TransitionStepKind, side: TransitionStep["side"], words: string, to: BodyState): TransitionStep {
  const { tenths, penalty, hazard } = KINDS.get(kind) as { tenths: number; penalty: number; hazard: TransitionHazard | null };
  return { kind, side, words, tenths, penalty, hazard, to };
}

const turned = (facing: Facing, by: 1 | 3): Facing => ((facing + by) % 4) as Facing;

function handLinks(state: BodyState, { rail }: PlanPlace): TransitionStep[] {
  if (onRailWith(state.hands)) return [link("leaveRail", null, "let go of the rail", { ...state, hands: "down" })];
  const free = HAND_PLACES.filter((hands) => !onRailWith(hands) && hands !== state.hands).map((hands) =>
    link("hands", null, HAND_WORDS[hands], { ...state, hands }),
  );
  const beside = state.support === "seat" ? null : railAt(rail, state.facing);
  return beside ? [...free, link("takeRail", null, HAND_WORDS[beside], { ...state, hands: beside })] : free;
}

/** Feet on a chair slide where they are wanted: nothing stands on them. */
function seatedLinks(state: BodyState): TransitionStep[] {
  const level = (kind: TransitionStepKind, feet: FeetState, words: string) =>
    link(kind, "both", words, { ...state, feet, foot: null });
  const one = (kind: TransitionStepKind, feet: FeetState, foot: Side, words: string) =>
    link(kind, foot, words, { ...state, feet, foot });
  const links: TransitionStep[] = [];
  if (state.foot !== null) {
    links.push(
      level(state.feet === "lift" || state.feet === "toe" ? "setDown" : "gather", "hip", "feet hip-width apart on the floor"),
    );
    if (state.feet === "lift") links.push(one("toeDown", "toe", state.foot, `${state.foot} toe to the floor`));
    if (state.feet === "toe") links.push(one("lift", "lift", state.foot, `lift the ${state.foot} foot`));
    if (state.feet === "semi") links.push(one("stepIn", "tandem", state.foot, `${state.foot} heel to the toes`));
    return links;
  }
  if (state.feet !== "together") links.push(level("stepIn", state.feet === "wide" ? "hip" : "together", "feet closer"));
  if (state.feet !== "wide") links.push(level("stepOut", state.feet === "hip" ? "wide" : "hip", "feet wider"));
  if (state.feet !== "hip") return links;
  if (state.hands === "down") links.push(link("stand", null, "stand up in stages", { ...state, support: "stand" }));
  for (const foot of SIDES)
    links.push(
      one("lift", "lift", foot, `lift the ${foot} foot`),
      one("toeDown", "toe", foot, `${foot} toe to the floor`),
      one("stepForward", "bow", foot, `${foot} foot forward`),
      one("stepForward", "semi", foot, `${foot} foot forward to semi-tandem`),
    );
  return links.map((each) => (each.hazard === "oneLeg" ? { ...each, hazard: null, penalty: 0 } : each));
}

function shifts(state: BodyState): TransitionStep[] {
  const { feet, load } = state;
  if (feet === "lift" || feet === "toe") return [];
  if (load !== "both") return [link("shift", "both", "weight on both legs", { ...state, load: "both" })];
  return SIDES.map((side) => link("shift", side, `weight to the ${side}`, { ...state, load: side }));
}

/** Where one foot goes while the other carries everything. */
function footLinks(state: BodyState): TransitionStep[] {
  const links: TransitionStep[] = [];
  for (const foot of SIDES) {
    if (state.load !== otherSide(foot)) continue;
    const { feet } = state;
    const to = (kind: TransitionStepKind, next: FeetState, front: Side | null, words: string) =>
      link(kind, foot, words, { ...state, feet: next, foot: front });
    const own = state.foot === foot;
    if (feet === "lift" && own)
      links.push(to("setDown", "hip", null, `${foot} foot down`), to("toeDown", "toe", foot, `${foot} toe to the floor`));
    else if (feet === "toe" && own)
      links.push(to("setDown", "hip", null, `${foot} foot down`), to("lift", "lift", foot, `lift the ${foot} foot`));
    else if (feet === "bow" || feet === "semi" || feet === "tandem") {
      links.push(to("gather", "hip", null, `${foot} foot in, hip-width apart`));
      if (feet === "semi") links.push(to("stepIn", "tandem", state.foot, `${foot} foot in line (tandem)`));
      if (feet === "tandem") links.push(to("stepOut", "semi", state.foot, `${foot} foot out a little`));
    } else if (feet === "together")
      links.push(
        to("stepOut", "hip", null, `${foot} foot out, hip-width apart`),
        to("stepForward", "semi", foot, `${foot} foot forward to semi-tandem`),
        to("stepBack", "semi", otherSide(foot), `${foot} foot back to semi-tandem`),
      );
    else if (feet === "wide") links.push(to("stepIn", "hip", null, `${foot} foot in, hip-width apart`));
    else if (feet === "hip")
      links.push(
        to("stepIn", "together", null, `${foot} foot in`),
        to("stepOut", "wide", null, `${foot} foot out`),
        to("stepForward", "bow", foot, `${foot} foot forward`),
        to("stepBack", "bow", otherSide(foot), `${foot} foot back`),
        to("toeDown", "toe", foot, `${foot} heel up, toe down`),
        to("lift", "lift", foot, `lift the ${foot} foot`),
      );
  }
  return links;
}

const isLevel = ({ feet }: BodyState): boolean => (LEVEL_FEET as readonly FeetState[]).includes(feet);

function wholeBodyLinks(state: BodyState): TransitionStep[] {
  if (state.load !== "both" || !isLevel(state)) return [];
  const links: TransitionStep[] = [];
  if (state.feet === "hip" && state.facing === 0 && state.hands === "down" && state.support === "stand")
    links.push(link("sit", null, "sit down", { ...state, support: "seat" }));
  // No one turns with a hand on the rail.
  if (state.feet !== "wide" && !onRailWith(state.hands))
    links.push(
      link("turn", "right", "a quarter turn right", { ...state, facing: turned(state.facing, 1) }),
      link("turn", "left", "a quarter turn left", { ...state, facing: turned(state.facing, 3) }),
    );
  return links;
}

/** Every link that may follow from a state in a place. Every foot that moves standing has the weight on the other. */
export function transitionStepsFrom(state: BodyState, place: PlanPlace): TransitionStep[] {
  const body = state.support === "seat" ? seatedLinks(state) : [...shifts(state), ...footLinks(state), ...wholeBodyLinks(state)];
  return [...handLinks(state, place), ...body].filter(({ to }) => isPossible(to, place));
}
