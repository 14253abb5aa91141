import type { CellView } from "@able-tide/core/fit/cell-view";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
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
  /** Why the cell last asked about is as it is. */
  readonly explained: ExplainAnswer | null;
  /** What would be without the cap last asked about. */
  readonly without: WithoutAnswer | null;
}

interface Kept extends Omit<FittedRows, "settled"> {
  readonly turn: number;
}

const NOTHING: Kept = { rows: new Map(), gap: null, explained: null, without: null, turn: 0 };

/** What is kept after an answer; rows of the plan before stay until their new ones arrive. */
function after(before: Kept, data: FitAnswer): Kept {
  const kept = before.turn === data.turn ? before : { ...NOTHING, rows: before.rows, turn: data.turn };
  switch (data.kind) {
    case "row":
      return { ...kept, rows: new Map(kept.rows).set(data.personId, { cells: data.cells, sums: data.sums, kept: data.kept }) };
    case "group":
      return { ...kept, gap: data.gap };
    case "explain":
      return { ...kept, explained: data };
    case "without":
      return { ...kept, without: data };
  }
}

type Ask = FitAsk extends infer One ? (One extends FitAsk ? Omit<One, "turn"> : never) : never;

/** Fits a plan in a worker, and asks it why and what if. */
export function useFit(plan: FitPlan, people: readonly FitPerson[]): FittedRows & { readonly ask: (what: Ask) => void } {
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const [kept, setKept] = useState<Kept>(NOTHING);

  useEffect(() => {
    const started = new Worker(new URL("../workers/fit.worker.ts", import.meta.url), { type: "module" });
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<FitAnswer>) => {
      if (data.turn === turn.current) setKept((before) => after(before, data));
    };
    return () => {
      started.terminate();
      worker.current = null;
    };
  }, []);

  useEffect(() => {
    turn.current += 1;
    const question: FitQuestion = { kind: "fit", turn: turn.current, plan, people };
    worker.current?.postMessage(question);
  }, [plan, people]);

  const ask = useCallback((what: Ask) => worker.current?.postMessage({ ...what, turn: turn.current }), []);
  const settled = kept.turn === turn.current && kept.gap !== null;
  return { ...kept, settled, ask };
}
