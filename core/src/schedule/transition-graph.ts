import { itemAt, present } from "../checked-access.ts";
import { FEET_STATES } from "../movement/format.ts";
import { FACINGS } from "../plan/plan-item.ts";
import { SIDES } from "../side.ts";
import {
  type BodyState,
  type EntryPattern,
  fits,
  HAND_PLACES,
  isPossible,
  SUPPORTS_OF_STATE,
  stateKey,
  type VenueSupports,
} from "./body-state.ts";
import { TRANSITION_STEPS, type TransitionStep, transitionStepsFrom } from "./transition-steps.ts";

/** The cheapest path from one state to another. */
export interface TransitionPath {
  readonly to: BodyState;
  /** Tenths of a second and penalties together: what a path is chosen by. */
  readonly cost: number;
  readonly steps: readonly TransitionStep[];
  /** The ids of its steps, a letter each: of two paths that cost the same and have as many steps, the first by these. */
  readonly ids: string;
}

/** All states that can be reached from one. */
export interface TransitionPaths {
  /** The path to a state; null where none leads there. */
  to(state: BodyState): TransitionPath | null;
  /** The paths to all states that a pattern describes. */
  toAll(pattern: EntryPattern): TransitionPath[];
  /** The paths to every state that can be reached. */
  everywhere(): TransitionPath[];
}

interface Edge {
  readonly to: number;
  readonly cost: number;
  readonly id: string;
  readonly step: TransitionStep;
}

/** The possible states of a place by their numbers, and the steps between them. */
interface Graph {
  readonly states: readonly BodyState[];
  readonly numbers: ReadonlyMap<string, number>;
  readonly edges: readonly (readonly Edge[])[];
  /** What was searched, by the number of the start; straight on in the second. */
  readonly reaches: readonly [Map<number, TransitionPaths>, Map<number, TransitionPaths>];
  /** Numbers of the states that a pattern describes. */
  readonly fitting: WeakMap<EntryPattern, readonly number[]>;
}

/** A letter a step, in the order of LINK_KINDS, right before left before both. */
function idOf({ kind, side }: TransitionStep): string {
  const number = TRANSITION_STEPS.findIndex(({ name }) => name === kind);
  const turn = side === "right" ? 1 : side === "left" ? 2 : side === "both" ? 3 : 0;
  return String.fromCharCode(65 + 4 * number + turn);
}

/** Cheaper, then fewer steps, then first by ids. Negative where `a` comes first. */
export const byCost = (a: Pick<TransitionPath, "cost" | "ids">, b: Pick<TransitionPath, "cost" | "ids">): number =>
  a.cost - b.cost || a.ids.length - b.ids.length || (a.ids < b.ids ? -1 : a.ids > b.ids ? 1 : 0);

/** Every state that a body can be in here. */
export const statesOfPlace = (place: VenueSupports): BodyState[] =>
  SUPPORTS_OF_STATE.flatMap((support) =>
    FEET_STATES.flatMap((feet) =>
      [null, ...SIDES].flatMap((foot) =>
        (["both", ...SIDES] as const).flatMap((load) =>
          FACINGS.flatMap((facing) => HAND_PLACES.map((hands): BodyState => ({ support, feet, foot, load, facing, hands }))),
        ),
      ),
    ),
  ).filter((state) => isPossible(state, place));

function buildGraph(place: VenueSupports): Graph {
  const states = statesOfPlace(place);
  const numbers = new Map(states.map((state, number) => [stateKey(state), number]));
  const edges = states.map((state) =>
    transitionStepsFrom(state, place).map((step): Edge => {
      const to = present(numbers.get(stateKey(step.to)), "state");
      return { to, cost: step.tenths + step.penalty, id: idOf(step), step };
    }),
  );
  return { states, numbers, edges, reaches: [new Map(), new Map()], fitting: new WeakMap() };
}

const graphs = new Map<string, Graph>();
const graphOfPlace = new WeakMap<VenueSupports, Graph>();

