import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { createSlicedRuns } from "./sliced-runs.ts";

function* counting(to: number, seen: number[] = []): Generator<undefined, number> {
  for (let i = 0; i < to; i += 1) {
    seen.push(i);
    yield;
  }
  return to;
}
const go = { priority: 0, throwIfStopped: () => undefined };

/** A clock by which every reading is a slice later: one step a slice. */
function stepClock(): () => number {
  let at = 0;
  return () => {
    at += 1000;
    return at;
  };
}

describe("generators that run in slices", () => {
  test("all come to their end, however many run at once", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.nat({ max: 30 }), { maxLength: 6 }), async (lengths) => {
        const run = createSlicedRuns(stepClock());
        expect(await Promise.all(lengths.map((steps) => run(counting(steps), go)))).toEqual(lengths);
      }),
      { numRuns: 40 },
    );
  });

  test("take turns where they are equally urgent", async () => {
    const run = createSlicedRuns(stepClock());
    const seen: string[] = [];
    function* telling(name: string): Generator<undefined, void> {
      for (let i = 0; i < 3; i += 1) {
        seen.push(`${name}${i}`);
        yield;
      }
    }
    await Promise.all([run(telling("a"), go), run(telling("b"), go)]);
    expect(seen.indexOf("b0")).toBeLessThan(seen.indexOf("a2"));
    expect(seen.indexOf("a1")).toBeLessThan(seen.indexOf("b2"));
  });

  test("a more urgent one ends before the rest of one that is running", async () => {
    const run = createSlicedRuns(stepClock());
    const slow: number[] = [];
    const whole = run(counting(1000, slow), go);
    await run(counting(5), { ...go, priority: 3 });
    expect(slow.length).toBeLessThan(5);
    expect(await whole).toBe(1000);
  });

  test("one that is stopped takes no further slice; another goes on", async () => {
    const run = createSlicedRuns(stepClock());
    const seen: number[] = [];
    const throwIfStopped = () => {
      if (seen.length >= 10) throw new Error("stopped");
    };
    const stopped = run(counting(100, seen), { priority: 0, throwIfStopped });
    const other = run(counting(50), go);
    await expect(stopped).rejects.toThrow("stopped");
    expect(seen).toHaveLength(10);
    expect(await other).toBe(50);
  });

  test("messages are read between slices", async () => {
    const { port1, port2 } = new MessageChannel();
    let heard = false;
    port1.onmessage = () => {
      heard = true;
    };
    port2.postMessage("newer");
    const throwIfStopped = () => {
      if (heard) throw new Error("heard");
    };
    const run = createSlicedRuns(stepClock());
    await expect(run(counting(100_000), { priority: 0, throwIfStopped })).rejects.toThrow("heard");
    port1.close();
  });

  test("an error of a step reaches the caller, and the next run is not held up", async () => {
    const run = createSlicedRuns();
    function* failing(): Generator<undefined, number> {
      yield;
      throw new RangeError("no such pose");
    }
    await expect(run(failing(), go)).rejects.toThrow("no such pose");
    expect(await run(counting(3), go)).toBe(3);
  });
});
