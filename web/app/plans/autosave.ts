import { createStore, type Store } from "../kit/store.ts";
import type { Draft } from "./draft.ts";
import type { SaveAnswer } from "./submit-plan.ts";

/** How the draft stands with the server. */
export type SaveState =
  | { readonly kind: "saved" | "saving" | "offline" }
  | { readonly kind: "refused"; readonly message: string }
  | { readonly kind: "elsewhere"; readonly theirs: Draft; readonly revision: number };

export interface Autosave extends Store<SaveState> {
  /** Tells the newest draft; it is saved with the next `save`. */
  readonly setDraft: (draft: Draft) => void;
  /** Whether the newest draft is not saved yet. */
  readonly isUnsaved: () => boolean;
  /** Saves what is not saved yet; joins a saving that is under way. @returns whether all of it is saved */
  readonly save: () => Promise<boolean>;
  /** Goes on from another revision after a clash: with their draft as saved, or with null to save ours over it. */
  readonly goOnFrom: (revision: number, theirs: Draft | null) => void;
}

/**
 * Saves a draft, one request at a time, with the revision it began from.
 *
 * @param send puts a draft to the server. @throws without an answer
 */
export function createAutosave(
  first: Draft,
  firstRevision: number,
  send: (draft: Draft, revision: number) => Promise<SaveAnswer>,
): Autosave {
  const store = createStore<SaveState>({ kind: "saved" });
  let revision = firstRevision;
  let saved = first;
  let newest = first;
  let running: Promise<boolean> | null = null;
  const setState = (state: SaveState): void => store.set(() => state);

  async function sendAll(): Promise<boolean> {
    try {
      while (newest !== saved) {
        const sending = newest;
        setState({ kind: "saving" });
        const answer = await send(sending, revision);
        if (answer.kind !== "saved") {
          setState(answer);
          return false;
        }
        revision = answer.revision;
        saved = sending;
      }
      setState({ kind: "saved" });
      return true;
    } catch {
      setState({ kind: "offline" });
      return false;
    }
  }

  function save(): Promise<boolean> {
    running ??= sendAll().finally(() => {
      running = null;
    });
    return running;
  }

  return {
    ...store,
    setDraft(draft) {
      newest = draft;
      // A change that waits to be sent is not saved, and one that was undone before it was sent needs no saving.
      const { kind } = store.get();
      if (kind === "saved" && newest !== saved) setState({ kind: "saving" });
      if (kind === "saving" && newest === saved && running === null) setState({ kind: "saved" });
    },
    isUnsaved: () => newest !== saved,
    save,
    goOnFrom(from, theirs) {
      revision = from;
      if (theirs) {
        saved = theirs;
        setState({ kind: "saved" });
      } else void save();
    },
  };
}
