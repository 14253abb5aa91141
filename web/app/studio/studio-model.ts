import { addKeyAfter, copyPose, mirrorKey, moveKey, removeKey } from "@able-tide/core/movement/edit";
import { changeInVariant, seenInVariant } from "@able-tide/core/movement/edit-variant";
import type { Movement, MovementKey } from "@able-tide/core/movement/format";
import { BREATH_SECONDS } from "@able-tide/core/plan/style";
import { createHistory, type History, push, redo, undo } from "../history.ts";
import { type ChosenVariant, readChosenVariant } from "../kit/chosen-variant.ts";
import { rowAt } from "../kit/row-at.ts";
import { createStore, type Store } from "../kit/store.ts";
import type { EditMovement } from "./edit-movement.ts";
import { type Handle, type Pulled, type PulledKey, type PullView, pull } from "./pull.ts";
import { FIRST_PREVIEW, readPreview, type StudioPerson, type StudioPreview } from "./studio-preview.ts";

interface StudioState {
  readonly history: History<Movement>;
  /** The field that the last change was made in: changes of one field after another count as one. */
  readonly field: string | undefined;
  /** The chosen key pose, as it was asked for; the movement may have fewer. */
  readonly wanted: number;
  /** Whose body, which variant, what support and how deep in water. */
  readonly preview: StudioPreview;
}

/** What a button does to the chosen key pose. */
type KeyCommand =
  | { readonly kind: "addAfter" | "remove" | "mirror" }
  | { readonly kind: "copyOf"; readonly index: number }
  | { readonly kind: "shift"; readonly by: number };

export interface StudioModel extends Store<StudioState> {
  readonly edit: EditMovement;
  /** Edits the movement as the chosen variant sees it: a variant with key poses of its own is edited in those. */
  readonly editSeen: EditMovement;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly choose: (index: number) => void;
  readonly ask: (preview: StudioPreview) => void;
  readonly command: (command: KeyCommand) => void;
  /** Takes a changed movement with the key pose that was changed. */
  readonly takeKey: (changed: PulledKey) => void;
  /** Pulls a handle of the figure; the changes of one pull count as one. @returns whether anything changed */
  readonly pull: (handle: Handle, view: PullView, to: Pulled, along: boolean, figure: StudioFigure) => boolean;
}

/** What the editor shows of a movement. */
export interface StudioFigure {
  /** The solved variant, and its values at the chosen key pose. */
  readonly variant: ChosenVariant;
  readonly row: Float64Array;
  readonly sample: number;
}

/** The movement as the chosen variant sees it, and its chosen key pose. */
export function seenKey({ history, wanted, preview }: StudioState): {
  readonly seen: Movement;
  readonly index: number;
  readonly key: MovementKey | undefined;
} {
  const seen = seenInVariant(history.present, preview.kind);
  const index = Math.min(wanted, seen.keys.length - 1);
  return { seen, index, key: seen.keys[index] };
}

/** Solves what was asked; null where the movement has no such variant. */
export function solvePreview(movement: Movement, preview: StudioPreview, people: readonly StudioPerson[]): ChosenVariant | null {
  const { body, choice, waterline } = readPreview(preview, people);
  const depth = waterline === undefined ? undefined : waterline * body.stature;
  return readChosenVariant(movement, choice, body, BREATH_SECONDS.usual * movement.breaths, depth);
}

/** The figure at a key pose; null where there is none. */
export function figureAt(variant: ChosenVariant | null, key: MovementKey | undefined): StudioFigure | null {
  return variant && key ? { variant, ...rowAt(variant.samples, key.at) } : null;
}

function commanded(command: KeyCommand, seen: Movement, index: number, key: MovementKey | undefined): Movement {
  switch (command.kind) {
    case "addAfter":
      return addKeyAfter(seen, index);
    case "remove":
      return removeKey(seen, index);
    case "mirror":
      return mirrorKey(seen, index);
    case "copyOf":
      return copyPose(seen, command.index, index);
    case "shift":
      return key ? moveKey(seen, index, key.at + command.by) : seen;
  }
}

/** The movement editor: the movement with undo and redo, the chosen key pose, and the body it is tried on. */
export function createStudio(movement: Movement): StudioModel {
  const store = createStore<StudioState>({
    history: createHistory(movement),
    field: undefined,
    wanted: 1,
    preview: FIRST_PREVIEW,
  });
  let pulls = 0;

  const edit: EditMovement = (change, field) =>
    store.set((before) => {
      const next = change(before.history.present);
      if (next === before.history.present) return before;
      const along = field !== undefined && field === before.field;
      return { ...before, history: push(before.history, next, along), field };
    });
  const editSeen: EditMovement = (change, field) =>
    edit((present) => changeInVariant(present, store.get().preview.kind, change), field);
  const choose = (wanted: number): void => store.set((before) => ({ ...before, wanted }));
  const go = (step: typeof undo): void => store.set((before) => ({ ...before, history: step(before.history), field: undefined }));
  const takeKey = ({ movement: next, index }: PulledKey, field?: string): void => {
    editSeen(() => next, field);
    choose(index);
  };

  return {
    ...store,
    edit,
    editSeen,
    undo: () => go(undo),
    redo: () => go(redo),
    choose,
    ask: (preview) => store.set((before) => ({ ...before, preview })),
    command(command) {
      const { seen, index, key } = seenKey(store.get());
      editSeen(() => commanded(command, seen, index, key));
    },
    takeKey: (changed) => takeKey(changed),
    pull(handle, view, to, along, { variant, row }) {
      const { seen, index } = seenKey(store.get());
      const { build } = variant.samples;
      const after = pull(seen, index, row, handle, view, to, { build, seated: store.get().preview.kind === "seated" });
      if (!along) pulls += 1;
      takeKey(after, `pull ${pulls}`);
      return after.movement !== seen;
    },
  };
}
