import { useEffect, useState } from "react";
import { useStore } from "../kit/use-store.ts";
import { type Autosave, createAutosave, type SaveState } from "./autosave.ts";
import type { Draft } from "./draft.ts";
import { savePlan } from "./submit-plan.ts";

/** Milliseconds after a change before it is saved, and between tries without a connection. */
const PAUSE = 500;
const RETRY = 4000;

/** Saves the draft of a plan a moment after each change. */
export function useAutosave(
  planId: string,
  draft: Draft,
  startRevision: number,
): Pick<Autosave, "save" | "goOnFrom"> & { readonly state: SaveState } {
  const [autosave] = useState(() =>
    createAutosave(draft, startRevision, (sending, revision) => savePlan(planId, sending, revision)),
  );
  const state = useStore(autosave);

  useEffect(() => {
    autosave.setDraft(draft);
    if (!autosave.isUnsaved()) return;
    const timer = setTimeout(autosave.save, PAUSE);
    return () => clearTimeout(timer);
  }, [autosave, draft]);

  useEffect(() => {
    if (state.kind !== "offline") return;
    const timer = setInterval(autosave.save, RETRY);
    return () => clearInterval(timer);
  }, [autosave, state.kind]);

  return { state, save: autosave.save, goOnFrom: autosave.goOnFrom };
}
