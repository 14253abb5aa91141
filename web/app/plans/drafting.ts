import { type PlanTiming, scheduleAsLed } from "@able-tide/core/leading/timed-fit";
import type { DraftRule } from "@able-tide/core/planner/draft-rules";
import type { ShownRows } from "../../jobs/fit-jobs.ts";
import { type FitRunner, PRIORITY } from "../../jobs/fit-runner.ts";
import type { DraftedPlan, DraftsInput } from "../../jobs/planning-jobs.ts";
import { createStore, type Store } from "../kit/store.ts";
import { runTwice } from "../workers/latest-job.ts";

/** How well participants match a draft. */
interface DraftMatch {
  /** Mean over all participants, 0 to 1. */
  readonly fidelity: number;
  readonly least: { readonly personId: string; readonly share: number } | null;
  /** Seconds of the session as it is led. */
  readonly total: number;
}

/** A drafted plan; its fit is null until all participants have been fitted, or where there are none. */
export interface FittedDraft extends DraftedPlan {
  readonly fit: DraftMatch | null;
}

export interface DraftingState {
  readonly drafts: readonly FittedDraft[];
  /** Once there are no more to come: the rules that drafts broke which are not offered. */
  readonly broken: readonly DraftRule[] | null;
  readonly failed: boolean;
}

export interface Drafting extends Store<DraftingState> {
  /** Drafts plans, in the order they come, and fits each; drafts of an earlier request are dropped. */
  readonly request: (input: DraftsInput) => void;
  readonly stop: () => void;
}

function matchOf({ rows, sheet }: Pick<ShownRows, "rows" | "sheet">, timing: PlanTiming): DraftMatch {
  const all = [...rows].map(([personId, { fidelity }]) => ({ personId, share: fidelity }));
  const kept = all.reduce((sum, { share }) => sum + share, 0) / all.length;
  return {
    fidelity: kept,
    least: all.toSorted((a, b) => a.share - b.share)[0] ?? null,
    total: scheduleAsLed(timing, sheet).total,
  };
}

export function createDrafting(runner: FitRunner): Drafting {
  const store = createStore<DraftingState>({ drafts: [], broken: null, failed: false });
  let running = new AbortController();

  async function fitDraft({ number, plan, timing }: DraftedPlan, { people }: DraftsInput, signal: AbortSignal): Promise<void> {
    if (people.length === 0) return;
    const fitted = await runTwice(runner, "fit", { plan, people, timing, fitId: null }, { signal, priority: PRIORITY.draft });
    if (signal.aborted) return;
    const fit = matchOf(fitted, timing);
    store.set(({ drafts, ...rest }) => ({
      ...rest,
      drafts: drafts.map((draft) => (draft.number === number ? { ...draft, fit } : draft)),
    }));
  }

  return {
    ...store,
    request(input) {
      running.abort();
      running = new AbortController();
      const { signal } = running;
      store.set(() => ({ drafts: [], broken: null, failed: false }));
      const failed = () => {
        if (!signal.aborted) store.set((before) => ({ ...before, failed: true }));
      };
      const show = (draft: DraftedPlan) => {
        // A draft may come as progress, with the result, or as both.
        if (signal.aborted || store.get().drafts.some(({ number }) => number === draft.number)) return;
        store.set(({ drafts, ...rest }) => ({ ...rest, drafts: [...drafts, { ...draft, fit: null }] }));
        fitDraft(draft, input, signal).catch(failed);
      };
      runTwice(runner, "drafts", input, { signal, priority: PRIORITY.fit, onProgress: show }).then(({ drafts, broken }) => {
        for (const draft of drafts) show(draft);
        if (!signal.aborted) store.set((before) => ({ ...before, broken }));
      }, failed);
    },
    stop: () => running.abort(),
  };
}
