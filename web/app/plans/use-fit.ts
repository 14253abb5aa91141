import type { CellView } from "@able-tide/core/fit/cell-view";
import type { FitPerson, FitPlan } from "@able-tide/core/fit/session";
import { useEffect, useRef, useState } from "react";
import type { FitAnswer, FitQuestion } from "../workers/fit.worker.ts";

export interface FittedGroup {
  readonly rows: ReadonlyMap<string, { readonly cells: readonly CellView[]; readonly standingSeconds: number }>;
  /** Whether every row belongs to the plan as it is now. */
  readonly settled: boolean;
}

interface Kept extends Omit<FittedGroup, "settled"> {
  readonly answered: number;
  readonly turn: number;
}

/** Fits a plan in a worker; rows of the plan before stay until their new ones arrive. */
export function useFit(plan: FitPlan, people: readonly FitPerson[]): FittedGroup {
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const [kept, setKept] = useState<Kept>({ rows: new Map(), answered: 0, turn: 0 });

  useEffect(() => {
    const started = new Worker(new URL("../workers/fit.worker.ts", import.meta.url), { type: "module" });
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<FitAnswer>) => {
      if (data.turn !== turn.current) return;
      setKept((before) => {
        const answered = before.turn === data.turn ? before.answered : 0;
        const rows = new Map(before.rows);
        rows.set(data.personId, { cells: data.cells, standingSeconds: data.standingSeconds });
        return { turn: data.turn, rows, answered: answered + 1 };
      });
    };
    return () => {
      started.terminate();
      worker.current = null;
    };
  }, []);

  useEffect(() => {
    turn.current += 1;
    const question: FitQuestion = { turn: turn.current, plan, people };
    worker.current?.postMessage(question);
  }, [plan, people]);

  const settled = kept.turn === turn.current && kept.answered >= people.length;
  return { rows: kept.rows, settled };
}
