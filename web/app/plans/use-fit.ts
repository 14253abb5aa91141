import type { CellView } from "@able-tide/core/fit/cell-view";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import type { ImprovedFit } from "@able-tide/core/fit/refine-fit";
import type { FitPerson, RowSums } from "@able-tide/core/fit/session";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ExplainAnswer, FitAnswer, FitAsk, FitQuestion, WithoutAnswer } from "../workers/fit.worker.ts";

export interface FittedPerson {
  readonly cells: readonly CellView[];
  readonly sums: RowSums;
  /** How much of the session is kept, 0 to 1. */
  readonly kept: number;
}

export interface FittedRows {
  readonly rows: ReadonlyMap<string, FittedPerson>;
  /** Whether every row belongs to the plan as it is now. */
  readonly settled: boolean;
  /** How far the fit may be from the best there could be, 0 to 1; null until everybody is fitted. */
  readonly gap: number | null;
  /** A fit that a longer look found better; null while there is none. */
  readonly better: ImprovedFit | null;
  /** Why the cell last asked about is as it is. */
  readonly explained: ExplainAnswer | null;
  /** What would be without the cap last asked about. */
  readonly without: WithoutAnswer | null;
}

interface Kept extends Omit<FittedRows, "settled"> {
  readonly turn: number;
}

const NOTHING: Kept = { rows: new Map(), gap: null, better: null, explained: null, without: null, turn: 0 };

/** What is kept after an answer; rows of the plan before stay until their new ones arrive. */
function after(before: Kept, data: FitAnswer): Kept {
  const kept = before.turn === data.turn ? before : { ...NOTHING, rows: before.rows, turn: data.turn };
  switch (data.kind) {
    case "row":
      return { ...kept, rows: new Map(kept.rows).set(data.personId, { cells: data.cells, sums: data.sums, kept: data.kept }) };
    case "group":
      return { ...kept, gap: data.gap };
    case "proof":
      return { ...kept, gap: data.gap, better: data.better };
    case "explain":
      return { ...kept, explained: data };
    case "without":
      return { ...kept, without: data };
  }
}

type Ask = FitAsk extends infer One ? (One extends FitAsk ? Omit<One, "turn"> : never) : never;

/** One worker for as long as the page lives: what it has solved serves every board opened after. */
let worker: Worker | null = null;
let turns = 0;

function theWorker(): Worker {
  worker ??= new Worker(new URL("../workers/fit.worker.ts", import.meta.url), { type: "module" });
  return worker;
}

/** Rows that the server had, shown until the worker has its own. */
export type ServedRows = Promise<{ readonly rows: ReadonlyMap<string, FittedPerson>; readonly gap: number } | null> | null;

/**
 * Fits a plan in a worker, and asks it why and what if.
 *
 * @param served the fit of the plan as it was opened
 */
export function useFit(
  plan: FitPlan,
  people: readonly FitPerson[],
  served: ServedRows,
): FittedRows & { readonly ask: (what: Ask) => void } {
  const turn = useRef(0);
  const asked = useRef<{ readonly plan: FitPlan; readonly people: readonly FitPerson[] } | null>(null);
  const [kept, setKept] = useState<Kept>(NOTHING);

  useEffect(() => {
    const heard = ({ data }: MessageEvent<FitAnswer>) => {
      if (data.turn === turn.current) setKept((before) => after(before, data));
    };
    const listening = theWorker();
    listening.addEventListener("message", heard);
    return () => listening.removeEventListener("message", heard);
  }, []);

  useEffect(() => {
    turns += 1;
    turn.current = turns;
    asked.current = { plan, people };
    const question: FitQuestion = { kind: "fit", turn: turns, plan, people };
    theWorker().postMessage(question);
  }, [plan, people]);

  useEffect(() => {
    const opened = turn.current;
    served
      ?.then((rows) => {
        if (rows === null || turn.current !== opened) return;
        // What the worker has found meanwhile is the same.
        setKept((before) => ({
          ...before,
          rows: new Map([...rows.rows, ...before.rows]),
          gap: before.gap ?? rows.gap,
          turn: opened,
        }));
      })
      // Without an answer the worker's own rows come all the same.
      .catch(() => undefined);
  }, [served]);

  const ask = useCallback((what: Ask) => theWorker().postMessage({ ...what, turn: turn.current }), []);
  const isAsked = asked.current?.plan === plan && asked.current.people === people;
  const settled = isAsked && kept.turn === turn.current && kept.gap !== null;
  return { ...kept, settled, ask };
}
