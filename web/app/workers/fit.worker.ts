import { type CellView, meantSteadiness, viewRow } from "@able-tide/core/fit/cell-view";
import { createFormLibrary } from "@able-tide/core/fit/form-library";
import { type FitPerson, type FitPlan, fitPersonInSteps } from "@able-tide/core/fit/session";

/** Asks for the fit of a plan. A newer question makes an older one stop. */
export interface FitQuestion {
  readonly turn: number;
  readonly plan: FitPlan;
  readonly people: readonly FitPerson[];
}

/** The tide first, then one answer a person as each is done. */
export type FitAnswer =
  | { readonly turn: number; readonly kind: "tide"; readonly steadiness: readonly number[] }
  | {
      readonly turn: number;
      readonly kind: "person";
      readonly personId: string;
      readonly cells: readonly CellView[];
      readonly standingSeconds: number;
    };

const library = createFormLibrary();
let newest = 0;

const answer = (message: FitAnswer): void => self.postMessage(message);
const turnstile = new MessageChannel();
/** Lets a newer question in. A message to oneself comes round at once, where a timer would wait four milliseconds. */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    turnstile.port1.onmessage = () => resolve();
    turnstile.port2.postMessage(null);
  });

async function fit({ turn, plan, people }: FitQuestion): Promise<void> {
  const middling = people.reduce((sum, person) => sum + person.stature, 0) / Math.max(1, people.length) || 1.65;
  answer({ turn, kind: "tide", steadiness: meantSteadiness(plan, middling, library) });
  for (const person of people) {
    const steps = fitPersonInSteps(plan, person, library);
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      await breathe();
      if (turn !== newest) return;
    }
    const row = step.value;
    answer({ turn, kind: "person", personId: person.id, cells: viewRow(plan, row), standingSeconds: row.standingSeconds });
  }
}

self.onmessage = (message: MessageEvent<FitQuestion>) => {
  newest = message.data.turn;
  void fit(message.data);
};
