import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import { describe, expect, test, vi } from "vitest";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { handRunner, settle } from "../../jobs/hand-runner.fixture.ts";
import { smallFit } from "../../jobs/work.fixture.ts";
import { createBoardFit } from "./board-fit.ts";

const row = (kept: number): ShownRow => ({ cells: [], sums: {} as ShownRow["sums"], fidelity: kept });
const rows = (kept: number) => new Map([["high", row(kept)]]);
const first = smallFit();
/** Another plan: ranges as large as caps allow. */
const second = { ...smallFit(), plan: { ...smallFit().plan, workingShare: 1 } };

function begun(quiet = 0) {
  const hand = handRunner();
  const fit = createBoardFit(hand.runner, quiet);
  fit.fitPlan(first.plan, first.people);
  return { ...hand, fit };
}
const sheet: SessionSheet = {
  items: [],
  match: 0.4,
  freeMatch: 0.5,
  versions: 3,
  changes: 0,
  handRises: 0,
  overHands: [],
  timed: [],
};
const count = (jobs: readonly { readonly name: string }[], name: string) => jobs.filter((job) => job.name === name).length;

describe("the fit of a board", () => {
  test("shows rows as they come, and the gap once all are fitted", async () => {
    const { fit, latest } = begun();
    latest("fit").progress({ personId: "high", row: row(0.5) });
    expect(fit.get().rows.get("high")?.fidelity).toBe(0.5);
    expect(fit.get().gap).toBeNull();
    latest("fit").end({ rows: rows(0.6), gap: 0 });
    await settle();
    expect(fit.get()).toMatchObject({ gap: 0, rows: rows(0.6) });
  });

  test("stops the fit of an earlier plan, keeps its rows on screen and shows nothing late of it", async () => {
    const { fit, jobs } = begun();
    jobs[0]?.progress({ personId: "high", row: row(0.5) });
    fit.fitPlan(second.plan, second.people);
    expect(jobs[0]?.signal?.aborted).toBe(true);
    expect(fit.get().rows.get("high")?.fidelity).toBe(0.5);
    jobs[0]?.progress({ personId: "high", row: row(0.9) });
    jobs[0]?.end({ rows: rows(0.9), gap: 0 });
    await settle();
    expect(fit.get()).toMatchObject({ gap: null, rows: rows(0.5), of: { plan: second.plan } });
  });

  test("searches longer only where there is a gap, in the background, and shows what that finds", async () => {
    const { latest, fit, jobs } = begun();
    latest("fit").end({ rows: rows(0.6), gap: 0.2 });
    await vi.waitFor(() => expect(count(jobs, "refine")).toBe(1));
    expect(latest("refine").priority).toBe(PRIORITY.background);
    const better = { holds: [], gain: 0.01 };
    latest("refine").end({ gap: 0.05, better });
    await settle();
    expect(fit.get()).toMatchObject({ gap: 0.05, better });
  });

  test("does not search longer for a plan that has changed, nor without a gap", async () => {
    const { fit, jobs } = begun();
    jobs[0]?.end({ rows: rows(0.6), gap: 0.2 });
    await settle();
    fit.fitPlan(second.plan, second.people);
    jobs[1]?.end({ rows: rows(0.6), gap: 0 });
    for (let i = 0; i < 5; i += 1) await settle();
    expect(count(jobs, "refine")).toBeLessThanOrEqual(1);
    expect(jobs.filter(({ name }) => name === "refine").every(({ signal }) => signal?.aborted)).toBe(true);
  });

  test("explains the chosen cell once everyone is fitted, and again after the next fit", async () => {
    const { fit, jobs, latest } = begun();
    fit.chooseCell({ personId: "high", blockId: "b0" });
    expect(count(jobs, "explain")).toBe(0);
    jobs[0]?.end({ rows: rows(0.6), gap: 0 });
    await settle();
    expect(latest("explain").input).toMatchObject({ personId: "high", blockId: "b0" });
    expect(latest("explain").priority).toBe(PRIORITY.question);
    latest("explain").end({ caps: [], without: 1, ways: [] });
    await settle();
    expect(fit.get().explained).toMatchObject({ personId: "high", blockId: "b0", without: 1 });
    fit.fitPlan(second.plan, second.people);
    expect(fit.get().explained).toBeNull();
    latest("fit").end({ rows: rows(0.6), gap: 0 });
    await settle();
    expect(count(jobs, "explain")).toBe(2);
  });

  test("a newly chosen cell takes the place of the one still being explained", async () => {
    const { fit, jobs, latest } = begun();
    jobs[0]?.end({ rows: rows(0.6), gap: 0 });
    await settle();
    fit.chooseCell({ personId: "high", blockId: "b0" });
    const earlier = latest("explain");
    fit.chooseCell({ personId: "high", blockId: "b1" });
    expect(earlier.signal?.aborted).toBe(true);
    earlier.end({ caps: [], without: 0.1, ways: [] });
    latest("explain").end({ caps: [], without: 0.2, ways: [] });
    await settle();
    expect(fit.get().explained).toMatchObject({ blockId: "b1", without: 0.2 });
    fit.chooseCell({ personId: "high", blockId: "b1" });
    expect(count(jobs, "explain")).toBe(2);
  });

  test("answers what if for each cap that was asked about; the last one answered is shown", async () => {
    const { fit, jobs } = begun();
    fit.askWithout("high", "low");
    fit.askWithout("still", "two");
    const [one, other] = jobs.filter(({ name }) => name === "withoutCap");
    one?.end({ changes: [], kept: 0.7 });
    await settle();
    expect(fit.get().without).toMatchObject({ personId: "high", capId: "low", kept: 0.7 });
    other?.end({ changes: [], kept: 0.8 });
    await settle();
    expect(fit.get().without).toMatchObject({ personId: "still", capId: "two", kept: 0.8 });
  });

  test("shows the server's rows until the worker has its own, and never those of another plan", async () => {
    const { fit, latest } = begun();
    fit.showServed(second.plan, { rows: rows(0.1), gap: 0, sheet });
    expect(fit.get().rows.size).toBe(0);
    fit.showServed(first.plan, { rows: rows(0.4), gap: 0.1, sheet });
    expect(fit.get()).toMatchObject({ sheet, rows: rows(0.4), gap: 0.1 });
    // Rows of the free fit that come later are not shown in place of those.
    latest("fit").progress({ personId: "high", row: row(0.9) });
    expect(fit.get().rows).toEqual(rows(0.4));
    latest("fit").end({ rows: rows(0.5), gap: 0.1, sheet });
    await settle();
    fit.showServed(first.plan, { rows: rows(0.4), gap: 0.3, sheet });
    expect(fit.get()).toMatchObject({ rows: rows(0.5), gap: 0.1 });
  });

  test("a fit that cannot be computed is told, and the next plan begins anew", async () => {
    const { fit, jobs } = begun();
    jobs[0]?.fail(new Error("The worker stopped."));
    await settle();
    jobs[1]?.fail(new Error("The worker stopped."));
    await settle();
    expect(fit.get().failed).toBe(true);
    fit.fitPlan(second.plan, second.people);
    expect(fit.get().failed).toBe(false);
  });

  test("the same content in new objects starts nothing anew, and a question about it stays", async () => {
    const { fit, jobs, latest } = begun();
    latest("fit").end({ rows: rows(0.6), gap: 0 });
    await settle();
    fit.askWithout("high", "low");
    const again = structuredClone({ plan: first.plan, people: first.people });
    fit.fitPlan(again.plan, again.people);
    expect(count(jobs, "fit")).toBe(1);
    latest("withoutCap").end({ fidelity: 0.9, changes: [] } as never);
    await settle();
    expect(fit.get()).toMatchObject({ gap: 0, without: { fidelity: 0.9 } });
    expect(fit.get().of?.plan).toBe(again.plan);
  });

  test("nothing runs on after it is closed", () => {
    const { fit, jobs } = begun();
    fit.close();
    expect(jobs.every(({ signal }) => signal?.aborted)).toBe(true);
  });
});
