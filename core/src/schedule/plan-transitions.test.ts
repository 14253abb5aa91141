import { formatTransitionProblem } from "@able-tide/words/schedule";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { cases } from "../test-size.fixture.ts";
import {
  type BodyState,
  type EntryPattern,
  type ExitChange,
  fits,
  isPossible,
  stateAfter,
  stateKey,
  type VenueSupports,
} from "./body-state.ts";
import { anyPlan, circumstances, HALL, mirrorState, planned } from "./plan.fixture.ts";
import { findTransitions, type PlanTransitions, type Waypoint } from "./plan-transitions.ts";
import { schedulePlan } from "./schedule-plan.ts";
import { statesOfPlace, transitionPathsFrom } from "./transition-graph.ts";
import { transitionStepsFrom } from "./transition-steps.ts";

const STANDING: BodyState = { support: "stand", feet: "hip", foot: null, load: "both", facing: 0, hands: "down" };
const anywhere: EntryPattern = { support: "stand", feet: null, load: null, facing: null, hands: null };
const POOL: VenueSupports = { chairs: false, rail: "left", pool: true };

describe("links", () => {
  test.each([
    ["a hall with a rail and chairs", HALL],
    ["a hall with nothing", { chairs: false, rail: null, pool: false }],
    ["a pool with a rail", POOL],
  ] as const)("in %s every state can be reached from every other", (_, place) => {
    const states = statesOfPlace(place);
    expect(states.length).toBeGreaterThan(500);
    const all = new Set(states.map(stateKey));
    const back = new Map<string, string[]>();
    for (const state of states)
      for (const { to } of transitionStepsFrom(state, place))
        back.set(stateKey(to), [...(back.get(stateKey(to)) ?? []), stateKey(state)]);
    const home = itemAt(states, 0);
    // From one to everything, and from everything to that one: so from each to each.
    expect(transitionPathsFrom(home, place).everywhere()).toHaveLength(states.length);
    const reached = new Set([stateKey(home)]);
    for (const key of reached) for (const before of back.get(key) ?? []) reached.add(before);
    expect(reached).toEqual(all);
  });

  test("whatever moves standing leaves the weight on a foot that stays", () => {
    for (const state of statesOfPlace(HALL)) {
      expect(isPossible(state, HALL)).toBe(true);
      for (const { kind, side, to } of transitionStepsFrom(state, HALL)) {
        if (state.support !== "stand" || side === null || side === "both" || kind === "shift" || kind === "turn") continue;
        expect(state.load, `${kind} ${side}`).toBe(side === "left" ? "right" : "left");
        expect(to.load).toBe(state.load);
      }
    }
  });

  test("no one stands up or sits down with full hands, on spread feet or turned away from the chair", () => {
    for (const state of statesOfPlace(HALL))
      for (const { kind, to } of transitionStepsFrom(state, HALL))
        if (kind === "sit" || kind === "stand")
          expect([state.feet, state.load, state.facing, state.hands, to.support]).toEqual([
            "hip",
            "both",
            0,
            "down",
            kind === "sit" ? "seat" : "stand",
          ]);
  });

  test("a mirrored state has mirrored links", () => {
    const mirrored: VenueSupports = { ...HALL, rail: "left" };
    for (const state of statesOfPlace(HALL)) {
      const there = transitionStepsFrom(state, HALL).map(({ to }) => stateKey(mirrorState(to)));
      const here = transitionStepsFrom(mirrorState(state), mirrored).map(({ to }) => stateKey(to));
      expect(here.toSorted()).toEqual(there.toSorted());
    }
  });
});

