import type { SaveState } from "./autosave.ts";
import type { Draft } from "./draft.ts";

interface Props {
  readonly state: SaveState;
  readonly takeTheirs: (theirs: Draft, revision: number) => void;
  readonly keepOurs: (revision: number) => void;
}

const WORDS = { saved: "Saved", saving: "Saving…", offline: "Not saved yet. No connection; trying again." } as const;

/** How the plan stands with the server, in a word; after a change made elsewhere, the choice between the two. */
export function SaveNote({ state, takeTheirs, keepOurs }: Props) {
  if (state.kind === "elsewhere")
    return (
      <span role="alert" className="flex flex-wrap items-center gap-3 font-semibold text-signal-700">
        Someone else changed this plan while you were editing. Which version do you want?
        <button
          type="button"
          className="min-h-11 underline underline-offset-4"
          onClick={() => takeTheirs(state.theirs, state.revision)}
        >
          Use their version
        </button>
        <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => keepOurs(state.revision)}>
          Keep my version
        </button>
      </span>
    );
  if (state.kind === "refused")
    return (
      <span role="alert" className="font-semibold text-signal-700">
        {state.message}
      </span>
    );
  return (
    <span role="status" className={state.kind === "offline" ? "font-semibold text-signal-700" : "text-sand-600"}>
      {WORDS[state.kind]}
    </span>
  );
}
