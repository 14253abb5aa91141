/** Out of the way of those that read: they stay so short that the engine puts them into the loops that call them. */
function noSuchPlace(index: number, { length }: ArrayLike<unknown>): never {
  throw new RangeError(`No place ${index} in a list of ${length}`);
}

/**
 * The number at a place of a row: a solved sample, a pose's values, a rotation. For rows of Float64Array, in loops too: the
 * engine drops the check where the place is known to be within the row.
 *
 * @param row numbers by place
 * @param index place, from 0
 * @throws RangeError if the row has no such place
 * @example numberAt(Float64Array.of(0.5, 0.25), 1) // 0.25
 */
export function numberAt(row: Float64Array, index: number): number {
  const value = row[index];
  return value === undefined ? noSuchPlace(index, row) : value;
}

/**
 * The item at a place of a list.
 *
 * @param list items by place
 * @param index place, from 0
 * @throws RangeError if the list has no such place
 * @example itemAt(["left", "right"], 1) // "right"
 */
export function itemAt<Item>(list: ArrayLike<Item>, index: number): Item {
  const item = list[index];
  return item === undefined ? noSuchPlace(index, list) : item;
}

/**
 * The value itself, where a missing one is a mistake of ours: a name of a const list that is looked up in that list.
 *
 * @param value what was looked up
 * @param what what it is, for the error
 * @throws Error if the value is null or undefined
 * @example present(new Map([["a", 1]]).get("a"), "entry a") // 1
 */
export function present<Value>(value: Value | null | undefined, what: string): Value {
  if (value === null || value === undefined) throw new Error(`Missing: ${what}`);
  return value;
}
