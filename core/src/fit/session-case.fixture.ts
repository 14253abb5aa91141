import fc from "fast-check";
import { itemAt, present } from "../checked-access.ts";
import { type SessionItem, type SessionLimits, type SessionOption, THIRD_REST_COST } from "./session-rules.ts";

/** Sums in a case made up for a test. */
const SUMS = 3;

const REST: SessionOption = { worth: 0, onFeet: false, rests: true, spends: Array(SUMS).fill(0) };

/** Any way of doing a block. */
const option: fc.Arbitrary<SessionOption> = fc.record({
  worth: fc.double({ min: 0.01, max: 1, noNaN: true }),
  onFeet: fc.boolean(),
  rests: fc.constant(false),
  spends: fc.array(fc.integer({ min: 0, max: 40 }), { minLength: SUMS, maxLength: SUMS }),
});

/** What a change may cost, or that there may be none. */
const changeCost = fc.constantFrom(0, 0.03, 0.06, 0.06, 0.12, Number.POSITIVE_INFINITY);

/** Any block of a session. @param options at most so many in addition to rest */
const block = (options: { minLength: number; maxLength: number }): fc.Arbitrary<SessionItem> =>
  fc.record({
    seconds: fc.integer({ min: 20, max: 120 }),
    change: fc.record({ rise: changeCost, sit: changeCost }),
    options: fc.array(option, options).map((each) => [...each, REST]),
  });

export interface SessionCase {
  readonly blocks: readonly SessionItem[];
  readonly limits: SessionLimits;
}

/** Any session of so many items with so many options each, in addition to rest. */
export function anySession(
  blocks: { minLength: number; maxLength: number },
  options: { minLength: number; maxLength: number },
): fc.Arbitrary<SessionCase> {
  const most = blocks.maxLength;
  const limit = fc.oneof(fc.constant(Number.POSITIVE_INFINITY), fc.integer({ min: 0, max: 20 * most }));
  return fc.record({
    blocks: fc.array(block(options), blocks),
    limits: fc.record({
      sums: fc.array(limit, { minLength: SUMS, maxLength: SUMS }),
      run: fc.oneof(fc.constant(Number.POSITIVE_INFINITY), fc.integer({ min: 0, max: 60 * most })),
    }),
  });
}

/** What a choice is worth, by the rules alone; null where it passes a limit. */
export function worthByRules({ blocks, limits }: SessionCase, chosen: readonly number[]): number | null {
  const options = chosen.map((number, b) => present(blocks[b]?.options[number], "option"));
  const within = limits.sums.every((limit, sum) => options.reduce((all, each) => all + itemAt(each.spends, sum), 0) <= limit);
  if (!within) return null;
  let run = 0;
  let rests = 0;
  let worth = 0;
  for (const [b, each] of options.entries()) {
    const of = itemAt(blocks, b);
    run = each.onFeet ? run + of.seconds : 0;
    if (run > limits.run) return null;
    const before = options[b - 1];
    if (before && before.onFeet !== each.onFeet) worth -= each.onFeet ? of.change.rise : of.change.sit;
    if (worth === Number.NEGATIVE_INFINITY) return null;
    if (each.rests && rests >= 2 && of.options.length > 1) worth -= THIRD_REST_COST;
    rests = each.rests ? rests + 1 : 0;
    worth += each.worth;
  }
  return worth;
}
