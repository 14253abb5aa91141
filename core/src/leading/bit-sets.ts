/**
 * The sets of at most so many of so many things, as bits, fewest first.
 *
 * @param count how many things there are
 * @param most how many may be in a set
 */
export function setsOf(count: number, most: number): Int32Array {
  const sets: number[] = [];
  const add = (from: number, left: number, set: number): void => {
    if (left === 0) sets.push(set);
    else for (let i = from; i <= count - left; i += 1) add(i + 1, left - 1, set | (1 << i));
  };
  for (let size = 1; size <= Math.min(most, count); size += 1) add(0, size, 0);
  return Int32Array.from(sets);
}

/**
 * How many things are in a set.
 *
 * @param set as bits
 */
export const bitsIn = (set: number): number => {
  let count = 0;
  for (let bits = set; bits !== 0; bits &= bits - 1) count += 1;
  return count;
};
