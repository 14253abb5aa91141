import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { ImprovedFit } from "@able-tide/core/leading/refine-fit";
import { NO_GAP } from "@able-tide/core/leading/refine-fit";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import type { PlanTiming } from "@able-tide/core/leading/timed-fit";
import type { CellExplanation, ShownRows, WithoutCap } from "../../jobs/fit-jobs.ts";
import { type FitRunner, isAbort, PRIORITY } from "../../jobs/fit-runner.ts";
import type { FitInput } from "../../jobs/workspace.ts";
import { createStore, type Store } from "../kit/store.ts";
import { runTwice } from "../workers/latest-job.ts";

/** One participant at one movement of the plan. */
interface Cell {
  readonly personId: string;
  readonly blockId: string;
}

/** The fit of a board's plan as far as it is known. */
export interface BoardFitState {
  /** What is being fitted; null before the first plan. */
  readonly of: { readonly plan: FitPlan; readonly people: readonly FitPerson[] } | null;
  /** By participant; rows of an earlier plan stay until their new ones arrive. */
  readonly rows: ReadonlyMap<string, ShownRow>;
  /** How far the fit may be from the best, 0 to 1; null until all participants are fitted. */
  readonly gap: number | null;
  /** How the session is led; null until all participants are fitted. */
  readonly sheet: SessionSheet | null;
  /** How the session was led when that was last known: what times go by until it is known again. */
  readonly latest: SessionSheet | null;
  /** How it was led before the last change of the plan; null before the first. */
  readonly before: SessionSheet | null;
  /** A better fit that a longer search found; null while there is none. */
  readonly better: ImprovedFit | null;
  /** Why the chosen cell is as it is; null until that is known. */
  readonly explained: (CellExplanation & Cell) | null;
  /** The fit without the cap last asked about. */
  readonly without: (WithoutCap & { readonly personId: string; readonly capId: string }) | null;
  /** Whether the fit could not be computed. */
  readonly failed: boolean;
}

export interface BoardFit extends Store<BoardFitState> {
  /** Fits a plan; what still runs for an earlier one is stopped. */
  readonly fitPlan: (plan: FitPlan, people: readonly FitPerson[], timing?: PlanTiming) => void;
  /** Shows rows that the server had for the plan, until the worker has its own. */
  readonly showServed: (plan: FitPlan, served: ShownRows) => void;
  /** Chooses the cell to be explained, now and after each new fit; null for none. */
  readonly chooseCell: (cell: Cell | null) => void;
  /** Asks what the fit would be without one cap. */
  readonly askWithout: (personId: string, capId: string) => void;
  /** Stops everything that runs. */
  readonly close: () => void;
}

const NOTHING = { gap: null, sheet: null, better: null, explained: null, without: null, failed: false } as const;

/** Milliseconds after a fit before a longer search begins: an instructor who goes on planning changes the plan before. */
const QUIET = 1500;

/**
 * The fit of the plan on a board, with questions about it. All work is done by the runner.
 *
 * Long because its commands share one running fit and stop each other's work.
 */
export function createBoardFit(runner: FitRunner, quiet = QUIET): BoardFit {
  const store = createStore<BoardFitState>({ of: null, rows: new Map(), latest: null, before: null, ...NOTHING });
  let fits = 0;
  let content = "";
  let running = new AbortController();
  let explaining = new AbortController();
  let chosen: Cell | null = null;
  let input: FitInput | null = null;

  const isSettled = (): boolean => store.get().gap !== null;

  /** Shows a result unless its plan has changed; a question that failed stays unanswered and can be asked again. */
  const show = <Result>(result: Promise<Result>, signal: AbortSignal, then: (result: Result) => void): void =>
    void result.then(
      (value) => {
        if (!signal.aborted) then(value);
      },
      (error: unknown) => {
        if (!isAbort(error) && !signal.aborted) store.set((before) => ({ ...before, failed: before.gap === null }));
      },
    );

  function explain(): void {
    explaining.abort();
    if (chosen === null || input === null || !isSettled()) return;
    explaining = new AbortController();
    const cell = chosen;
    const { signal } = explaining;
    show(runTwice(runner, "explain", { ...input, ...cell }, { signal, priority: PRIORITY.question }), signal, (found) =>
      store.set((before) => ({ ...before, explained: found && { ...found, ...cell } })),
    );
  }

  function refine(signal: AbortSignal): void {
    if (input === null || signal.aborted) return;
    show(runTwice(runner, "refine", input, { signal, priority: PRIORITY.background }), signal, ({ gap, better }) =>
      store.set((before) => ({ ...before, gap, better })),
    );
  }

  return {
    ...store,
    fitPlan(plan, people, timing) {
      const asked = JSON.stringify([plan, people, timing]);
      if (asked === content && !running.signal.aborted && !store.get().failed) {
        // The same content from a new answer of the server: what is known of it, and what is being asked, goes on.
        store.set((before) => ({ ...before, of: { plan, people } }));
        return;
      }
      content = asked;
      running.abort();
      explaining.abort();
      running = new AbortController();
      const { signal } = running;
      fits += 1;
      input = { plan, people, ...(timing && { timing }), fitId: `board ${fits}` };
      store.set(({ rows, latest }) => ({ ...NOTHING, of: { plan, people }, rows, latest, before: latest }));
      const fitted = runTwice(runner, "fit", input, {
        signal,
        onProgress: ({ personId, row }) => {
          // Rows on the way are of the free fit; once it is known how the session is led they are no news.
          if (signal.aborted || isSettled()) return;
          store.set((before) => ({ ...before, rows: new Map(before.rows).set(personId, row) }));
        },
      });
      show(fitted, signal, ({ rows, gap, sheet }) => {
        store.set((before) => ({ ...before, rows, gap, sheet, latest: sheet }));
        explain();
        if (gap >= NO_GAP) setTimeout(() => refine(signal), quiet);
      });
    },
    showServed(plan, { rows, gap, sheet }) {
      store.set((before) =>
        // What the worker has found in full stays.
        before.of?.plan === plan && before.gap === null ? { ...before, rows, gap, sheet, latest: sheet } : before,
      );
      explain();
    },
    chooseCell(cell) {
      if (cell?.personId === chosen?.personId && cell?.blockId === chosen?.blockId) return;
      chosen = cell;
      store.set((before) => ({ ...before, explained: null }));
      explain();
    },
    askWithout(personId, capId) {
      if (input === null) return;
      const { signal } = running;
      const asked = { ...input, personId, capId };
      show(runTwice(runner, "withoutCap", asked, { signal, priority: PRIORITY.question }), signal, (found) =>
        store.set((before) => ({ ...before, without: { ...found, personId, capId } })),
      );
    },
    close() {
      running.abort();
      explaining.abort();
    },
  };
}
