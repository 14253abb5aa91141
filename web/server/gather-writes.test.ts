import { randomBytes } from "node:crypto";
import { EventEmitter } from "node:events";
import { setImmediate } from "node:timers/promises";
import type { Request, Response } from "express";
import fc from "fast-check";
import { expect, test } from "vitest";
import { gatherWrites } from "./gather-writes.ts";

/** A response that keeps what is written to it. */
function responding() {
  const written: (Buffer | "flush" | "end")[] = [];
  const response = Object.assign(new EventEmitter(), {
    write: (piece: Buffer) => written.push(piece) > 0,
    end: () => written.push("end"),
    flush: () => written.push("flush"),
  }) as unknown as Response & { flush: () => void };
  gatherWrites({} as Request, response, () => undefined);
  return { response, told: () => written.map(String), bytes: () => written.filter((each) => Buffer.isBuffer(each)) };
}

test("pieces written at once are passed on as one, and sent although more may come", async () => {
  const { response, told } = responding();
  for (const piece of ["a", "bc", "d"]) {
    response.write(piece);
    response.flush();
  }
  await setImmediate();
  await setImmediate();
  expect(told()).toEqual(["abcd", "flush"]);
  response.write("e");
  response.end();
  expect(told()).toEqual(["abcd", "flush", "e", "end"]);
});

test("every byte arrives once, in order, whatever the pieces", () => {
  fc.assert(
    fc.property(fc.array(fc.nat({ max: 100_000 }), { maxLength: 12 }), (sizes) => {
      const { response, bytes } = responding();
      const pieces = sizes.map((size) => randomBytes(size));
      for (const piece of pieces) response.write(piece);
      response.end();
      expect(Buffer.concat(bytes()).equals(Buffer.concat(pieces))).toBe(true);
      expect(bytes().length).toBeLessThanOrEqual(1 + sizes.reduce((sum, size) => sum + size, 0) / (64 * 1024));
    }),
    { numRuns: 30 },
  );
});

test("nothing is passed on once the reader has gone", async () => {
  const { response, told } = responding();
  response.write("a");
  response.emit("close");
  await setImmediate();
  expect(told()).toEqual([]);
});
