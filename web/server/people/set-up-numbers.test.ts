import type { Cap } from "@able-tide/core/caps/cap";
import { expect, test } from "vitest";
import { setUpNumbers } from "./set-up-numbers.ts";

const stiffAnkle: Cap = {
  id: "c",
  limit: { channel: "dorsiflexion", side: "left", limit: 12 },
  reason: "stiff",
  source: "measured",
  strength: "firm",
  from: "2026-01-01",
  until: null,
};

test("a short person gets a cushion, a tall one none, and depths that suit them", () => {
  const short = setUpNumbers(1.5, []);
  const tall = setUpNumbers(1.85, []);
  expect(short.cushion).toBeGreaterThan(0);
  expect(tall.cushion).toBe(0);
  expect(short.deepest).toBeLessThan(tall.deepest);
  for (const { depth } of short.water) expect(depth).toBeLessThanOrEqual(short.deepest);
});

test("a measured ankle shortens the step and is said beside it", () => {
  const free = setUpNumbers(1.7, []);
  const stiff = setUpNumbers(1.7, [stiffAnkle]);
  expect(free.ankles).toBeNull();
  expect(stiff.ankles).toEqual({ left: 12, right: 25 });
  expect(stiff.longestStep).toBeLessThan(free.longestStep);
});
