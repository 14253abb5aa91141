import type { Movement } from "@able-tide/core/movement/format";
import { type PlanNote, planNotes } from "@able-tide/core/plan/notes";
import type { PlanSetting } from "@able-tide/core/plan/setting";
import { useEffect, useRef, useState } from "react";
import type { NotesAnswer, NotesQuestion } from "../workers/notes.worker.ts";
import type { Draft } from "./draft.ts";
import type { LookedAt } from "./use-plan-look.ts";

/**
 * What to mind in a plan: at first with the page, then in a worker, since mends are tried one by one. What was to mind
 * stays until the answer for the plan as it is has come.
 */
export function usePlanNotes(
  draft: Draft,
  { look, question }: LookedAt,
  movements: readonly Movement[],
  setting: PlanSetting,
  minutes: number,
): readonly PlanNote[] {
  const [notes, setNotes] = useState(() => planNotes(question, look, { minutes, purpose: draft.purpose }));
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const first = useRef(true);

  useEffect(() => {
    const started = new Worker(new URL("../workers/notes.worker.ts", import.meta.url), { type: "module" });
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<NotesAnswer>) => {
      if (data.turn === turn.current) setNotes([...data.notes]);
    };
    return () => {
      started.terminate();
      worker.current = null;
    };
  }, []);

  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    turn.current += 1;
    const used = new Set(draft.blocks.map(({ movementId }) => movementId));
    const asked: NotesQuestion = {
      turn: turn.current,
      content: draft,
      movements: movements.filter(({ id }) => used.has(id)),
      setting,
      minutes,
    };
    worker.current?.postMessage(asked);
  }, [draft, movements, setting, minutes]);

  return notes;
}
