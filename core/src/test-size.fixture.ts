/** Heavy tests have two sizes: small in `npm test`, full in `npm run test:long`. */
const isFull = process.env["TEST_SIZE"] === "full";

/** How many cases a property test draws. */
export const cases = (small: number, full: number): number => (isFull ? full : small);

/** Every so manieth of a list that is gone through one by one; all of it in a full run. */
export const someOf = <Value>(all: readonly Value[], every: number): readonly Value[] =>
  isFull ? all : all.filter((_, i) => i % every === 0);
