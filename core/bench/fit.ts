import loadHighs from "highs";
import { USUAL_BODY } from "../src/body/build.ts";
import type { Cap, CapLimit } from "../src/caps/cap.ts";
import { fitPlanOf } from "../src/fit/fit-plan.ts";
import { fitGroup } from "../src/fit/group.ts";
import { optimizeSession } from "../src/fit/optimize-session.ts";
import { createFitMemory, type FitPerson } from "../src/fit/session.ts";
import { buildSessionIlp } from "../src/fit/session-ilp.ts";
import type { SessionItem, SessionLimits } from "../src/fit/session-rules.ts";
import { gapOf } from "../src/fit/share-out.ts";
import { createVariantCache } from "../src/fit/variant-cache.ts";
import { leadInTimeIncrementally, type PlanTiming } from "../src/leading/timed-fit.ts";
import type { Movement } from "../src/movement/format.ts";
import { USUAL_STYLE } from "../src/plan/style.ts";
import { runToCompletion } from "../src/run-to-completion.ts";
import { type PlanContext, schedulePlan } from "../src/schedule/schedule-plan.ts";
import type { VenueResources } from "../src/venues/resources.ts";

/** Milliseconds and how near the best, over some cases made up afresh each run. */
export interface FitMeasured {
  readonly name: string;
  readonly cases: number;
  readonly median: number;
  readonly percentile95: number;
  /** Loss against what is proven best, or the gap to the bound; shares. */
  readonly closeness: { readonly what: "loss" | "gap"; readonly median: number; readonly percentile95: number };
}

const at = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0;

const measured = (name: string, times: readonly number[], what: "loss" | "gap", closeness: readonly number[]): FitMeasured => ({
  name,
  cases: times.length,
  median: at(times, 0.5),
  percentile95: at(times, 0.95),
  closeness: { what, median: at(closeness, 0.5), percentile95: at(closeness, 0.95) },
});

const chance = (share: number): boolean => Math.random() < share;
const between = (least: number, most: number): number => least + Math.random() * (most - least);

/** A session of so many items with so many options each, half of them on the feet, and limits on some of its sums. */
function anySession(blocks: number, perItem: number): { blocks: SessionItem[]; limits: SessionLimits } {
  const made = Array.from({ length: blocks }, (): SessionItem => {
    const seconds = Math.round(between(60, 150));
    const options = Array.from({ length: perItem - 1 }, () => {
      const onFeet = chance(0.55);
      const worth = Math.min(1, (onFeet ? 0.5 : 0.3) + between(0, 0.5));
      const leg = () => (onFeet && chance(0.3) ? between(0, 12) : 0);
      return {
        worth,
        onFeet,
        rests: false,
        spends: [onFeet ? seconds : 0, leg(), leg(), worth * between(0, 40), worth * between(0, 40)],
      };
    });
    return {
      seconds,
      change: chance(0.1) ? { rise: 0, sit: 0 } : { rise: 0.06, sit: 0.06 },
      options: [...options, { worth: 0, onFeet: false, rests: true, spends: [0, 0, 0, 0, 0] }],
    };
  });
  const total = made.reduce((sum, { seconds }) => sum + seconds, 0);
  const some = (share: number, limit: number) => (chance(share) ? limit : Number.POSITIVE_INFINITY);
  return {
    blocks: made,
    limits: {
      sums: [
        some(0.6, total * between(0.2, 0.7)),
        some(0.5, blocks * between(0.5, 2.5)),
        some(0.5, blocks * between(0.5, 2.5)),
        some(0.5, blocks * between(3, 11)),
        some(0.5, blocks * between(3, 11)),
      ],
      run: some(0.5, between(300, 900)),
    },
  };
}

/** Seconds that the referee is given for one case; what it then has is the best known. */
const REFEREE_SECONDS = 10;

async function onePerson(blocks: number, options: number, cases: number): Promise<FitMeasured> {
  const highs = await loadHighs();
  for (let i = 0; i < 3; i += 1) {
    const { blocks: warm, limits } = anySession(blocks, options);
    optimizeSession(warm, limits);
  }
  const times: number[] = [];
  const losses: number[] = [];
  for (let i = 0; i < cases; i += 1) {
    const session = anySession(blocks, options);
    const start = performance.now();
    const { worth } = optimizeSession(session.blocks, session.limits);
    times.push(performance.now() - start);
    const { Status, ObjectiveValue } = highs.solve(buildSessionIlp(session.blocks, session.limits), {
      mip_rel_gap: 0,
      time_limit: REFEREE_SECONDS,
    });
    if (Status === "Optimal") losses.push(Math.max(0, (ObjectiveValue - worth) / ObjectiveValue));
  }
  return measured(`one person, ${blocks} plan items with ${options} options, after one change`, times, "loss", losses);
}

