import fc from "fast-check";
import { load } from "../movement/library.fixture.ts";
import { type Combination, type CombinationPass, PART_ORDERS, USUAL_PASSES } from "../plan/combination.ts";
import { mirroredFacing, type PlanItem } from "../plan/plan-item.ts";
import { USUAL_STYLE } from "../plan/style.ts";
import { otherSide } from "../side.ts";
import type { BodyState, HandPlace, VenueSupports } from "./body-state.ts";
import type { PlanItemWithMovement } from "./items-with-movements.ts";
import type { PlanContext } from "./schedule-plan.ts";

export const HALL: VenueSupports = { chairs: true, rail: "right", pool: false };

/** Everything known, a usual hall, eight seconds a breath. */
export const circumstances = (differs: Partial<PlanContext> = {}): PlanContext => ({
  style: { ...USUAL_STYLE, counting: "together", depth: "middle" },
  breathSeconds: 8,
  seatedOnly: false,
  supports: HALL,
  week: 0,
  slowestCycle: 0,
  familiarityWith: () => "known",
  ...differs,
});

/** Blocks by the ids of their movements, six repetitions each unless said otherwise. */
export const planned = (...blocks: (string | (Partial<PlanItem> & { readonly movementId: string }))[]): PlanItemWithMovement[] =>
  blocks.map((each, i) => {
    const said = typeof each === "string" ? { movementId: each } : each;
    const item = { block: { id: `b${i + 1}`, rounds: 6, ...said }, movement: load(said.movementId) };
    const parts = said.combined?.parts.map(({ movementId }) => load(movementId));
    return parts ? { ...item, parts } : item;
  });

const MOVEMENTS = [
  "settling-breath",
  "shift-and-press",
  "side-drift",
  "one-leg-toe-near",
  "march-opposite-hand",
  "quiet-feet",
  "turn-the-ball",
  "hinge-and-lengthen",
  "waves-with-both-hands",
] as const;

const side = fc.constantFrom("left" as const, "right" as const);
const maybe = <Key extends string, Value>(key: Key, value: fc.Arbitrary<Value>) =>
  fc.option(value, { nil: undefined }).map((chosen) => (chosen === undefined ? {} : { [key]: chosen }));

/** Any block of the hall: sided or not, on one side or both, seated, at the rail, turned, straight on. */
const anyBlock: fc.Arbitrary<Partial<PlanItem> & { readonly movementId: string }> = fc
  .tuple(
    fc.record({ movementId: fc.constantFrom(...MOVEMENTS), rounds: fc.integer({ min: 1, max: 8 }) }),
    maybe("first", side),
    maybe("only", side),
    fc.oneof(maybe("as", fc.constant("seated" as const)), maybe("hold", side), maybe("facing", fc.constantFrom(0, 1, 2, 3))),
    maybe("straight", fc.boolean()),
    maybe("talk", fc.integer({ min: 0, max: 60 })),
  )
  .map((parts) => Object.assign({}, ...parts));

/** A combination of some movements, as an item by itself. */
export const combined = (
  movementIds: readonly string[],
  differs: Partial<Combination> = {},
): Pick<PlanItem, "movementId" | "combined"> => ({
  movementId: movementIds[0] ?? "",
  combined: {
    name: "Harbour wall",
    parts: movementIds.map((movementId) => ({ movementId })),
    order: "sides",
    passes: USUAL_PASSES,
    ...differs,
  },
});

/** Any combination of two or three movements of the hall. */
export const anyCombination: fc.Arbitrary<Combination> = fc.record({
  name: fc.constant("Harbour wall"),
  parts: fc.array(
    fc.tuple(fc.constantFrom(...MOVEMENTS), maybe("times", fc.integer({ min: 1, max: 3 }))).map(([movementId, times]) => ({
      movementId,
      ...times,
    })),
    { minLength: 2, maxLength: 3 },
  ),
  order: fc.constantFrom(...PART_ORDERS),
  passes: fc.array(
    fc
      .tuple(
        fc.record({ how: fc.constantFrom("parts" as const, "joined" as const) }),
        maybe("quiet", fc.constant(true as const)),
        maybe("side", fc.constantFrom("first" as const, "other" as const)),
        maybe("rounds", fc.integer({ min: 1, max: 5 })),
        maybe("breathSeconds", fc.integer({ min: 6, max: 10 })),
      )
      .map((parts): CombinationPass => Object.assign({}, ...parts)),
    { minLength: 1, maxLength: 3 },
  ),
});

export const anyPlan: fc.Arbitrary<PlanItemWithMovement[]> = fc
  .array(anyBlock, { minLength: 1, maxLength: 7 })
  .map((blocks) => planned(...blocks));

/** The mirror image of a state. Twice is the same state. */
export const mirrorState = (state: BodyState): BodyState => ({
  ...state,
  foot: state.foot && otherSide(state.foot),
  load: state.load === "both" ? "both" : otherSide(state.load),
  facing: mirroredFacing(state.facing),
  hands: swapped[state.hands] ?? state.hands,
});
const swapped: Partial<Record<HandPlace, HandPlace>> = {
  ballLeft: "ballRight",
  ballRight: "ballLeft",
  railLeft: "railRight",
  railRight: "railLeft",
};
