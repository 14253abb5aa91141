import { describe, expect, test } from "vitest";
import { AS_USUAL, type CheckIn } from "./answers.ts";
import { USUAL_THRESHOLDS } from "./policy.ts";
import { NOTHING_SPECIAL, SCREENING, type ScreenedPerson, screeningEffect } from "./screening.ts";
import { SOURCES } from "./source.ts";

const find = (answers: Partial<CheckIn>, person: ScreenedPerson = NOTHING_SPECIAL) =>
  SCREENING.flatMap(({ read }) => read({ ...AS_USUAL, ...answers }, USUAL_THRESHOLDS, person)).map(
    ({ finding, outcome }) => `${finding.name}: ${outcome}`,
  );
const pressure = (systolic: number, diastolic = 75, heartRate = 70) => ({ systolic, diastolic, heartRate });
const { systolicMost, diastolicMost, restingHeartRateMost, fibrillatingHeartRateMost, systolicLeast, restingHeartRateLeast } =
  USUAL_THRESHOLDS;
const { systolicRaised, saturationLeast, glucoseLeast, glucoseSteady, glucoseMost } = USUAL_THRESHOLDS;

test("someone as usual, with ordinary readings, has no finding", () => {
  expect(find({})).toEqual([]);
  expect(find({ pressures: [pressure(130)], saturation: 97, glucose: 7 })).toEqual([]);
});

describe("a high pressure or pulse", () => {
  test.each([
    ["systolic", pressure(systolicMost + 1)],
    ["diastolic", pressure(130, diastolicMost + 1)],
    ["pulse", pressure(130, 75, restingHeartRateMost + 1)],
  ])("of %s is measured again, and then sends home", (_, reading) => {
    expect(find({ pressures: [reading] })).toContain("highReading: takeAgain");
    expect(find({ pressures: [reading, reading] })).toContain("highTwice: sitOut");
  });

  test("at the threshold itself is not high; a second reading that is not high lets take part", () => {
    expect(find({ pressures: [pressure(systolicMost, diastolicMost, restingHeartRateMost)] })).not.toContain(
      "highReading: takeAgain",
    );
    expect(find({ pressures: [pressure(systolicMost + 1), pressure(130)] })).toEqual([]);
  });

  test("with atrial fibrillation the pulse has a threshold of its own", () => {
    const person = { ...NOTHING_SPECIAL, atrialFibrillation: true };
    const over = pressure(130, 75, fibrillatingHeartRateMost + 1);
    expect(fibrillatingHeartRateMost).toBeLessThan(restingHeartRateMost);
    expect(find({ pressures: [over] })).toEqual([]);
    expect(find({ pressures: [over] }, person)).toEqual(["highReading: takeAgain"]);
    expect(find({ pressures: [pressure(130, 75, fibrillatingHeartRateMost)] }, person)).toEqual([]);
  });
});

test("a raised pressure lightens the day from its threshold to the high one", () => {
  const raised = "pressureRaised: class";
  expect(find({ pressures: [pressure(systolicRaised - 1)] })).not.toContain(raised);
  expect(find({ pressures: [pressure(systolicRaised)] })).toContain(raised);
  expect(find({ pressures: [pressure(systolicMost)] })).toContain(raised);
  expect(find({ pressures: [pressure(systolicMost + 1)] })).not.toContain(raised);
});

describe("a low pressure or pulse", () => {
  const low = "lowReading: sitOut";
  test("keeps away below its threshold", () => {
    expect(find({ pressures: [pressure(systolicLeast - 1)] })).toContain(low);
    expect(find({ pressures: [pressure(systolicLeast)] })).not.toContain(low);
    expect(find({ pressures: [pressure(130, 75, restingHeartRateLeast - 1)] })).toContain(low);
  });

  test.each<[string, Partial<CheckIn>]>([
    ["dizziness", { dizziness: "settled" }],
    ["short breath", { breath: "more" }],
    ["tiredness of 4", { fatigue: 4 }],
    ["a fall that is felt", { drop: { systolic: 5, diastolic: 2, felt: true } }],
  ])("with %s keeps away from 10 mmHg further up", (_, symptom) => {
    const pressures = [pressure(systolicLeast + 9)];
    expect(find({ pressures })).not.toContain(low);
    expect(find({ pressures, ...symptom })).toContain(low);
    expect(find({ pressures: [pressure(systolicLeast + 10)], ...symptom })).not.toContain(low);
  });
});

