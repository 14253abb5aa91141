import type { FormKind } from "./form.ts";
import type { Movement } from "./format.ts";

/** What a movement's file says of one of its forms; null where there is no such form. */
const patchOf = (movement: Movement, kind: FormKind) => movement.forms[kind] || null;

/** Whether a form has key poses of its own in place of the movement's. */
export const hasOwnKeys = (movement: Movement, kind: FormKind): boolean => patchOf(movement, kind)?.keys !== undefined;

/** Gives a form key poses of its own, to begin with those of the movement. */
export function giveOwnKeys(movement: Movement, kind: FormKind): Movement {
  const patch = patchOf(movement, kind);
  if (patch === null || patch.keys !== undefined) return movement;
  return { ...movement, forms: { ...movement.forms, [kind]: { ...patch, keys: movement.keys } } };
}

/** Lets a form follow the movement's key poses again; its own are gone. */
export function takeOwnKeys(movement: Movement, kind: FormKind): Movement {
  const patch = patchOf(movement, kind);
  if (patch?.keys === undefined) return movement;
  const { keys: _, ...rest } = patch;
  return { ...movement, forms: { ...movement.forms, [kind]: rest } };
}

/** The movement as one of its forms is worked on: with that form's own key poses, where it has some, as the key poses. */
export const seenInForm = (movement: Movement, kind: FormKind): Movement => {
  const keys = patchOf(movement, kind)?.keys;
  return keys === undefined ? movement : { ...movement, keys };
};

/** A change made to the movement as seen in one of its forms, put where it belongs. */
export function changedInForm(movement: Movement, kind: FormKind, change: (seen: Movement) => Movement): Movement {
  if (!hasOwnKeys(movement, kind)) return change(movement);
  const seen = seenInForm(movement, kind);
  const changed = change(seen);
  if (changed === seen) return movement;
  const patch = patchOf(changed, kind);
  const forms = patch === null ? changed.forms : { ...changed.forms, [kind]: { ...patch, keys: changed.keys } };
  return { ...changed, keys: movement.keys, forms };
}
