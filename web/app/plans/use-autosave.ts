import { useCallback, useEffect, useRef, useState } from "react";
import type { Draft } from "./draft.ts";
import type { SaveAnswer } from "./submit-plan.ts";

const PAUSE = 500;

/** How the draft stands with the server. */
export type SaveState =
  | { readonly kind: "saved" | "saving" | "offline" }
  | { readonly kind: "refused"; readonly message: string }
  | { readonly kind: "elsewhere"; readonly theirs: Draft; readonly version: number };

/**
 * Saves a draft a moment after each change, one request at a time, with the version it began from.
 *
 * @param send puts the draft to the server
 * @returns the state, a way to save at once, and a way to go on from a version after a clash
 */
export function useAutosave(draft: Draft, startVersion: number, send: (draft: Draft, version: number) => Promise<SaveAnswer>) {
  const [state, setState] = useState<SaveState>({ kind: "saved" });
  const version = useRef(startVersion);
  const saved = useRef(draft);
  const newest = useRef(draft);
  const running = useRef<Promise<boolean> | null>(null);
  newest.current = draft;

  const sendAll = useCallback(async (): Promise<boolean> => {
    try {
      while (newest.current !== saved.current) {
        const sending = newest.current;
        setState({ kind: "saving" });
        const answer = await send(sending, version.current);
        if (answer.kind !== "saved") {
          setState(answer);
          return false;
        }
        version.current = answer.version;
        saved.current = sending;
      }
      setState({ kind: "saved" });
      return true;
    } catch {
      setState({ kind: "offline" });
      return false;
    }
  }, [send]);

  /** Saves what is not saved yet; joins a saving that is under way. @returns whether all of it is saved */
  const save = useCallback((): Promise<boolean> => {
    running.current ??= sendAll().finally(() => {
      running.current = null;
    });
    return running.current;
  }, [sendAll]);

  useEffect(() => {
    if (draft === saved.current) return;
    const timer = setTimeout(save, PAUSE);
    return () => clearTimeout(timer);
  }, [draft, save]);

  useEffect(() => {
    if (state.kind !== "offline") return;
    const timer = setInterval(save, 4000);
    return () => clearInterval(timer);
  }, [state.kind, save]);

  /** Goes on from another version: with their draft as saved, or with ours still to be saved over it. */
  const goOnFrom = useCallback(
    (from: number, theirs: Draft | null) => {
      version.current = from;
      if (theirs) {
        saved.current = theirs;
        setState({ kind: "saved" });
      } else void save();
    },
    [save],
  );

  return { state, save, goOnFrom };
}
