import fc from "fast-check";
import { expect, test } from "vitest";
import { runInterruptible } from "./yield-to-events.ts";

function* counting(to: number, seen: number[] = []): Generator<undefined, number> {
  for (let i = 0; i < to; i += 1) {
    seen.push(i);
    yield;
  }
  return to;
}
const always = () => true;

test("several that run at once all come to their end", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ steps: fc.nat({ max: 30 }), each: fc.integer({ min: 1, max: 5 }) }), { maxLength: 6 }),
      async (runs) => {
        const found = await Promise.all(runs.map(({ steps, each }) => runInterruptible(counting(steps), always, each)));
        expect(found).toEqual(runs.map(({ steps }) => steps));
      },
    ),
    { numRuns: 40 },
  );
});

test("one that is no longer the newest stops at its next step; another goes on", async () => {
  const seen: number[] = [];
  const stopped = runInterruptible(counting(100, seen), () => seen.length < 10);
  const other = runInterruptible(counting(50), always);
  expect(await stopped).toBeNull();
  expect(seen).toHaveLength(10);
  expect(await other).toBe(50);
});

test("messages that arrive during a run are read between its steps", async () => {
  const { port1, port2 } = new MessageChannel();
  let heard = false;
  port1.onmessage = () => {
    heard = true;
  };
  port2.postMessage("newer");
  expect(await runInterruptible(counting(100_000), () => !heard)).toBeNull();
  port1.close();
});
