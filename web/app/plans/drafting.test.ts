import type { PlanTiming } from "@able-tide/core/leading/timed-fit";
import { USUAL_STYLE } from "@able-tide/core/plan/style";
import { HALL } from "@able-tide/core/schedule/plan.fixture";
import { expect, test } from "vitest";
import { handRunner, settle } from "../../jobs/hand-runner.fixture.ts";
import type { DraftedPlan, DraftsInput } from "../../jobs/planning-jobs.ts";
import { smallFit } from "../../jobs/work.fixture.ts";
import { createDrafting } from "./drafting.ts";

const { plan, people } = smallFit();
const input = { people } as unknown as DraftsInput;
const timing: PlanTiming = {
  items: [],
  setting: { seatedOnly: false, supports: HALL, week: 0, slowestCycle: 0, taught: {} },
  style: USUAL_STYLE,
  breathSeconds: 8,
};
const draft = (number: number): DraftedPlan => ({ number, blocks: [], shown: [], total: 600, plan, timing });
const fitted = (...kept: number[]) => ({
  rows: new Map(kept.map((share, i) => [`p${i}`, { fidelity: share }])),
  gap: 0,
  sheet: { timed: [] },
});

test("drafts are shown as they come, each once, and then fitted", async () => {
  const { runner, latest, jobs } = handRunner();
  const drafting = createDrafting(runner);
  drafting.request(input);
  const drafts = latest("drafts");
  drafts.progress(draft(0));
  expect(drafting.get().drafts).toMatchObject([{ number: 0, fit: null }]);
  drafts.end({ drafts: [draft(0), draft(1)], broken: ["newMovements"] });
  await settle();
  expect(drafting.get().drafts.map(({ number }) => number)).toEqual([0, 1]);
  const fits = jobs.filter(({ name }) => name === "fit");
  expect(fits).toHaveLength(2);
  fits[1]?.end(fitted(0.5, 0.9));
  await settle();
  expect(drafting.get().drafts[1]?.fit).toEqual({ fidelity: 0.7, least: { personId: "p0", share: 0.5 }, total: 66 });
  expect(drafting.get().broken).toEqual(["newMovements"]);
  expect(drafting.get().drafts[0]?.fit).toBeNull();
});

test("asking again drops the drafts of before and all that is late of them", async () => {
  const { runner, jobs } = handRunner();
  const drafting = createDrafting(runner);
  drafting.request(input);
  jobs[0]?.progress(draft(0));
  drafting.request(input);
  expect(drafting.get().drafts).toEqual([]);
  jobs[0]?.progress(draft(1));
  jobs[1]?.end(fitted(1));
  await settle();
  expect(drafting.get().drafts).toEqual([]);
  expect(jobs.slice(0, 2).every(({ signal }) => signal?.aborted)).toBe(true);
});

test("where there is no participant a draft is not fitted", async () => {
  const { runner, latest, jobs } = handRunner();
  const drafting = createDrafting(runner);
  drafting.request({ ...input, people: [] });
  latest("drafts").end({ drafts: [draft(0)], broken: [] });
  await settle();
  expect(drafting.get().drafts).toMatchObject([{ fit: null }]);
  expect(jobs.map(({ name }) => name)).toEqual(["drafts"]);
});

test("a worker that fails twice is told", async () => {
  const { runner, jobs } = handRunner();
  const drafting = createDrafting(runner);
  drafting.request(input);
  jobs[0]?.fail(new Error("The worker stopped."));
  await settle();
  jobs[1]?.fail(new Error("The worker stopped."));
  await settle();
  expect(drafting.get().failed).toBe(true);
});
