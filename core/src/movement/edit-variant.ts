import type { Movement } from "./format.ts";
import type { VariantKind } from "./variant.ts";

/** What a movement's file says of one of its variants; null where there is no such variant. */
const patchOf = (movement: Movement, kind: VariantKind) => movement.forms[kind] || null;

/** Whether a variant has key poses of its own in place of the movement's. */
export const hasOwnKeys = (movement: Movement, kind: VariantKind): boolean => patchOf(movement, kind)?.keys !== undefined;

/** Gives a variant key poses of its own, to begin with those of the movement. */
export function addOwnKeys(movement: Movement, kind: VariantKind): Movement {
  const patch = patchOf(movement, kind);
  if (patch === null || patch.keys !== undefined) return movement;
  return { ...movement, forms: { ...movement.forms, [kind]: { ...patch, keys: movement.keys } } };
}

/** Lets a variant follow the movement's key poses again; its own are gone. */
export function dropOwnKeys(movement: Movement, kind: VariantKind): Movement {
  const patch = patchOf(movement, kind);
  if (patch?.keys === undefined) return movement;
  const { keys: _, ...rest } = patch;
  return { ...movement, forms: { ...movement.forms, [kind]: rest } };
}

/**
 * The movement as one of its variants is worked on: with that variant's own key poses, where it has some, as the key
 * poses.
 */
export const seenInVariant = (movement: Movement, kind: VariantKind): Movement => {
  const keys = patchOf(movement, kind)?.keys;
  return keys === undefined ? movement : { ...movement, keys };
};

/** A change made to the movement as seen in one of its variants, put where it belongs. */
export function changeInVariant(movement: Movement, kind: VariantKind, change: (seen: Movement) => Movement): Movement {
  if (!hasOwnKeys(movement, kind)) return change(movement);
  const seen = seenInVariant(movement, kind);
  const changed = change(seen);
  if (changed === seen) return movement;
  const patch = patchOf(changed, kind);
  const forms = patch === null ? changed.forms : { ...changed.forms, [kind]: { ...patch, keys: changed.keys } };
  return { ...changed, keys: movement.keys, forms };
}
