import { buildOf } from "@able-tide/core/body/build";
import { createFormLibrary } from "@able-tide/core/fit/form-library";
import { type FitPerson, fitPersonInSteps, fitPlanOf } from "@able-tide/core/fit/session";
import type { Movement } from "@able-tide/core/movement/format";
import type { Block } from "@able-tide/core/plan/block";
import type { SessionPurpose } from "@able-tide/core/plan/content";
import { proposeInSteps } from "@able-tide/core/plan/propose";
import { circumstancesOf, type PlanSetting } from "@able-tide/core/plan/setting";
import type { TeachingStyle } from "@able-tide/core/plan/style";

/** Asks for whole plans. A newer question makes an older one stop. */
export interface ProposeQuestion {
  readonly turn: number;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly style: TeachingStyle;
  readonly breathSeconds: number;
  readonly minutes: number;
  readonly purpose: SessionPurpose | null;
  readonly news: number;
  readonly people: readonly FitPerson[];
}

/** A proposed block as it is shown. */
export interface ProposedBlock {
  readonly id: string;
  readonly name: string;
  readonly rounds: number;
  readonly from: number;
  readonly to: number;
  readonly steadiness: number;
  readonly why: readonly string[];
}

/** One proposal, really fitted. */
export interface ProposeAnswer {
  readonly turn: number;
  readonly number: number;
  readonly blocks: readonly Block[];
  readonly shown: readonly ProposedBlock[];
  /** Seconds of the session. */
  readonly total: number;
  /** Mean share of the meant session that people keep, and the least of them, 0 to 1. */
  readonly kept: number;
  readonly leastKept: { readonly personId: string; readonly share: number } | null;
}

/** Proposals given for one question. */
const HOW_MANY = 3;

const library = createFormLibrary();
let newest = 0;
const turnstile = new MessageChannel();
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    turnstile.port1.onmessage = () => resolve();
    turnstile.port2.postMessage(null);
  });

/** Runs steps with room for a newer question; null when there is one. */
async function run<Value>(steps: Generator<undefined, Value>, turn: number): Promise<Value | null> {
  for (let step = steps.next(), i = 0; ; step = steps.next(), i += 1) {
    if (step.done) return step.value;
    if (i % 8 === 0) await breathe();
    if (turn !== newest) return null;
  }
}

async function answer(question: ProposeQuestion): Promise<void> {
  const { turn, people } = question;
  const circumstances = circumstancesOf(question.setting, question);
  const doers = people.map(({ measured, stature, caps }) => ({ build: buildOf(measured, stature), caps }));
  const unlike: string[][] = [];
  for (let number = 0; number < HOW_MANY; number += 1) {
    const proposal = await run(proposeInSteps({ ...question, circumstances, people: doers, library, unlike }), turn);
    if (!proposal) return;
    const { look, why } = proposal;
    const plan = fitPlanOf(look.reading);
    const shares: { personId: string; share: number }[] = [];
    for (const person of people) {
      const row = await run(fitPersonInSteps(plan, person, library), turn);
      if (!row) return;
      const mean = row.cells.reduce((sum, { fidelity }) => sum + fidelity, 0) / Math.max(1, row.cells.length);
      shares.push({ personId: person.id, share: mean });
    }
    const message: ProposeAnswer = {
      turn,
      number,
      blocks: proposal.blocks,
      shown: look.reading.blocks.map(({ id, movement, block, from, to }, i) => ({
        id,
        name: movement.name.own ?? movement.name.en,
        rounds: block.rounds,
        from,
        to,
        steadiness: look.steadiness[i] ?? 0,
        why: why[id] ?? [],
      })),
      total: look.reading.total,
      kept: shares.reduce((sum, { share }) => sum + share, 0) / Math.max(1, shares.length),
      leastKept: shares.toSorted((a, b) => a.share - b.share)[0] ?? null,
    };
    self.postMessage(message);
    unlike.push(proposal.blocks.map(({ movementId }) => movementId));
  }
}

self.onmessage = (message: MessageEvent<ProposeQuestion>) => {
  newest = message.data.turn;
  void answer(message.data);
};
