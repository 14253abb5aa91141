import { type CellView, viewRow, type Why, whyOfCaps } from "@able-tide/core/fit/cell-view";
import { explainIncrementally, type OpenWay, openWaysIncrementally } from "@able-tide/core/fit/explain";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import { type FittedGroup, fitGroupIncrementally, gapOf } from "@able-tide/core/fit/group";
import { type ImprovedFit, refineFitIncrementally } from "@able-tide/core/fit/refine-fit";
import { createFitMemory, type FitPerson, type FittedRow, type RowSums } from "@able-tide/core/fit/session";
import { limitedResources } from "@able-tide/core/fit/support-options";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import { type CellChange, changedCells, withoutCapIncrementally } from "@able-tide/core/fit/without-cap";
import { NO_GAP } from "../plans/fit-messages.ts";
import { runInterruptible } from "./yield-to-events.ts";

/** Asks for the fit of a plan. A newer one makes an older one stop. */
export interface FitQuestion {
  readonly kind: "fit";
  readonly turn: number;
  readonly plan: FitPlan;
  readonly people: readonly FitPerson[];
}

/** Asks something about the fit of a turn, once it is there; what is asked of an older turn is not answered. */
export type FitAsk = { readonly turn: number } & (
  | { readonly kind: "explain"; readonly personId: string; readonly blockId: string }
  | { readonly kind: "without"; readonly personId: string; readonly capId: string }
);

/** One person's row, as soon as it is known; it comes again where what the room has changes it. */
export interface RowAnswer {
  readonly kind: "row";
  readonly turn: number;
  readonly personId: string;
  readonly cells: readonly CellView[];
  readonly sums: RowSums;
  /** How much of the session is kept, 0 to 1. */
  readonly kept: number;
}

/** Everybody has been fitted. */
export interface GroupAnswer {
  readonly kind: "group";
  readonly turn: number;
  /** How far it may be from the best there could be, 0 to 1. */
  readonly gap: number;
}

/** What a longer look says, once nobody waits for anything else. */
export interface ProofAnswer {
  readonly kind: "proof";
  readonly turn: number;
  readonly gap: number;
  readonly better: ImprovedFit | null;
}

export interface ExplainAnswer {
  readonly kind: "explain";
  readonly turn: number;
  readonly personId: string;
  readonly blockId: string;
  readonly caps: readonly { readonly id: string; readonly why: Why }[];
  /** How much of the movement would be kept without them, 0 to 1. */
  readonly without: number;
  /** Ways that caps leave open, for the instructor to choose from. */
  readonly ways: readonly OpenWay[];
}

export interface WithoutAnswer {
  readonly kind: "without";
  readonly turn: number;
  readonly personId: string;
  readonly capId: string;
  readonly changes: readonly CellChange[];
  /** How much of the session this person would keep, 0 to 1. */
  readonly kept: number;
}

export type FitAnswer = RowAnswer | GroupAnswer | ProofAnswer | ExplainAnswer | WithoutAnswer;

/** Milliseconds after an answer before a longer look begins: whoever goes on planning asks again before. */
const QUIET = 1500;

const library = createVariantCache();
const memory = createFitMemory();
let newest: FitQuestion | null = null;
let fitted: { readonly question: FitQuestion; readonly group: FittedGroup } | null = null;
let waiting: FitAsk[] = [];

const answer = (message: FitAnswer): void => self.postMessage(message);

const run = <Value>(steps: Generator<undefined, Value>, turn: number): Promise<Value | null> =>
  runInterruptible(steps, () => turn === newest?.turn);

const sendRow = ({ turn, plan }: FitQuestion, row: FittedRow): void =>
  answer({ kind: "row", turn, personId: row.personId, cells: viewRow(plan, row), sums: row.sums, kept: row.kept });

async function fit(question: FitQuestion): Promise<void> {
  const { turn, plan, people } = question;
  const sent = new Map<string, FittedRow>();
  const known = (row: FittedRow) => {
    sent.set(row.personId, row);
    sendRow(question, row);
  };
  const group = await run(fitGroupIncrementally(plan, people, library, memory, known), turn);
  if (!group) return;
  fitted = { question, group };
  // A row that what the room has did not touch is the same row.
  for (const row of group.rows) if (sent.get(row.personId) !== row) sendRow(question, row);
  answer({ kind: "group", turn, gap: gapOf(group) });
  const asks = waiting;
  waiting = [];
  for (const ask of asks) await respond(ask);
  if (gapOf(group) >= NO_GAP) setTimeout(() => void prove(question, group), QUIET);
}

/** Looks longer at a fit that may not be the best. */
async function prove({ turn, plan, people }: FitQuestion, group: FittedGroup): Promise<void> {
  if (turn !== newest?.turn) return;
  const proof = await run(refineFitIncrementally(plan, people, group, library, memory), turn);
  if (proof) answer({ kind: "proof", turn, ...proof });
}

async function respond(ask: FitAsk): Promise<void> {
  if (fitted === null || fitted.question.turn !== ask.turn) {
    waiting = [...waiting.filter(({ turn }) => turn === newest?.turn), ask];
    return;
  }
  const { question, group } = fitted;
  const { turn, plan, people } = question;
  const person = people.find(({ id }) => id === ask.personId);
  const row = group.rows.find(({ personId }) => personId === ask.personId);
  if (!person || !row) return;
  if (ask.kind === "without") {
    const after = await run(withoutCapIncrementally(plan, people, ask, library, memory), turn);
    if (!after) return;
    const kept = after.rows.find(({ personId }) => personId === ask.personId)?.kept ?? 0;
    answer({ ...ask, changes: changedCells(plan, group, after), kept });
    return;
  }
  if (!plan.blocks.some(({ id }) => id === ask.blockId)) return;
  const scarce = limitedResources(plan.place, people.length);
  const found = await run(explainIncrementally(plan, person, row, ask.blockId, scarce, library, memory), turn);
  const ways = found && (await run(openWaysIncrementally(plan, person, ask.blockId, scarce, library, memory), turn));
  if (!found || !ways) return;
  const caps = found.caps.map((cap) => ({ id: cap.id, why: whyOfCaps([cap])[0] as Why }));
  answer({ ...ask, caps, without: found.without, ways });
}

self.onmessage = ({ data }: MessageEvent<FitQuestion | FitAsk>) => {
  if (data.kind === "fit") {
    newest = data;
    void fit(data);
  } else void respond(data);
};