describe("a fall of pressure on standing", () => {
  const felt = "dropFelt: seated";
  const notFelt = "dropNotFelt: class";
  test("by 20 systolic or 10 diastolic counts, felt or not", () => {
    expect(find({ drop: { systolic: 20, diastolic: 0, felt: true } })).toContain(felt);
    expect(find({ drop: { systolic: 0, diastolic: 10, felt: true } })).toContain(felt);
    expect(find({ drop: { systolic: 20, diastolic: 0, felt: false } })).toEqual([notFelt]);
    expect(find({ drop: { systolic: 19, diastolic: 9, felt: false } })).toEqual([]);
  });

  test("from 160 or more lying down it has to be 30", () => {
    expect(find({ drop: { systolic: 29, diastolic: 0, felt: false, lying: 160 } })).toEqual([]);
    expect(find({ drop: { systolic: 30, diastolic: 0, felt: false, lying: 160 } })).toEqual([notFelt]);
    expect(find({ drop: { systolic: 20, diastolic: 0, felt: false, lying: 159 } })).toEqual([notFelt]);
  });
});

describe("oxygen and glucose", () => {
  test("saturation is low under the threshold or the participant's own minimum, whichever is higher", () => {
    const own = { ...NOTHING_SPECIAL, saturationLeast: saturationLeast + 3 };
    expect(find({ saturation: saturationLeast - 1 })).toEqual(["lowSaturation: sitOut"]);
    expect(find({ saturation: saturationLeast })).toEqual([]);
    expect(find({ saturation: saturationLeast + 2 }, own)).toEqual(["lowSaturation: sitOut"]);
    expect(find({ saturation: saturationLeast - 1 }, { ...own, saturationLeast: 80 })).toEqual(["lowSaturation: sitOut"]);
  });

  test("glucose is low, on the low side, steady, or high and unwell", () => {
    expect(find({ glucose: glucoseLeast - 0.1 })).toEqual(["lowGlucose: hold"]);
    expect(find({ glucose: glucoseLeast })).toEqual(["glucoseNearLow: seated"]);
    expect(find({ glucose: glucoseSteady })).toEqual([]);
    expect(find({ glucose: glucoseMost + 0.1 })).toEqual([]);
    expect(find({ glucose: glucoseMost + 0.1, glucoseIll: true })).toEqual(["highGlucose: sitOut"]);
  });
});

test.each<[string, Partial<CheckIn>, string]>([
  ["a warning sign", { warning: true }, "warning: sitOut"],
  ["fever or a new wound", { illness: "feverOrWound" }, "unwell: sitOut"],
  ["diarrhoea", { illness: "bowels" }, "bowels: class"],
])("%s", (_, answers, finding) => {
  expect(find(answers)).toEqual([finding]);
});

test("every rule names its source", () => {
  for (const { source } of SCREENING) expect(SOURCES).toContain(source);
});

test.each(SCREENING.map((rule) => [rule.name, rule] as const))(
  "the example of %s is found by this rule and no other",
  (_, rule) => {
    expect(screeningEffect(rule)).toHaveLength(1);
    const { example } = rule;
    const found = SCREENING.filter(({ read }) => read({ ...AS_USUAL, ...example }, USUAL_THRESHOLDS, NOTHING_SPECIAL).length > 0);
    expect(found.map(({ name }) => name)).toEqual([rule.name]);
  },
);
