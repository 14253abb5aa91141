import type { FitPerson } from "@able-tide/core/fit/session";
import { useEffect, useState } from "react";
import type { ShownRows } from "../../jobs/fit-jobs.ts";
import { useStore } from "../kit/use-store.ts";
import { boardRunner } from "../workers/browser-runner.ts";
import { type BoardFit, type BoardFitState, createBoardFit } from "./board-fit.ts";
import type { LookedAt } from "./use-plan-look.ts";

/** A board's fit as its views read it. */
export interface FittedRows extends BoardFitState, Pick<BoardFit, "chooseCell" | "askWithout"> {
  /** Whether every row belongs to the plan as it is now. */
  readonly settled: boolean;
}

/** Fits a plan in a worker. @param known the session sheet of the plan as it was opened; null where the server has none */
export function useFit(
  { fitPlan: plan, timing }: Pick<LookedAt, "fitPlan" | "timing">,
  people: readonly FitPerson[],
  known: ShownRows | null,
): FittedRows {
  const [fit] = useState(() => createBoardFit(boardRunner));
  const state = useStore(fit);

  useEffect(() => fit.fitPlan(plan, people, timing), [fit, plan, people, timing]);
  useEffect(() => fit.close, [fit]);
  useEffect(() => {
    const opened = fit.get().of?.plan;
    if (known !== null && opened) fit.showServed(opened, known);
  }, [fit, known]);

  const settled = state.of?.plan === plan && state.of.people === people && state.gap !== null;
  return { ...state, chooseCell: fit.chooseCell, askWithout: fit.askWithout, settled };
}
