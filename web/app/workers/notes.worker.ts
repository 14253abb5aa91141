import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import type { Movement } from "@able-tide/core/movement/format";
import { lookAtPlan } from "@able-tide/core/plan/look-at-plan";
import type { Mend } from "@able-tide/core/plan/mends";
import { fixesOf, planNotes } from "@able-tide/core/plan/notes";
import type { PlanContent } from "@able-tide/core/plan/plan";
import { withMovements } from "@able-tide/core/plan/read-plan";
import { circumstancesOf, type PlanSetting } from "@able-tide/core/plan/setting";

/** Asks for fixes of the checks that a plan does not pass. */
export interface NotesQuestion {
  readonly turn: number;
  readonly content: PlanContent;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly minutes: number;
}

export interface NotesAnswer {
  readonly turn: number;
  /** By the id of the check; a check without an entry has no fix. */
  readonly fixes: ReadonlyMap<string, readonly Mend[]>;
}

const library = createVariantCache();

self.onmessage = ({ data }: MessageEvent<NotesQuestion>) => {
  const { turn, content, movements, setting, minutes } = data;
  const circumstances = circumstancesOf(setting, content);
  const blocks = withMovements(content.blocks, movements);
  const question = { blocks, circumstances, library };
  const look = lookAtPlan(blocks, circumstances, library);
  const notes = planNotes(look, { minutes, purpose: content.purpose, style: circumstances.style });
  const fixes = new Map(
    notes.filter(({ toFix }) => toFix !== null).map((note) => [note.id, fixesOf(note, question, look, minutes)] as const),
  );
  const answer: NotesAnswer = { turn, fixes };
  self.postMessage(answer);
};
