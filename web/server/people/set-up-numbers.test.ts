import { type MeasuredBody, USUAL_BODY, WHOLE } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { expect, test } from "vitest";
import { setUpNumbers } from "./set-up-numbers.ts";

const stiffAnkle: Cap = {
  id: "c",
  limit: { channel: "dorsiflexion", side: "left", limit: 12 },
  reason: "stiff",
  source: "measured",
  strength: "firm",
  forms: null,
  from: "2026-01-01",
  until: null,
  dateKind: "review",
};
const numbers = (stature: number, caps: readonly Cap[] = [], differs: Partial<MeasuredBody> = {}) =>
  setUpNumbers({ stature, measured: { ...USUAL_BODY, ...differs } }, caps);

test("a short person gets a cushion, a tall one none, and depths that suit them", () => {
  const short = numbers(1.5);
  const tall = numbers(1.85);
  expect(short.cushion).toBeGreaterThan(0);
  expect(tall.cushion).toBe(0);
  const deepest = short.standing?.deepest ?? Number.NaN;
  expect(deepest).toBeLessThan(tall.standing?.deepest ?? 0);
  for (const { depth } of short.standing?.water ?? []) expect(depth).toBeLessThanOrEqual(deepest);
});

test("a measured ankle shortens the step and is shown next to it", () => {
  const free = numbers(1.7);
  const stiff = numbers(1.7, [stiffAnkle]);
  expect(free.ankles).toBeNull();
  expect(stiff.ankles).toEqual({ left: 12, right: 25 });
  expect(stiff.standing?.longestStep).toBeLessThan(free.standing?.longestStep ?? 0);
});

test("long legs want a higher seat, and who does not stand gets no floor marks", () => {
  expect(numbers(1.7, [], { legLength: [0.96, 0.96] }).seat).toBeGreaterThan(numbers(1.7).seat);
  expect(numbers(1.7, [], { wheelchair: true }).standing).toBeNull();
  expect(numbers(1.7, [], { legs: [WHOLE, { kind: "still" }] }).standing).toBeNull();
});
