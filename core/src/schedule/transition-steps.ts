import type { FeetState } from "../movement/format.ts";
import { turnedFacing } from "../plan/plan-item.ts";
import { otherSide, SIDES, type Side } from "../side.ts";
import { type BodyState, HAND_PLACES, isPossible, LEVEL_FEET, onRailWith, railAt, type VenueSupports } from "./body-state.ts";

/** What the helper has to be ready for. */
export const TRANSITION_HAZARDS = ["standsUp", "sitsDown", "turns", "stepsBack", "oneLeg"] as const;
export type TransitionHazard = (typeof TRANSITION_HAZARDS)[number];

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

/** What is said of a step; `words` makes the phrase of it with its side, or of the hands that it leads to. */
export type TransitionPhrase =
  | "handsTo"
  | "letGoOfRail"
  | "feetHipWidth"
  | "feetCloser"
  | "feetWider"
  | "standUp"
  | "sitDown"
  | "weightOnBoth"
  | "weightTo"
  | "footDown"
  | "toeToFloor"
  | "heelUpToeDown"
  | "liftFoot"
  | "heelToToes"
  | "footInLine"
  | "footIn"
  | "footInHipWidth"
  | "footOut"
  | "footOutHipWidth"
  | "footOutALittle"
  | "footForward"
  | "footForwardSemi"
  | "footBack"
  | "footBackSemi"
  | "quarterTurn";

/** One link: what it is, which side moves, and the state it leads to. */
export interface TransitionStep {
  readonly kind: TransitionStepKind;
  /** The foot that moves, the way the weight goes or the way it turns; null for hands, sitting and standing. */
  readonly side: Side | "both" | null;
  /** What is done, as a code: the same kind of step is said differently from different stances. */
  readonly phrase: TransitionPhrase;
  readonly tenths: number;
  readonly penalty: number;
  readonly hazard: TransitionHazard | null;
  readonly to: BodyState;
}

const KINDS = new Map(TRANSITION_STEPS.map((kind) => [kind.name as TransitionStepKind, kind]));

function link(kind: TransitionStepKind, side: TransitionStep["side"], phrase: TransitionPhrase, to: BodyState): TransitionStep {
  const { tenths, penalty, hazard } = KINDS.get(kind) as { tenths: number; penalty: number; hazard: TransitionHazard | null };
  return { kind, side, phrase, tenths, penalty, hazard, to };
}

function handLinks(state: BodyState, { rail }: VenueSupports): TransitionStep[] {
  if (onRailWith(state.hands)) return [link("leaveRail", null, "letGoOfRail", { ...state, hands: "down" })];
  const free = HAND_PLACES.filter((hands) => !onRailWith(hands) && hands !== state.hands).map((hands) =>
    link("hands", null, "handsTo", { ...state, hands }),
  );
  const beside = state.support === "seat" ? null : railAt(rail, state.facing);
  return beside ? [...free, link("takeRail", null, "handsTo", { ...state, hands: beside })] : free;
}

/** Feet on a chair slide where they are wanted: nothing stands on them. */
function seatedLinks(state: BodyState): TransitionStep[] {
  const level = (kind: TransitionStepKind, feet: FeetState, phrase: TransitionPhrase) =>
    link(kind, "both", phrase, { ...state, feet, foot: null });
  const one = (kind: TransitionStepKind, feet: FeetState, foot: Side, phrase: TransitionPhrase) =>
    link(kind, foot, phrase, { ...state, feet, foot });
  const links: TransitionStep[] = [];
  if (state.foot !== null) {
    links.push(level(state.feet === "lift" || state.feet === "toe" ? "setDown" : "gather", "hip", "feetHipWidth"));
    if (state.feet === "lift") links.push(one("toeDown", "toe", state.foot, "toeToFloor"));
    if (state.feet === "toe") links.push(one("lift", "lift", state.foot, "liftFoot"));
    if (state.feet === "semi") links.push(one("stepIn", "tandem", state.foot, "heelToToes"));
    return links;
  }
  if (state.feet !== "together") links.push(level("stepIn", state.feet === "wide" ? "hip" : "together", "feetCloser"));
  if (state.feet !== "wide") links.push(level("stepOut", state.feet === "hip" ? "wide" : "hip", "feetWider"));
  if (state.feet !== "hip") return links;
  if (state.hands === "down") links.push(link("stand", null, "standUp", { ...state, support: "stand" }));
  for (const foot of SIDES)
    links.push(
      one("lift", "lift", foot, "liftFoot"),
      one("toeDown", "toe", foot, "toeToFloor"),
      one("stepForward", "bow", foot, "footForward"),
      one("stepForward", "semi", foot, "footForwardSemi"),
    );
  return links.map((each) => (each.hazard === "oneLeg" ? { ...each, hazard: null, penalty: 0 } : each));
}

