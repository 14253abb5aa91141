import { describe, expect, test } from "vitest";
import { AS_USUAL, type CheckIn } from "./answers.ts";
import { DAY_ANSWERS, type DayAnswer, type DayAnswerRow, effectOf } from "./day-answers.ts";

const said = (answers: Partial<CheckIn>): readonly DayAnswer[] =>
  DAY_ANSWERS.flatMap((row) => row.read({ ...AS_USUAL, ...answers }));
const rowsOf = (answers: Partial<CheckIn>): readonly DayAnswerRow[] =>
  DAY_ANSWERS.filter((row) => row.read({ ...AS_USUAL, ...answers }).length > 0).map(({ name }) => name);
const pain = (part: CheckIn["pains"][number]["part"], now: number, more: Partial<CheckIn["pains"][number]> = {}) => ({
  pains: [{ part, now, usual: 0, fresh: "no" as const, ...more }],
});

test("an ordinary day does nothing", () => {
  expect(said({})).toEqual([]);
});

describe("each row of the table", () => {
  test.each(DAY_ANSWERS.map(({ name }) => name))("%s: its example brings that row and no other", (name) => {
    const row = DAY_ANSWERS.find((each) => each.name === name);
    expect(rowsOf(row?.example ?? {})).toEqual([name]);
  });

  /** Dose and range as shares, how much lower the balance demand cap is, and the outcome: as the table states them. */
  test.each<[DayAnswerRow, number, number, number, DayAnswer["outcome"]]>([
    ["lighter", 0.7, 0.9, 1, "class"],
    ["notTakingPart", 1, 1, 0, "sitOut"],
    ["morePain", 0.8, 1, 1, "class"],
    ["strongPain", 0.5, 1, 2, "seated"],
    ["soreArm", 1, 1, 0, "class"],
    ["alarmPlace", 1, 1, 0, "hold"],
    ["dizzySettled", 0.7, 1, 1.5, "class"],
    ["dizzyNow", 0.5, 1, 0, "hold"],
    ["breathless", 0.6, 1, 1, "class"],
    ["noSentence", 1, 1, 0, "sitOut"],
    ["badNight", 0.85, 1, 0.5, "class"],
    ["twoBadNights", 0.7, 1, 1, "class"],
    ["tired", 0.8, 1, 0.5, "class"],
    ["veryTired", 0.5, 1, 2, "seated"],
    ["nearFall", 0.9, 1, 0.5, "class"],
    ["oneFall", 0.9, 1, 1, "class"],
    ["worseFall", 1, 1, 0, "hold"],
    ["medicineChanged", 0.8, 1, 1, "class"],
    ["wearingOff", 0.7, 1, 2, "class"],
    ["firstClassBack", 0.6, 1, 1, "class"],
    ["secondClassBack", 0.8, 1, 0.5, "class"],
  ])("%s: dose %d, range %d, %d points lower, %s", (name, dose, range, steadiness, outcome) => {
    const row = DAY_ANSWERS.find((each) => each.name === name);
    expect(row && effectOf(row)).toMatchObject([{ dose, range, steadiness, outcome }]);
  });
});

describe("pain", () => {
  test.each<[string, Partial<CheckIn>, readonly DayAnswerRow[]]>([
    ["one above the usual is as usual", pain("leftKnee", 3, { usual: 2 }), []],
    ["two above the usual is more", pain("leftKnee", 4, { usual: 2 }), ["morePain"]],
    ["new pain of 3 that is not 2 above the usual is watched only", pain("leftKnee", 3, { usual: 2, fresh: "new" }), []],
    ["new pain of 4 is more, whatever is usual", pain("leftKnee", 4, { usual: 4, fresh: "new" }), ["morePain"]],
    ["7 that is usual is as usual", pain("leftKnee", 7, { usual: 7 }), []],
    ["7 above a usual 6 is strong", pain("leftKnee", 7, { usual: 6 }), ["strongPain"]],
    ["pain at night is strong, however little", pain("leftKnee", 1, { usual: 1, fresh: "night" }), ["strongPain"]],
    ["an arm of 4 holds on to nothing, even if usual", pain("leftShoulder", 4, { usual: 4 }), ["soreArm"]],
    ["a leg of 4 may still lean on a hand", pain("leftKnee", 4, { usual: 4 }), []],
  ])("%s", (_, answers, rows) => {
    expect(rowsOf(answers)).toEqual(rows);
  });

  test("new strong pain waits to be assessed; a known one sits", () => {
    expect(said(pain("leftKnee", 8, { fresh: "new" }))).toMatchObject([{ finding: { name: "newStrongPain" }, outcome: "hold" }]);
    expect(said(pain("leftKnee", 8, { usual: 3 }))).toMatchObject([{ finding: { name: "strongPain" }, outcome: "seated" }]);
  });

  test("lowers the balance demand cap where the part carries the body, and not for an arm", () => {
    expect(said(pain("rightKnee", 3))[0]?.steadiness).toBe(1);
    expect(said(pain("lowBack", 3))[0]?.steadiness).toBe(1);
    expect(said(pain("rightElbow", 3))[0]?.steadiness).toBe(0);
  });

  test("in two places is read for each, with its own part", () => {
    const both = said({ pains: [...pain("leftKnee", 3).pains, ...pain("rightElbow", 3).pains] });
    expect(both.flatMap(({ there }) => there?.part ?? [])).toEqual(["leftLeg", "rightArm"]);
  });

  test.each([
    ["yes", "painWithSign", "sitOut"],
    ["no", "painWithoutSign", "askFirst"],
    [undefined, "painNotAsked", "hold"],
  ] as const)("in the chest, the questions answered with %s", (alarm, name, outcome) => {
    const answers = pain("chest", 2, { usual: 2, ...(alarm && { alarm }) });
    expect(said(answers)).toMatchObject([{ finding: { name, place: "chest" }, outcome }]);
  });
});

test("a hand that cannot be leaned on bars support with that hand alone", () => {
  const [left] = said({ leans: { left: false, right: true } });
  expect(left?.limits).toEqual([{ channel: "barredFeature", limit: "holdsWithLeft" }]);
  expect(said({ leans: { left: false, right: false } })).toHaveLength(2);
});

test.each([
  [3.9, []],
  [4, ["tired"]],
  [6.9, ["tired"]],
  [7, ["veryTired"]],
])("fatigue %d", (fatigue, rows) => {
  expect(rowsOf({ fatigue })).toEqual(rows);
});
