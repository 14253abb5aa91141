import { buildOf } from "@able-tide/core/body/build";
import { createFormLibrary } from "@able-tide/core/fit/form-library";
import { type FitPerson, fitPersonInSteps, fitPlanOf } from "@able-tide/core/fit/session";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { Block } from "@able-tide/core/plan/block";
import type { SessionPurpose } from "@able-tide/core/plan/content";
import { type Proposal, proposeInSteps } from "@able-tide/core/plan/propose";
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

/** How much of a proposal people keep, really fitted. */
export interface ProposalFit {
  /** Mean share of the session over everybody, 0 to 1. */
  readonly kept: number;
  readonly least: { readonly personId: string; readonly share: number } | null;
}

/** One proposal: first as it was found, then again with its fit. */
export interface ProposeAnswer {
  readonly turn: number;
  readonly number: number;
  readonly blocks: readonly Block[];
  readonly shown: readonly ProposedBlock[];
  /** Seconds of the session. */
  readonly total: number;
  /** Null until everybody has been fitted. */
  readonly fit: ProposalFit | null;
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

function shown({ look, why, blocks }: Proposal, turn: number, number: number): ProposeAnswer {
  return {
    turn,
    number,
    blocks,
    shown: look.reading.blocks.map(({ id, movement, block, from, to }, i) => ({
      id,
      name: taughtName(movement),
      rounds: block.rounds,
      from,
      to,
      steadiness: look.steadiness[i] ?? 0,
      why: why[id] ?? [],
    })),
    total: look.reading.total,
    fit: null,
  };
}

/** Fits everybody to a proposal. */
async function fitOf({ look }: Proposal, people: readonly FitPerson[], turn: number): Promise<ProposalFit | null> {
  const plan = fitPlanOf(look.reading);
  const shares: { personId: string; share: number }[] = [];
  for (const person of people) {
    const row = await run(fitPersonInSteps(plan, person, library), turn);
    if (!row) return null;
    const sum = row.cells.reduce((all, { fidelity }) => all + fidelity, 0);
    shares.push({ personId: person.id, share: sum / Math.max(1, row.cells.length) });
  }
  const kept = shares.reduce((sum, { share }) => sum + share, 0) / Math.max(1, shares.length);
  return { kept, least: shares.toSorted((a, b) => a.share - b.share)[0] ?? null };
}

/** Finds all proposals first, since they are what is waited for, and then fits them. */
async function answer(question: ProposeQuestion): Promise<void> {
  const { turn, people } = question;
  const circumstances = circumstancesOf(question.setting, question);
  const doers = people.map(({ measured, stature, caps }) => ({ build: buildOf(measured, stature), caps }));
  const proposals: Proposal[] = [];
  while (proposals.length < HOW_MANY) {
    const unlike = proposals.map(({ blocks }) => blocks.map(({ movementId }) => movementId));
    const proposal = await run(proposeInSteps({ ...question, circumstances, people: doers, library, unlike }), turn);
    if (!proposal) return;
    self.postMessage(shown(proposal, turn, proposals.length));
    proposals.push(proposal);
  }
  for (const [number, proposal] of proposals.entries()) {
    const fit = await fitOf(proposal, people, turn);
    if (!fit) return;
    self.postMessage({ ...shown(proposal, turn, number), fit });
  }
}

self.onmessage = (message: MessageEvent<ProposeQuestion>) => {
  newest = message.data.turn;
  void answer(message.data);
};
