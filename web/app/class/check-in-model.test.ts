import { AS_USUAL, CheckIn, MAX_READINGS } from "@able-tide/core/caps/answers";
import { QUESTIONS, USUAL_POLICY } from "@able-tide/core/caps/policy";
import { NOTHING_SPECIAL } from "@able-tide/core/caps/screening";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { createCheckIn, keepsAway } from "./check-in-model.ts";
import { CHECK_IN_QUESTIONS, type CheckInField, TODAY, WARNING_SIGNS } from "./check-in-questions.ts";

const fresh = () => createCheckIn(null, USUAL_POLICY, NOTHING_SPECIAL);
const FIELDS: readonly CheckInField[] = [TODAY, ...QUESTIONS.flatMap((name) => CHECK_IN_QUESTIONS[name]), WARNING_SIGNS];

describe("the questions of the check-in", () => {
  test("every choice offers each answer that can be recorded once, and the usual one first", () => {
    for (const field of FIELDS) {
      if (field.kind !== "choice") continue;
      const names: readonly string[] = field.options.map(([name]) => name);
      const schema = CheckIn.entries[field.key];
      const picklist = "wrapped" in schema ? schema.wrapped : schema;
      expect(names.toSorted(), field.key).toEqual([...picklist.options].toSorted());
      expect(names[0], field.key).toBe(AS_USUAL[field.key]);
      expect(new Set(field.options.map(([, words]) => words)).size, field.key).toBe(names.length);
    }
  });

  test("every answer made of its options is one that can be recorded", () => {
    for (const field of FIELDS)
      if (field.kind === "choice")
        for (const [value] of field.options)
          expect(v.is(CheckIn, { overall: "asUsual", [field.key]: value }), `${field.key} ${value}`).toBe(true);
  });

  test("every measured number has bounds", () => {
    for (const field of FIELDS) if (field.kind === "measure") expect(MAX_READINGS[field.reading]).toBeGreaterThan(0);
  });
});

describe("a check-in", () => {
  test("begins as usual, or with what was recorded before", () => {
    expect(fresh().get().answers).toEqual(AS_USUAL);
    const before = { answers: { ...AS_USUAL, sleep: "badNight" as const }, overriddenBecause: "slept since", at: "" };
    expect(createCheckIn(before, USUAL_POLICY, NOTHING_SPECIAL).get()).toMatchObject({
      answers: { sleep: "badNight" },
      because: "slept since",
    });
  });

  test("an answer that is cleared is left out", () => {
    const model = fresh();
    model.set({ fatigue: 7 });
    expect(model.get().answers.fatigue).toBe(7);
    model.set({ fatigue: undefined });
    expect("fatigue" in model.get().answers).toBe(false);
  });

  test("nothing is recorded while something has to be answered; once tried, what is missing is told", () => {
    const model = fresh();
    model.setUnanswered("pain", "Pain, left knee: say how much it is now.");
    expect(model.save()).toBeNull();
    expect(model.get()).toMatchObject({ tried: true });
    model.setUnanswered("pain", null);
    expect(model.save()).toEqual({ answers: AS_USUAL, because: null });
  });

  test("the same words about the same question change nothing", () => {
    const model = fresh();
    model.setUnanswered("pain", "How much?");
    const before = model.get();
    model.setUnanswered("pain", "How much?");
    expect(model.get()).toBe(before);
  });

  test("a reason is recorded only where the answers keep someone away, without spaces around it", () => {
    const model = fresh();
    model.setBecause("  her doctor rang  ");
    expect(model.save()?.because).toBeNull();
    model.set({ warning: true });
    expect(keepsAway(model.read())).toBe(true);
    expect(model.save()?.because).toBe("her doctor rang");
    model.setBecause("   ");
    expect(model.save()?.because).toBeNull();
  });

  test("three concerns together ask the instructor first and keep no one away", () => {
    const model = fresh();
    model.set({ sleep: "badNight", medicine: "changed", illness: "secondClassBack" });
    expect(model.read().outcome).toBe("askFirst");
    expect(keepsAway(model.read())).toBe(false);
  });
});