function shifts(state: BodyState): TransitionStep[] {
  const { feet, load } = state;
  if (feet === "lift" || feet === "toe") return [];
  if (load !== "both") return [link("shift", "both", "weightOnBoth", { ...state, load: "both" })];
  return SIDES.map((side) => link("shift", side, "weightTo", { ...state, load: side }));
}

/** Where one foot goes while the other carries everything. */
function footLinks(state: BodyState): TransitionStep[] {
  const links: TransitionStep[] = [];
  for (const foot of SIDES) {
    if (state.load !== otherSide(foot)) continue;
    const { feet } = state;
    const to = (kind: TransitionStepKind, next: FeetState, front: Side | null, phrase: TransitionPhrase) =>
      link(kind, foot, phrase, { ...state, feet: next, foot: front });
    const own = state.foot === foot;
    if (feet === "lift" && own) links.push(to("setDown", "hip", null, "footDown"), to("toeDown", "toe", foot, "toeToFloor"));
    else if (feet === "toe" && own) links.push(to("setDown", "hip", null, "footDown"), to("lift", "lift", foot, "liftFoot"));
    else if (feet === "bow" || feet === "semi" || feet === "tandem") {
      links.push(to("gather", "hip", null, "footInHipWidth"));
      if (feet === "semi") links.push(to("stepIn", "tandem", state.foot, "footInLine"));
      if (feet === "tandem") links.push(to("stepOut", "semi", state.foot, "footOutALittle"));
    } else if (feet === "together")
      links.push(
        to("stepOut", "hip", null, "footOutHipWidth"),
        to("stepForward", "semi", foot, "footForwardSemi"),
        to("stepBack", "semi", otherSide(foot), "footBackSemi"),
      );
    else if (feet === "wide") links.push(to("stepIn", "hip", null, "footInHipWidth"));
    else if (feet === "hip")
      links.push(
        to("stepIn", "together", null, "footIn"),
        to("stepOut", "wide", null, "footOut"),
        to("stepForward", "bow", foot, "footForward"),
        to("stepBack", "bow", otherSide(foot), "footBack"),
        to("toeDown", "toe", foot, "heelUpToeDown"),
        to("lift", "lift", foot, "liftFoot"),
      );
  }
  return links;
}

const isLevel = ({ feet }: BodyState): boolean => (LEVEL_FEET as readonly FeetState[]).includes(feet);

function wholeBodyLinks(state: BodyState): TransitionStep[] {
  if (state.load !== "both" || !isLevel(state)) return [];
  const links: TransitionStep[] = [];
  if (state.feet === "hip" && state.facing === 0 && state.hands === "down" && state.support === "stand")
    links.push(link("sit", null, "sitDown", { ...state, support: "seat" }));
  // No one turns with a hand on the rail.
  if (state.feet !== "wide" && !onRailWith(state.hands))
    links.push(
      link("turn", "right", "quarterTurn", { ...state, facing: turnedFacing(state.facing, 1) }),
      link("turn", "left", "quarterTurn", { ...state, facing: turnedFacing(state.facing, 3) }),
    );
  return links;
}

/** Every link that may follow from a state in a place. Every foot that moves standing has the weight on the other. */
export function transitionStepsFrom(state: BodyState, place: VenueSupports): TransitionStep[] {
  const body = state.support === "seat" ? seatedLinks(state) : [...shifts(state), ...footLinks(state), ...wholeBodyLinks(state)];
  return [...handLinks(state, place), ...body].filter(({ to }) => isPossible(to, place));
}
