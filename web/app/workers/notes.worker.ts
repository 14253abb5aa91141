import { createFormLibrary } from "@able-tide/core/fit/form-library";
import type { Movement } from "@able-tide/core/movement/format";
import { lookAtPlan } from "@able-tide/core/plan/look-at-plan";
import { type PlanNote, planNotes } from "@able-tide/core/plan/notes";
import type { PlanContent } from "@able-tide/core/plan/plan";
import { withMovements } from "@able-tide/core/plan/read-plan";
import { circumstancesOf, type PlanSetting } from "@able-tide/core/plan/setting";

/** Asks what to mind in a plan. */
export interface NotesQuestion {
  readonly turn: number;
  readonly content: PlanContent;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly minutes: number;
}

export interface NotesAnswer {
  readonly turn: number;
  readonly notes: readonly PlanNote[];
}

const library = createFormLibrary();

self.onmessage = ({ data }: MessageEvent<NotesQuestion>) => {
  const { turn, content, movements, setting, minutes } = data;
  const circumstances = circumstancesOf(setting, content);
  const blocks = withMovements(content.blocks, movements);
  const question = { blocks, circumstances, library };
  const notes = planNotes(question, lookAtPlan(blocks, circumstances, library), { minutes, purpose: content.purpose });
  const answer: NotesAnswer = { turn, notes };
  self.postMessage(answer);
};
