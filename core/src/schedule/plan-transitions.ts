import { itemAt } from "../checked-access.ts";
import type { FeetState } from "../movement/format.ts";
import type { Side } from "../side.ts";
import {
  type BodyState,
  type EntryPattern,
  type ExitChange,
  isPossible,
  onRailWith,
  plainState,
  stateAfter,
  stateKey,
  type VenueSupports,
} from "./body-state.ts";
import { byCost, type TransitionPath, transitionPathsFrom } from "./transition-graph.ts";
import type { TransitionHazard, TransitionStep } from "./transition-steps.ts";

/** One thing to be joined to what comes before it: a block, or its other side. */
export interface Waypoint {
  readonly entry: EntryPattern;
  readonly exit: ExitChange;
  /** Runs straight on: nothing but the hands may change between. */
  readonly straight: boolean;
}

/** How the feet stand. */
export interface Stance {
  readonly feet: FeetState;
  readonly foot: Side | null;
}

/** Why a transition cannot be. */
export type TransitionProblem =
  | { readonly kind: "weight"; readonly carries: Side | "both"; readonly steps: Side }
  | { readonly kind: "feet"; readonly stand: Stance; readonly begins: Stance }
  | { readonly kind: "load" | "support" | "facing" }
  | { readonly kind: "noChair" | "noRail" | "noWater" };

/** How one stop is reached from what came before it. */
export interface Transition {
  readonly from: BodyState;
  /** The state it begins in. */
  readonly to: BodyState;
  readonly steps: readonly TransitionStep[];
  readonly tenths: number;
  readonly hazards: readonly TransitionHazard[];
  /** Null where it can be as it is; otherwise the steps are those that it would take. */
  readonly problem: TransitionProblem | null;
}

export interface PlanTransitions {
  /** One a stop, in order. */
  readonly transitions: readonly Transition[];
  /** The last one: from the end of the last stop to where everyone leaves from. */
  readonly leaving: Transition;
  /** Tenths and penalties of all steps. */
  readonly cost: number;
}

/** A path through all stops so far. */
interface Label {
  readonly state: BodyState;
  readonly cost: number;
  readonly ids: string;
  /** The path by which its last stop was reached from the label before; null at the start. */
  readonly reached: { readonly path: TransitionPath; readonly problem: TransitionProblem | null } | null;
  readonly before: Label | null;
}

/** The hazards of some steps, each once. */
const hazardsOf = (steps: readonly TransitionStep[]): TransitionHazard[] => [
  ...new Set(steps.flatMap(({ hazard }) => hazard ?? [])),
];

/** The transition that a path makes. */
export const transitionOf = (from: BodyState, path: TransitionPath, problem: TransitionProblem | null = null): Transition => ({
  from,
  to: path.to,
  steps: path.steps,
  tenths: path.steps.reduce((sum, { tenths }) => sum + tenths, 0),
  hazards: hazardsOf(path.steps),
  problem,
});

/** The best label of each state, best first. */
function bestOfEach(labels: readonly Label[]): Label[] {
  const best = new Map<string, Label>();
  for (const label of labels) {
    const key = stateKey(label.state);
    const known = best.get(key);
    if (!known || byCost(label, known) < 0) best.set(key, label);
  }
  return [...best.values()].toSorted(byCost);
}

/** Drops what a cheaper label could still become by steps of its own: what can wait is left until it is needed. */
function undominated(labels: readonly Label[], place: VenueSupports): Label[] {
  const kept: Label[] = [];
  for (const label of bestOfEach(labels)) {
    const beaten = kept.some((better) => {
      const path = transitionPathsFrom(better.state, place).to(label.state);
      return path !== null && better.cost + path.cost <= label.cost;
    });
    if (!beaten) kept.push(label);
  }
  return kept;
}

/** Every way to begin a waypoint from the labels before it. */
const onTo = (labels: readonly Label[], pattern: EntryPattern, place: VenueSupports, straight: boolean) =>
  labels.flatMap((label) =>
    transitionPathsFrom(label.state, place, straight)
      .toAll(pattern)
      .map((path) => ({ label, path })),
  );

/** Why a stop cannot be run straight on to from a state. */
function straightProblem(state: BodyState, { support, feet, load }: EntryPattern): TransitionProblem {
  if (state.support !== support) return { kind: "support" };
  if (feet && (state.feet !== feet.kind || state.foot !== feet.foot))
    return { kind: "feet", stand: { feet: state.feet, foot: state.foot }, begins: { feet: feet.kind, foot: feet.foot } };
  if (load && load !== "both" && state.load !== load)
    return { kind: "weight", carries: state.load, steps: load === "left" ? "right" : "left" };
  return { kind: state.load === load || load === null ? "facing" : "load" };
}

/** Why no steps lead to a stop in this place. */
function placeProblem({ support, hands }: EntryPattern, place: VenueSupports): TransitionProblem {
  if (support === "seat" && !place.chairs) return { kind: "noChair" };
  if (support === "pool" && !place.pool) return { kind: "noWater" };
  if (hands && onRailWith(hands)) return { kind: "noRail" };
  return { kind: "support" };
}

function next(labels: readonly Label[], stop: Pick<Waypoint, "entry" | "straight">, place: VenueSupports): Label[] {
  const straightOn = stop.straight ? onTo(labels, stop.entry, place, true) : [];
  const reachable = straightOn.length > 0 ? straightOn : onTo(labels, stop.entry, place, false);
  const [first] = labels as [Label];
  if (reachable.length === 0) {
    // Goes on as if it had been reached, so that the rest of the plan can still be looked at.
    const to = plainState(stop.entry);
    const reached = { path: { to, cost: 0, steps: [], ids: "" }, problem: placeProblem(stop.entry, place) };
    return [{ state: to, cost: first.cost, ids: first.ids, reached, before: first }];
  }
  const broken = stop.straight && straightOn.length === 0;
  return reachable.map(({ label, path }) => ({
    state: path.to,
    cost: label.cost + path.cost,
    ids: label.ids + path.ids,
    reached: { path, problem: broken ? straightProblem(label.state, stop.entry) : null },
    before: label,
  }));
}

/**
 * Joins stops by the cheapest chain of small steps over the whole of them: a layered shortest path, so that a part left
 * open early is settled by what comes later. Cheapest is by tenths of a second and penalties; of equal ones that with
 * fewer steps, and what can wait is done later; then by the ids of the steps, so the answer is unique.
 *
 * @param home where everyone is at the start; possible in the place
 * @param leave where everyone leaves from
 */
export function findTransitions(
  stops: readonly Waypoint[],
  home: BodyState,
  leave: EntryPattern,
  place: VenueSupports,
): PlanTransitions {
  if (!isPossible(home, place)) throw new RangeError("This starting position is not possible in this venue");
  let labels: Label[] = [{ state: home, cost: 0, ids: "", reached: null, before: null }];
  for (const stop of stops) {
    const begun = bestOfEach(next(labels, stop, place));
    const done = begun.map((label) => ({ ...label, state: stateAfter(label.state, stop.exit) }));
    labels = undominated(done, place);
  }
  const [last] = next(labels, { entry: leave, straight: false }, place).toSorted(byCost) as [Label];
  const transitions: Transition[] = [];
  for (let label = last; label.reached && label.before; label = label.before)
    transitions.unshift(transitionOf(label.before.state, label.reached.path, label.reached.problem));
  return { transitions: transitions.slice(0, -1), leaving: itemAt(transitions, transitions.length - 1), cost: last.cost };
}