function graphOf(place: VenueSupports): Graph {
  const own = graphOfPlace.get(place);
  if (own) return own;
  const key = `${place.chairs} ${place.rail} ${place.pool}`;
  const graph = graphs.get(key) ?? buildGraph(place);
  graphs.set(key, graph);
  graphOfPlace.set(place, graph);
  return graph;
}

function fittingStates({ states, fitting }: Graph, pattern: EntryPattern): readonly number[] {
  const known = fitting.get(pattern);
  if (known) return known;
  const found = states.flatMap((state, number) => (fits(state, pattern) ? [number] : []));
  fitting.set(pattern, found);
  return found;
}

/**
 * Dijkstra's shortest paths (1959). Costs are whole and small, so a row of buckets stands in for the heap; a step always
 * costs something, so that a state is settled once its bucket is reached. Ways are unique: see `byCost`.
 */
function search(graph: Graph, start: number, may: (step: TransitionStep) => boolean): TransitionPaths {
  const { states, numbers, edges } = graph;
  const costs = new Int32Array(states.length).fill(-1);
  const ids: string[] = new Array(states.length).fill("");
  const before = new Int32Array(states.length).fill(-1);
  const by: (TransitionStep | null)[] = new Array(states.length).fill(null);
  const settled = new Uint8Array(states.length);
  const buckets: number[][] = [[start]];
  costs[start] = 0;
  for (let cost = 0; cost < buckets.length; cost += 1)
    for (const number of buckets[cost] ?? []) {
      if (settled[number] === 1 || costs[number] !== cost) continue;
      settled[number] = 1;
      for (const edge of itemAt(edges, number)) {
        if (!may(edge.step)) continue;
        const next = cost + edge.cost;
        const known = itemAt(costs, edge.to);
        if (known >= 0 && known < next) continue;
        const nextIds = itemAt(ids, number) + edge.id;
        if (known === next && byCost({ cost: known, ids: itemAt(ids, edge.to) }, { cost: next, ids: nextIds }) <= 0) continue;
        costs[edge.to] = next;
        ids[edge.to] = nextIds;
        before[edge.to] = number;
        by[edge.to] = edge.step;
        buckets[next] ??= [];
        itemAt(buckets, next).push(edge.to);
      }
    }
  const paths: (TransitionPath | undefined)[] = new Array(states.length);
  const pathTo = (number: number): TransitionPath => {
    const known = paths[number];
    if (known) return known;
    const steps: TransitionStep[] = [];
    for (let at = number; at !== start; at = itemAt(before, at)) steps.unshift(present(by[at], "step"));
    const path = { to: itemAt(states, number), cost: itemAt(costs, number), steps, ids: itemAt(ids, number) };
    paths[number] = path;
    return path;
  };
  return {
    to: (state) => {
      const number = numbers.get(stateKey(state));
      return number === undefined || itemAt(costs, number) < 0 ? null : pathTo(number);
    },
    toAll: (pattern) => fittingStates(graph, pattern).flatMap((number) => (itemAt(costs, number) >= 0 ? [pathTo(number)] : [])),
    everywhere: () => states.flatMap((_, number) => (itemAt(costs, number) >= 0 ? [pathTo(number)] : [])),
  };
}

const onlyHands = ({ kind }: TransitionStep): boolean => kind === "hands";
const anyLink = (): boolean => true;
const NOWHERE: TransitionPaths = { to: () => null, toAll: () => [], everywhere: () => [] };

/**
 * Every state that steps lead to from one, each by its cheapest path; kept, since a plan asks for the same few again.
 *
 * @param straight only the hands may go elsewhere, as when one movement runs on into the next
 * @returns nothing reached where the state is not possible in the place
 */
export function transitionPathsFrom(from: BodyState, place: VenueSupports, straight = false): TransitionPaths {
  const graph = graphOf(place);
  const number = graph.numbers.get(stateKey(from));
  if (number === undefined) return NOWHERE;
  const kept = graph.reaches[straight ? 1 : 0];
  const reach = kept.get(number) ?? search(graph, number, straight ? onlyHands : anyLink);
  kept.set(number, reach);
  return reach;
}
