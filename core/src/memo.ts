import { LRUCache } from "lru-cache";

/** Gives the value of a key, computed the first time; a value may be null. */
export type Memo<Key, Value> = (key: Key, compute: () => Value) => Value;

/**
 * Keeps computed values by key, and lets go of those that were asked for the longest ago.
 *
 * @param maxEntries how many are kept
 */
export function createMemo<Key extends string | number, Value>(maxEntries: number): Memo<Key, Value> {
  const kept = new LRUCache<Key, { readonly value: Value }>({ max: maxEntries });
  return (key, compute) => {
    const before = kept.get(key);
    if (before !== undefined) return before.value;
    const value = compute();
    kept.set(key, { value });
    return value;
  };
}

/** Returns the value of a key, computed on the first request. */
export function getOrCompute<Key, Value>(known: Map<Key, Value>, key: Key, compute: () => Value): Value {
  const before = known.get(key);
  if (before !== undefined) return before;
  const value = compute();
  known.set(key, value);
  return value;
}
