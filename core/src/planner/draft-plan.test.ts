import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY, USUAL_BUILD } from "../body/build.ts";
import { capOf } from "../caps/cap.fixture.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { hasLandVariant } from "../movement/format.ts";
import { loadAll } from "../movement/library.fixture.ts";
import type { SessionPurpose } from "../plan/purpose.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { outOfOrder, readPhases } from "../schedule/phases.ts";
import { circumstances } from "../schedule/plan.fixture.ts";
import { problemsOf } from "../schedule/schedule-plan.ts";
import { readContent } from "./content.ts";
import { draftPlanIncrementally, type PlanDraft, type PlanDraftInput } from "./draft-plan.ts";
import { ON_TIME, overrunSeconds } from "./fix-duration.ts";

const propose = (input: PlanDraftInput): PlanDraft => runToCompletion(draftPlanIncrementally(input));

const variants = createVariantCache();
const movements = loadAll().filter(hasLandVariant);
/** How it arrives and settles the group knows, and two in three of the others. */
const KNOWN = new Set(
  movements.filter(({ phase }, i) => phase === "arrive" || phase === "settle" || i % 3 !== 0).map(({ id }) => id),
);
const ask = (differs: Partial<PlanDraftInput> = {}): PlanDraftInput => ({
  movements,
  context: circumstances({ familiarityWith: (id) => (KNOWN.has(id) ? "known" : "new") }),
  time: { minutes: 45, changing: 0 },
  posture: "any",
  purpose: "steadiness",
  news: 2,
  people: [{ build: USUAL_BUILD, caps: [] }],
  variants,
  unlike: [],
  ...differs,
});
let asked: PlanDraft | null = null;
/** The answer to the usual question, found once. */
const usual = (): PlanDraft => {
  asked ??= propose(ask());
  return asked;
};
const idsOf = ({ blocks }: PlanDraft) => blocks.map(({ movementId }) => movementId);

describe("a proposed plan", () => {
  test.each<[number, SessionPurpose, boolean]>([
    [45, "steadiness", false],
    [30, "hipsAndKnees", false],
    [40, "neckAndShoulders", true],
  ])("of %d minutes for %s joins up, is even, in order, on time and for its purpose", (minutes, purpose, seatedOnly) => {
    const { analysis } = propose(ask({ time: { minutes, changing: 0 }, purpose, context: circumstances({ seatedOnly }) }));
    expect(problemsOf(analysis.reading)).toEqual([]);
    expect(analysis.uneven).toEqual([]);
    expect(outOfOrder(analysis.reading)).toEqual([]);
    expect(overrunSeconds(analysis, { minutes, changing: 0 })).toBeLessThanOrEqual(ON_TIME.late);
    expect(overrunSeconds(analysis, { minutes, changing: 0 })).toBeGreaterThanOrEqual(-ON_TIME.early);
    expect(readPhases(analysis.reading).filter(({ shortBy, overBy: much }) => shortBy + much > 5)).toEqual([]);
    expect(readContent(analysis, purpose).find(({ content }) => content === purpose)?.missing).toBeLessThan(10);
  });

  test("has as many new movements as asked for", () => {
    const fresh = ({ analysis }: PlanDraft) => analysis.reading.blocks.filter(({ familiarity }) => familiarity === "new");
    expect(fresh(propose(ask({ news: 0 })))).toHaveLength(0);
    expect(fresh(usual())).toHaveLength(2);
  });

  test.each(["standing", "seated", "mixed"] as const)("for a mixed group is %s where that is asked for", (posture) => {
    const sits = buildOf({ ...USUAL_BODY, wheelchair: true }, 1.7);
    const people = [USUAL_BUILD, sits, sits].map((build) => ({ build, caps: [] }));
    const { analysis, broken } = propose(ask({ posture, people, news: null }));
    const kinds = new Set(analysis.reading.blocks.map(({ plannedVariant }) => plannedVariant.kind === "seated"));
    expect(broken).toEqual([]);
    expect([...kinds].sort()).toEqual({ standing: [false], seated: [true], mixed: [false, true] }[posture]);
  });

  test("says which rules it breaks, where there is no other way", () => {
    const { broken } = propose(ask({ news: 3, movements: movements.filter(({ id }) => KNOWN.has(id)) }));
    expect(broken).toContain("newMovements");
  });

  test("says why of every block", () => {
    const { blocks, why } = usual();
    for (const { id } of blocks) expect(why[id]?.length).toBeGreaterThan(2);
  });

  test("the same question has the same answer; one that should differ does", () => {
    const first = usual();
    expect(idsOf(propose(ask()))).toEqual(idsOf(first));
    const second = propose(ask({ unlike: [idsOf(first)] }));
    // There are few ways to arrive and to settle; what lies between should not be the same again.
    const between = ({ analysis }: PlanDraft) =>
      analysis.reading.blocks.filter(({ phase }) => phase === "loosen" || phase === "flow").map(({ movement }) => movement.id);
    const shared = between(second).filter((id) => between(first).includes(id));
    expect(shared.length).toBeLessThanOrEqual(0.6 * between(second).length);
  });

  test("keeps to what the people can do as it is shown", () => {
    const sore = ask({
      purpose: null,
      people: [{ build: USUAL_BUILD, caps: [capOf({ channel: "handHeight", side: "both", limit: "shoulder" })] }],
    });
    const high = (proposal: PlanDraft) =>
      proposal.analysis.demands.filter((turns) => turns.some((demand) => Math.max(...demand.handAboveShoulderSeconds) > 0.5))
        .length;
    expect(high(propose(sore))).toBeLessThan(high(propose(ask({ purpose: null }))));
  });

  test("for people who sit there is a plan on chairs", () => {
    const build = buildOf({ ...USUAL_BODY, wheelchair: true }, 1.7);
    const { analysis } = propose(
      ask({ context: circumstances({ seatedOnly: true }), people: [{ build, caps: [] }], purpose: "memory" }),
    );
    expect(analysis.reading.blocks.every(({ plannedVariant }) => plannedVariant.kind === "seated")).toBe(true);
  });
});