/** A few states close together, so that every way can be tried. */
const near = fc.constantFrom<BodyState>(
  ...transitionPathsFrom(STANDING, { chairs: false, rail: null, pool: false })
    .everywhere()
    .filter(({ to, cost }) => cost <= 40 && to.hands !== "belly" && !to.hands.startsWith("ball"))
    .map(({ to }) => to),
);
const anyStop: fc.Arbitrary<Waypoint> = fc
  .record({ begins: near, ends: near, open: fc.tuple(fc.boolean(), fc.boolean(), fc.boolean(), fc.boolean()) })
  .map(({ begins, ends, open: [feet, load, hands, keeps] }) => {
    const entry: EntryPattern = {
      support: begins.support,
      feet: feet ? null : { kind: begins.feet, foot: begins.foot },
      load: load ? null : begins.load,
      facing: null,
      hands: hands ? null : begins.hands,
    };
    const exit: ExitChange = {
      support: ends.support,
      feet: keeps ? null : { kind: ends.feet, foot: ends.foot },
      load: keeps ? null : ends.load,
      hands: keeps ? null : ends.hands,
    };
    return { entry, exit, straight: false };
  });

/** The cheapest chain by trying every way of every stop. */
function bruteForce(stops: readonly Waypoint[], from: BodyState, leave: EntryPattern, place: VenueSupports): number {
  const [stop, ...rest] = stops;
  const ways = transitionPathsFrom(from, place).everywhere();
  if (!stop) return Math.min(...ways.filter(({ to }) => fits(to, leave)).map(({ cost }) => cost));
  return Math.min(
    ...ways
      .filter(({ to, cost }) => fits(to, stop.entry) && cost <= 90)
      .map(({ to, cost }) => cost + bruteForce(rest, stateAfter(to, stop.exit), leave, place)),
  );
}

const bare: VenueSupports = { chairs: false, rail: null, pool: false };

describe("joining", () => {
  test("the chain over the whole plan is a shortest one, tried against every way", () => {
    fc.assert(
      fc.property(fc.array(anyStop, { minLength: 1, maxLength: 2 }), near, (stops, home) => {
        const joined = findTransitions(stops, home, anywhere, bare);
        expect(joined.cost).toBe(bruteForce(stops, home, anywhere, bare));
      }),
      { numRuns: cases(10, 200) },
    );
  });

  test("a part left open early is settled by what comes later", () => {
    const open: Waypoint = {
      entry: anywhere,
      exit: { support: "stand", feet: null, load: null, hands: "front" },
      straight: false,
    };
    const bow: Waypoint = {
      entry: { ...anywhere, feet: { kind: "bow", foot: "right" }, load: "both" },
      exit: { support: "stand", feet: null, load: null, hands: null },
      straight: false,
    };
    const { transitions, cost } = findTransitions([bow, open, bow], STANDING, anywhere, bare);
    expect(transitions.map(({ steps }) => steps.length)).toEqual([3, 0, 0]);
    expect(cost).toBe(10 + 20 + 10);
  });

  const eachSeam = ({ transitions, leaving }: PlanTransitions) => [...transitions, leaving];

  test("links lead from where one thing ended to where the next begins, and it never begins on a foot that has to lift", () => {
    fc.assert(
      fc.property(fc.array(anyStop, { maxLength: 5 }), near, (stops, home) => {
        const joined = findTransitions(stops, home, anywhere, bare);
        for (const [i, { from, to, steps, problem }] of eachSeam(joined).entries()) {
          let state = from;
          for (const link of steps) {
            expect(transitionStepsFrom(state, bare).map((each) => stateKey(each.to))).toContain(stateKey(link.to));
            state = link.to;
          }
          expect(stateKey(state)).toBe(stateKey(to));
          expect(problem).toBeNull();
          const stop = stops[i];
          if (stop) expect(fits(to, stop.entry)).toBe(true);
          if (to.feet === "lift") expect(to.load).not.toBe(to.foot);
        }
      }),
      { numRuns: cases(60, 600) },
    );
  });

  test("the same question has the same answer, and a mirrored one the mirrored answer at the same cost", () => {
    const mirrorOpen = <Pattern extends EntryPattern | ExitChange>(pattern: Pattern): Pattern => {
      const swap = (side: "left" | "right") => (side === "left" ? "right" : "left");
      return {
        ...pattern,
        feet: pattern.feet && { ...pattern.feet, foot: pattern.feet.foot && swap(pattern.feet.foot) },
        load: pattern.load === "left" || pattern.load === "right" ? swap(pattern.load) : pattern.load,
      };
    };
    fc.assert(
      fc.property(fc.array(anyStop, { maxLength: 4 }), near, (stops, home) => {
        const once = findTransitions(stops, home, anywhere, bare);
        expect(findTransitions(stops, home, anywhere, bare)).toEqual(once);
        const mirrored = stops.map(({ entry, exit, straight }) => ({
          entry: mirrorOpen(entry),
          exit: mirrorOpen(exit),
          straight,
        }));
        expect(findTransitions(mirrored, mirrorState(home), anywhere, bare).cost).toBe(once.cost);
      }),
      { numRuns: cases(40, 400) },
    );
  });
});

