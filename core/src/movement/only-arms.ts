import { dequal } from "dequal";
import type { MovementKey } from "./format.ts";

/** Parts of a key pose that are not the arms. */
const BODY = ["seat", "weight", "press", "sink", "pelvis", "spine", "head", "feet", "leadFoot", "trailFoot", "lift"] as const;

/**
 * Whether nothing but the arms moves from one key pose to the next.
 *
 * @param keys of a movement, or of a variant with key poses of its own
 */
export function onlyArmsMove(keys: readonly MovementKey[]): boolean {
  const [first, ...others] = keys;
  return others.every((key) => BODY.every((part) => key[part] === undefined || dequal(key[part], first?.[part])));
}
