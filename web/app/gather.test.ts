import { randomBytes } from "node:crypto";
import { once } from "node:events";
import { setImmediate } from "node:timers/promises";
import fc from "fast-check";
import { expect, test } from "vitest";
import { gather } from "./gather.server.ts";

function passedOn() {
  const stream = gather();
  const passed: Buffer[] = [];
  stream.on("data", (piece: Buffer) => passed.push(piece));
  return { stream, passed };
}

test("pieces written at once are passed on as one, without waiting for the end", async () => {
  const { stream, passed } = passedOn();
  for (const piece of ["a", "bc", "d"]) stream.write(piece);
  await setImmediate();
  await setImmediate();
  expect(passed.map(String)).toEqual(["abcd"]);
  stream.write("e");
  await setImmediate();
  await setImmediate();
  expect(passed.map(String)).toEqual(["abcd", "e"]);
});

test("every byte arrives once, in order, whatever the pieces", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.nat({ max: 100_000 }), { maxLength: 12 }), async (sizes) => {
      const { stream, passed } = passedOn();
      const pieces = sizes.map((size) => randomBytes(size));
      for (const piece of pieces) stream.write(piece);
      stream.end();
      await once(stream, "end");
      expect(Buffer.concat(passed).equals(Buffer.concat(pieces))).toBe(true);
      expect(passed.length).toBeLessThanOrEqual(1 + sizes.reduce((sum, size) => sum + size, 0) / (64 * 1024));
    }),
    { numRuns: 30 },
  );
});

test("nothing is passed on once the reader has gone", async () => {
  const { stream, passed } = passedOn();
  stream.write("a");
  stream.destroy();
  await setImmediate();
  expect(passed).toEqual([]);
});
