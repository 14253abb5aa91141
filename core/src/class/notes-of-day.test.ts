import { describe, expect, test } from "vitest";
import { AS_USUAL } from "../caps/answers.ts";
import { dayCaps, readCheckIn } from "../caps/check-in.ts";
import { USUAL_POLICY } from "../caps/policy.ts";
import type { CheckedIn, Observation, RecordedObservation } from "./events.ts";
import { currentAnswers } from "./notes-of-day.ts";

const note = (sign: Observation, at = "2026-10-14T09:10:00Z"): RecordedObservation => ({
  id: sign,
  personId: "p",
  step: 1,
  sign,
  at,
});
const now = (notes: readonly RecordedObservation[], checked?: CheckedIn) =>
  currentAnswers({ notes, checkIns: new Map(checked ? [["p", checked]] : []) }, "p");
const arrived = (answers: Partial<CheckedIn["answers"]>, at = "2026-10-14T08:55:00Z"): CheckedIn => ({
  answers: { ...AS_USUAL, ...answers },
  overriddenBecause: "knows her own body",
  at,
});

describe("what a note says of the rest of the day", () => {
  test.each<[Observation, string, number, number]>([
    ["wobbled", "nearFall", 0.9, 0.5],
    ["caught", "oneFall", 0.9, 1],
    ["pain", "lighter", 0.7, 1],
  ])("%s reads as %s", (sign, name, dose, steadinessDown) => {
    const answers = now([note(sign)])?.answers ?? AS_USUAL;
    const reading = readCheckIn(answers, USUAL_POLICY);
    expect(reading.findings.map((finding) => finding.finding.name)).toEqual([name]);
    expect(reading).toMatchObject({ outcome: "class", steadinessDown, dose: { all: dose } });
  });

  test("dizzy is dizzy now: nothing is done before someone has asked", () => {
    const reading = readCheckIn(now([note("dizzy")])?.answers ?? AS_USUAL, USUAL_POLICY);
    expect(reading.outcome).toBe("hold");
    const channels = dayCaps(reading, [], "2026-10-14", false).map(({ limit }) => limit.channel);
    expect(channels.filter((channel) => channel === "noStanding" || channel === "barredForm").length).toBeGreaterThan(1);
  });

  test("resting by choice, or a hand in standing up, says nothing", () => {
    expect(now([note("rested")])).toBeNull();
    expect(now([note("hand")])).toBeNull();
  });

  test("what another person showed says nothing", () => {
    expect(currentAnswers({ notes: [note("dizzy")], checkIns: new Map() }, "someone else")).toBeNull();
  });
});

test("a note never takes the place of a graver answer, and ends a word that let them in", () => {
  const checked = arrived({ overall: "sitOut", fall: "worse" });
  const after = now([note("pain"), note("wobbled")], checked);
  expect(after?.answers).toMatchObject({ overall: "sitOut", fall: "worse" });
  expect(after?.overriddenBecause).toBeNull();
});

test("an answer that is given after the note is what counts", () => {
  const later = arrived({ dizziness: "settled" }, "2026-10-14T09:20:00Z");
  expect(now([note("dizzy")], later)).toEqual(later);
});
