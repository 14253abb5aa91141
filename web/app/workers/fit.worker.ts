import { type CellView, viewRow } from "@able-tide/core/fit/cell-view";
import { createFormLibrary } from "@able-tide/core/fit/form-library";
import { type FitPerson, type FitPlan, fitPersonInSteps } from "@able-tide/core/fit/session";
import { breathe } from "./breathe.ts";

/** Asks for the fit of a plan. A newer question makes an older one stop. */
export interface FitQuestion {
  readonly turn: number;
  readonly plan: FitPlan;
  readonly people: readonly FitPerson[];
}

/** One answer a person as each is done. */
export interface FitAnswer {
  readonly turn: number;
  readonly personId: string;
  readonly cells: readonly CellView[];
  readonly standingSeconds: number;
}

const library = createFormLibrary();
let newest = 0;

const answer = (message: FitAnswer): void => self.postMessage(message);

async function fit({ turn, plan, people }: FitQuestion): Promise<void> {
  for (const person of people) {
    const steps = fitPersonInSteps(plan, person, library);
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      await breathe();
      if (turn !== newest) return;
    }
    const row = step.value;
    answer({ turn, personId: person.id, cells: viewRow(plan, row), standingSeconds: row.standingSeconds });
  }
}

self.onmessage = (message: MessageEvent<FitQuestion>) => {
  newest = message.data.turn;
  void fit(message.data);
};