describe("what cannot be", () => {
  const weightOn = (load: "left" | "right"): ExitChange => ({ support: "stand", feet: null, load, hands: null });
  const needs = (load: "left" | "right" | "both"): EntryPattern => ({ ...anywhere, load });
  const problemOf = (exit: ExitChange, entry: EntryPattern, place = bare) =>
    findTransitions(
      [
        { entry: anywhere, exit, straight: false },
        { entry, exit: weightOn("left"), straight: true },
      ],
      STANDING,
      anywhere,
      place,
    ).transitions[1]?.problem ?? null;

  test.each([
    [weightOn("right"), needs("left"), "Cannot start: weight is on the right leg, which has to step"],
    [weightOn("left"), needs("right"), "Cannot start: weight is on the left leg, which has to step"],
    [weightOn("left"), needs("both"), "Needs a pause: weight is on one leg, but this movement starts on both"],
    [
      { ...weightOn("left"), load: null },
      { ...anywhere, feet: { kind: "bow", foot: "right" } },
      "Needs a pause: participants stand with feet hip-width apart, but this movement starts with right foot forward",
    ],
    [weightOn("left"), { ...anywhere, support: "seat" }, "Cannot start: there are no chairs in this venue"],
    [weightOn("left"), { ...anywhere, hands: "railLeft" }, "Cannot start: there is no rail on that side of the room"],
  ] as const)("is said in words (%#)", (exit, entry, words) => {
    const problem = problemOf(exit, entry);
    expect(problem && formatTransitionProblem(problem)).toBe(words);
  });

  test("running straight on is no problem where nothing but the hands has to change", () => {
    expect(problemOf({ ...weightOn("left"), hands: "up" }, { ...needs("left"), hands: "front" })).toBeNull();
  });

  test("a plan's own blocks: hip wide does not run straight on into a bow, and with links it does", () => {
    const straight = schedulePlan(planned("settling-breath", { movementId: "shift-and-press", straight: true }), circumstances());
    expect(straight.blocks[1]?.transition.problem?.kind).toBe("feet");
    const linked = schedulePlan(planned("settling-breath", "shift-and-press"), circumstances());
    expect(linked.blocks[1]?.transition.problem).toBeNull();
    expect(linked.blocks[1]?.transition.steps.map(({ phrase, side }) => [phrase, side])).toEqual([
      ["handsTo", null],
      ["weightTo", "left"],
      ["footForward", "right"],
      ["weightOnBoth", "both"],
    ]);
  });

  test("in any plan of the hall each transition has links that lead to it, or says why not", () => {
    fc.assert(
      fc.property(anyPlan, (blocks) => {
        for (const { transition, block } of schedulePlan(blocks, circumstances()).blocks)
          if (transition.problem !== null) expect(block.straight).toBe(true);
      }),
      { numRuns: cases(20, 200) },
    );
  });
});
