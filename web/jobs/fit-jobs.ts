import { itemAt, present } from "@able-tide/core/checked-access";
import type { Why } from "@able-tide/core/fit/cell-view";
import { type AllowedMode, allowedModesIncrementally, explainIncrementally } from "@able-tide/core/fit/explain";
import type { FittedRow } from "@able-tide/core/fit/fitted-row";
import { gapOf } from "@able-tide/core/fit/share-out";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import { type Summaries, summariesIncrementally } from "@able-tide/core/fit/summary";
import { limitedResources } from "@able-tide/core/fit/support-options";
import { type LedAnswerFile, ledAnswer } from "@able-tide/core/leading/led-answer";
import { type FitRefinement, refineFitIncrementally } from "@able-tide/core/leading/refine-fit";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import { type CellChange, changedCells, withoutCapIncrementally } from "@able-tide/core/leading/without-cap";
import type { Movement } from "@able-tide/core/movement/format";
import { showRow, whyOfCaps } from "@able-tide/words/cell-view";
import { formatCapLimit } from "@able-tide/words/format-cap";
import type { Job } from "./job.ts";
import type { FitInput } from "./workspace.ts";

/** A participant's row as soon as it is known; it comes again where shared resources change it. */
export interface RowProgress {
  readonly personId: string;
  readonly row: ShownRow;
}

/** The rows of all participants, how far they may be from the best, 0 to 1, and how the session is led. */
export interface ShownRows {
  readonly rows: ReadonlyMap<string, ShownRow>;
  readonly gap: number;
  readonly sheet: SessionSheet;
}

/** Fits a group to a plan. */
export const fit: Job<FitInput, RowProgress, ShownRows> = async (input, { run, progress, workspace }) => {
  const known = (row: FittedRow) => progress({ personId: row.personId, row: showRow(input.plan, row) });
  const { plan, led, sheet } = await workspace.fitted(input, run, known);
  return { rows: new Map(led.rows.map((row) => [row.personId, showRow(plan, row)])), gap: gapOf(led), sheet };
};

/** Fits a group and returns the answer in the open format of `POST /fit`. */
export const answer: Job<FitInput, never, LedAnswerFile> = async (input, { run, workspace }) =>
  ledAnswer(await workspace.fitted(input, run), formatCapLimit);

/** Searches longer for a better fit of a group. */
export const refine: Job<FitInput, never, FitRefinement> = async (input, { run, workspace }) => {
  const fitted = await workspace.fitted(input, run);
  return run(refineFitIncrementally(fitted.plan, input.people, fitted, workspace.variants, workspace.memory));
};

export interface ExplainInput extends FitInput {
  readonly personId: string;
  readonly blockId: string;
}

/** Why a cell of the fit is as it is. */
export interface CellExplanation {
  readonly caps: readonly { readonly id: string; readonly why: Why }[];
  /** Match without these caps, 0 to 1. */
  readonly without: number;
  /** Support modes that the caps allow, for the instructor to choose from. */
  readonly modes: readonly AllowedMode[];
}

/** Explains one cell of a fit. Returns null if the fit has no such cell. */
export const explain: Job<ExplainInput, never, CellExplanation | null> = async (input, { run, workspace }) => {
  const { people, personId, blockId } = input;
  const { variants, memory } = workspace;
  const person = people.find(({ id }) => id === personId);
  if (!person || !input.plan.blocks.some(({ id }) => id === blockId)) return null;
  const { plan, led } = await workspace.fitted(input, run);
  const row = present(
    led.rows.find((each) => each.personId === personId),
    "participant",
  );
  const limited = limitedResources(plan.resources, people.length);
  const { caps, without } = await run(explainIncrementally(plan, person, row, blockId, limited, variants, memory));
  const modes = await run(allowedModesIncrementally(plan, person, blockId, limited, variants, memory));
  return { caps: caps.map((cap) => ({ id: cap.id, why: itemAt(whyOfCaps([cap]), 0) })), without, modes: modes };
};

export interface WithoutCapInput extends FitInput {
  readonly personId: string;
  readonly capId: string;
}

/** The fit of a group without one cap. */
export interface WithoutCap {
  readonly changes: readonly CellChange[];
  /** Match of the participant's session, 0 to 1. */
  readonly fidelity: number;
}

/** Fits a group as if one participant did not have one cap. */
export const withoutCap: Job<WithoutCapInput, never, WithoutCap> = async (input, { run, workspace }) => {
  const { people, personId, capId } = input;
  const { plan, led } = await workspace.fitted(input, run);
  const after = await run(withoutCapIncrementally(plan, people, { personId, capId }, workspace.variants, workspace.memory));
  return {
    changes: changedCells(plan, led, after),
    fidelity: after.rows.find((row) => row.personId === personId)?.fidelity ?? 0,
  };
};

/** Summarises the demands of every variant of a movement. */
export const summaries: Job<Movement, never, Summaries> = (movement, { run }) => run(summariesIncrementally(movement));
