import * as v from "valibot";
import { expect, test } from "vitest";
import { measuredRangeForm } from "./measured-range-form.ts";

const DAY = "2026-10-12";
const turn = { range: "shoulderOutwardTurn", how: "painFree", right: 40, day: DAY };
const problems = (form: ReturnType<typeof measuredRangeForm>, value: unknown) =>
  v.safeParse(form, value).issues?.map(({ message }) => message) ?? [];

test("a measured turn says where the arm was", () => {
  expect(problems(measuredRangeForm(DAY), turn)).toEqual([
    "Choose where the arm was: a shoulder turns further in some positions.",
  ]);
  expect(v.parse(measuredRangeForm(DAY), { ...turn, armPosition: "atTheSide" })).toEqual([
    { range: "shoulderOutwardTurn", side: "right", how: "painFree", value: 40, day: DAY, armPosition: "atTheSide" },
  ]);
});

test("a file of before says nothing of it, and other ranges have none", () => {
  expect(v.parse(measuredRangeForm(DAY, { positionKnown: false }), turn)).toMatchObject([{ armPosition: null }]);
  const knee = { range: "kneeFlexion", how: "painFree", left: 90, day: DAY, armPosition: "hanging" };
  expect(v.parse(measuredRangeForm(DAY), knee)).toMatchObject([{ side: "left", armPosition: null }]);
});