const LIMITS: readonly (() => CapLimit)[] = [
  () => ({ channel: "handHeight", side: chance(0.5) ? "left" : "right", limit: "shoulder" }),
  () => ({ channel: "steadiness", limit: between(2.5, 7) }),
  () => ({ channel: "loadedKnee", side: "both", limit: between(25, 60) }),
  () => ({ channel: "dorsiflexion", side: "left", limit: between(6, 14) }),
  () => ({ channel: "standingMinutes", limit: between(5, 20) }),
  () => ({ channel: "standingMinutesAtATime", limit: between(5, 12) }),
  () => ({ channel: "oneLegSeconds", side: "both", limit: between(0, 5) }),
  () => ({ channel: "handsUpSecondsInAll", side: "both", limit: between(60, 300) }),
  () => ({ channel: "heldStanding" }),
  () => ({ channel: "handToRise" }),
];
const anyCaps = (): Cap[] =>
  LIMITS.flatMap((limit, i) =>
    chance(0.3)
      ? [
          {
            id: `c${i}`,
            limit: limit(),
            forms: null,
            reason: "",
            source: "",
            strength: "firm" as const,
            from: "2026-01-01",
            until: null,
            dateKind: "review" as const,
          },
        ]
      : [],
  );
const anyone = (i: number): FitPerson => ({
  id: `p${String(i).padStart(2, "0")}`,
  stature: Math.round(100 * between(1.45, 1.85)) / 100,
  measured: USUAL_BODY,
  caps: anyCaps(),
});

/** A hall in which the rail is short. */
const hallFor = (people: number): VenueResources => ({ chairs: people, rail: Math.floor(people / 2), helpers: 2, pool: null });

function groupCases(
  movements: readonly Movement[],
  context: PlanContext,
  people: number,
  blocks: number,
  cases: number,
): FitMeasured[] {
  const name = `group of ${people}, ${blocks} plan items`;
  const pick = () => movements[Math.floor(Math.random() * movements.length)] as Movement;
  const planOf = (list: readonly Movement[]) =>
    fitPlanOf(
      schedulePlan(
        list.map((movement, i) => ({ block: { id: `b${i}`, movementId: movement.id, rounds: 4 }, movement })),
        context,
      ),
      hallFor(people),
      USUAL_STYLE,
    );
  const kinds = ["cold", "one person's caps changed", "one plan item changed"] as const;
  const times = kinds.map((): number[] => []);
  const gaps = kinds.map((): number[] => []);
  for (let i = 0; i < cases; i += 1) {
    const variants = createVariantCache();
    const memory = createFitMemory();
    const list = Array.from({ length: blocks }, pick);
    const group = Array.from({ length: people }, (_, person) => anyone(person));
    const changedGroup = group.map((person, p) => (p === 3 ? { ...person, caps: anyCaps() } : person));
    const questions = [
      [planOf(list), group],
      [planOf(list), changedGroup],
      [planOf(list.toSpliced(Math.floor(blocks / 2), 1, pick())), changedGroup],
    ] as const;
    questions.forEach(([plan, everybody], kind) => {
      const start = performance.now();
      const fitted = fitGroup(plan, everybody, variants, memory);
      times[kind]?.push(performance.now() - start);
      gaps[kind]?.push(gapOf(fitted));
    });
  }
  return kinds.map((kind, i) => measured(`${name}, ${kind}`, times[i] ?? [], "gap", gaps[i] ?? []));
}

/** The fit that one person can lead: how long the free fit takes, how much later the sheet is there, and what it loses. */
function ledCases(movements: readonly Movement[], context: PlanContext, people: number, blocks: number, cases: number) {
  const name = `group of ${people}, ${blocks} plan items`;
  const free: number[] = [];
  const later: number[] = [];
  const gaps: number[] = [];
  const losses: number[] = [];
  for (let i = 0; i < cases; i += 1) {
    const list = Array.from({ length: blocks }, () => movements[Math.floor(Math.random() * movements.length)] as Movement);
    const group = Array.from({ length: people }, (_, p) => anyone(p));
    const items = list.map((movement, at) => ({ block: { id: `b${at}`, movementId: movement.id, rounds: 4 }, movement }));
    const plan = fitPlanOf(schedulePlan(items, context), hallFor(people), USUAL_STYLE);
    const { style, breathSeconds } = context;
    const timing: PlanTiming = { items, setting: { ...context, taught: {} }, style, breathSeconds };
    const start = performance.now();
    const fitted = fitGroup(plan, group, createVariantCache(), createFitMemory());
    const between = performance.now();
    const { led } = runToCompletion(leadInTimeIncrementally(plan, group, fitted, timing));
    free.push(between - start);
    later.push(performance.now() - between);
    gaps.push(gapOf(fitted));
    losses.push(led.freeMatch - led.match);
  }
  return [
    measured(`${name}, free fit, cold`, free, "gap", gaps),
    measured(`${name}, how it is led, after the free fit`, later, "loss", losses),
  ];
}

/** Speed and closeness of the fit, with fresh chance each run. */
export async function benchFit(movements: readonly Movement[], context: PlanContext) {
  const measuredCases = [
    await onePerson(20, 12, 60),
    await onePerson(40, 24, 20),
    ...groupCases(movements, context, 16, 20, 4),
    ...ledCases(movements, context, 10, 16, 12),
    ...groupCases(movements, context, 40, 40, 1),
  ];
  return { fit: measuredCases, megabytes: Math.round(process.memoryUsage().rss / 1e6) };
}
