import { AS_USUAL, type CheckIn } from "@able-tide/core/caps/answers";
import { USUAL_POLICY } from "@able-tide/core/caps/policy";
import { NOTHING_SPECIAL } from "@able-tide/core/caps/screening";
import { describe, expect, test } from "vitest";
import { arrivalKey, arrivalRow } from "./arrivals-model.ts";

const PEOPLE = [
  { id: "a", name: "Ama", digit: "1", outOfWater: false },
  { id: "b", name: "Bo", digit: "2", outOfWater: false },
  { id: "k", name: "Kit", digit: "", outOfWater: false },
] as const;
const checkedIn = (answers: Partial<CheckIn>, overriddenBecause: string | null = null) => ({
  answers: { ...AS_USUAL, ...answers },
  overriddenBecause,
  at: "",
});
const row = (answers?: Partial<CheckIn>, because: string | null = null) =>
  arrivalRow(PEOPLE[0], new Set(["a"]), answers && checkedIn(answers, because), USUAL_POLICY, NOTHING_SPECIAL);

describe("a row during arrivals", () => {
  test("before anything is answered says only who is here", () => {
    expect(row()).toMatchObject({ here: true, overall: null, meaning: null });
    expect(arrivalRow(PEOPLE[1], new Set(["a"]), undefined, USUAL_POLICY, NOTHING_SPECIAL).here).toBe(false);
  });

  test("as usual is marked and means nothing more", () => {
    expect(row({})).toMatchObject({ overall: "asUsual", meaning: null });
  });

  test("someone who does not take part is told so, with the reason", () => {
    const { overall, meaning } = row({ overall: "sitOut" });
    expect(overall).toBe("sitOut");
    expect(meaning?.words).toContain("Not taking part today");
    expect(meaning?.takesPart).toBe(false);
  });

  test("a reason to take part all the same is shown behind what the answers say", () => {
    expect(row({ warning: true }, "her doctor rang")?.meaning?.words).toMatch(/Takes part; reason given: her doctor rang$/);
  });

  test("after more than a one-touch answer no one-touch answer is marked", () => {
    expect(row({ sleep: "badNight", medicine: "changed", illness: "secondClassBack" }).overall).toBeNull();
  });
});

describe("keys during arrivals", () => {
  test("a digit chooses its participant; a participant without a digit is never chosen by a key", () => {
    expect(arrivalKey("2", PEOPLE, null)).toEqual({ kind: "choose", personId: "b" });
    expect(arrivalKey("", PEOPLE, null)).toBeNull();
  });

  test("l, o and m are for the participant chosen last, and mean nothing before", () => {
    expect(arrivalKey("l", PEOPLE, null)).toBeNull();
    expect(arrivalKey("l", PEOPLE, "b")).toEqual({
      kind: "answer",
      personId: "b",
      answers: { ...AS_USUAL, overall: "lighter" },
    });
    expect(arrivalKey("o", PEOPLE, "b")).toMatchObject({ kind: "answer", answers: { overall: "sitOut" } });
    expect(arrivalKey("m", PEOPLE, "b")).toEqual({ kind: "more", personId: "b" });
  });

  test("other keys, and a participant who has left the list, mean nothing", () => {
    expect(arrivalKey("x", PEOPLE, "b")).toBeNull();
    expect(arrivalKey("m", PEOPLE, "gone")).toBeNull();
  });
});
