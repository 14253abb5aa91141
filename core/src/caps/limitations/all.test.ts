import { describe, expect, test } from "vitest";
import { addDays } from "../../calendar.ts";
import type { CapSide } from "../cap.ts";
import { proposedCaps, waitingCaps, waitsOn } from "../propose.ts";
import { limitInWords } from "../words.ts";
import { LIMITATION_RULES, limitationRule } from "./all.ts";

const DAY = "2026-10-14";
const weeksAgo = (weeks: number): string => addDays(DAY, -7 * weeks);

interface Case {
  readonly rule: string;
  readonly side?: CapSide;
  readonly kind?: string;
  /** Weeks since the event. */
  readonly weeks?: number;
  readonly proposes: readonly string[];
  /** What holds while it waits for a clinician; absent where it does not wait. */
  readonly waits?: readonly string[];
}

const OUT = ["No standing", "No seated forms", "Not in the pool"];
const SEATED_ON_LAND = ["No standing", "Not in the pool"];
const QUIET_BREATH = "No holding of the breath";

/** One line a row of the table, at least: what it proposes, in words. */
const CASES: readonly Case[] = [
  {
    rule: "soreShoulder",
    side: "right",
    proposes: ["Right hand stops at shoulder height", "Right arm is held out for half the time at most"],
  },
  {
    rule: "rotatorCuffRepair",
    side: "left",
    weeks: 3,
    proposes: ["Left hand stops at shoulder height", "Nothing heavy in the left hand", "No holding on with the left hand"],
    waits: ["Left arm rests", "No holding on with the left hand"],
  },
  { rule: "rotatorCuffRepair", side: "left", weeks: 30, proposes: [] },
  { rule: "frozenShoulder", side: "right", proposes: ["Right upper arm lifts 90° at most", "Nothing heavy in the right hand"] },
  {
    rule: "shoulderAfterStroke",
    side: "left",
    proposes: ["Left upper arm lifts 90° at most", "No holding on with the left hand"],
    waits: ["Left arm rests", "No holding on with the left hand"],
  },
  {
    rule: "shoulderReplacement",
    side: "right",
    kind: "reverse",
    weeks: 8,
    proposes: ["No holding on with the right hand"],
    waits: ["Right arm rests", "No holding on with the right hand"],
  },
  {
    rule: "shoulderReplacement",
    side: "right",
    kind: "anatomic",
    weeks: 8,
    proposes: ["No holding on with the right hand", "Right upper arm turns out 30° at most, and lifts to 90°"],
    waits: ["Right arm rests", "No holding on with the right hand"],
  },
  {
    rule: "pacemaker",
    side: "left",
    weeks: 2,
    proposes: ["Left hand stops at shoulder height", "No holding on with the left hand"],
    waits: ["Left arm rests", "No holding on with the left hand"],
  },
  { rule: "pacemaker", side: "left", weeks: 7, proposes: [] },
  {
    rule: "breastbone",
    weeks: 10,
    proposes: ["Hands stop at shoulder height", "Hands no wider apart than 1.5 shoulder breadths", "Nothing heavy in the hands"],
    waits: ["Left arm rests", "Right arm rests"],
  },
  { rule: "breastbone", weeks: 12, proposes: [] },
  {
    rule: "handArthritis",
    side: "both",
    proposes: [
      "No holding on with the left hand",
      "No holding on with the right hand",
      "No closing the left hand to a fist",
      "No closing the right hand to a fist",
    ],
  },
  {
    rule: "wristFracture",
    side: "left",
    weeks: 4,
    proposes: ["No holding on with the left hand", "No closing the left hand to a fist"],
  },
  {
    rule: "neckPain",
    proposes: ["Neck turns either way 45° at most", "Neck bends back 20° at most", "No looking up with a turn"],
  },
  {
    rule: "rheumatoidNeck",
    proposes: ["Neck bends forward 30° at most", "No full neck circles"],
    waits: ["Neck bends forward 30° at most", "No full neck circles"],
  },
  {
    rule: "osteoporosis",
    proposes: [
      "Spine rounds forward 30° at most",
      "Spine bends to the side either way 20° at most",
      "Spine turns either way 30° at most",
      "No tapping on the trunk",
    ],
  },
  { rule: "spinalFracture", weeks: 5, proposes: ["Spine rounds forward 25° at most"], waits: OUT },
  { rule: "spinalFracture", weeks: 40, proposes: ["Spine rounds forward 25° at most"] },
  {
    rule: "lowBackPain",
    proposes: [
      "Spine turns either way 30° at most",
      "Spine bends to the side either way 20° at most",
      "Spine rounds forward 30° at most",
    ],
  },
  { rule: "disc", proposes: ["Spine rounds forward 20° at most"] },
  { rule: "spinalStenosis", proposes: ["Spine bends back 5° at most", "Standing 8 min at most at a time"] },
  { rule: "stiffSpine", proposes: ["Spine bends back 5° at most", "Spine rounds forward 20° at most"] },
  {
    rule: "hipReplacement",
    side: "left",
    kind: "posterior",
    weeks: 4,
    proposes: [
      "Left hip bends 90° at most",
      "Left leg goes in past the middle 5° at most",
      "Left hip turns in 5° at most",
      "A seat 5 cm higher at least",
    ],
    waits: OUT,
  },
  {
    rule: "hipReplacement",
    side: "right",
    kind: "anterior",
    weeks: 9,
    proposes: ["No taking the right leg back and turned out at once"],
    waits: OUT,
  },
  {
    rule: "hipReplacement",
    side: "right",
    kind: "lateral",
    weeks: 9,
    proposes: ["No lifting the right leg out by its own strength"],
    waits: OUT,
  },
  { rule: "hipReplacement", side: "right", kind: "posterior", weeks: 13, proposes: [] },
  { rule: "hipReplacement", side: "right", kind: "none", weeks: 2, proposes: [], waits: OUT },
  { rule: "hipReplacement", side: "right", kind: "none", weeks: 40, proposes: [] },
  {
    rule: "hipArthritis",
    side: "left",
    proposes: ["Left knee bends to 45° at most under load", "Left knee loaded to 4 % of weight × stature at most"],
  },
  {
    rule: "kneeArthritis",
    side: "both",
    proposes: ["Knees bend to 45° at most under load", "Knees loaded to 4 % of weight × stature at most"],
  },
  { rule: "kneeReplacement", side: "right", weeks: 5, proposes: ["Right knee bends 90° at most"] },
  {
    rule: "stiffAnkle",
    side: "left",
    proposes: ["Left ankle bends forward 10° at most", "Left ankle bends forward 10° at most with the knee straight"],
  },
  { rule: "neuropathyOfTheFeet", proposes: ["No eyes closed"] },
  { rule: "footUlcer", side: "right", proposes: SEATED_ON_LAND, waits: SEATED_ON_LAND },
  {
    rule: "partialWeightBearing",
    side: "right",
    proposes: ["Right leg takes 50 % of body weight at most"],
    waits: SEATED_ON_LAND,
  },
  { rule: "oneSidedWeakness", side: "left", proposes: ["Standing only with a hold", "No holding on with the left hand"] },
  { rule: "neglect", side: "left", proposes: [] },
  { rule: "aphasia", proposes: [] },
  { rule: "parkinsons", proposes: ["No stepping back without a hold"] },
  { rule: "ataxia", proposes: ["Standing only with a hold"] },
  { rule: "multipleSclerosis", proposes: ["Water no warmer than 29 °C"] },
  {
    rule: "positionalVertigo",
    proposes: [
      "Neck bends back 10° at most",
      "Neck turns either way 45° at most",
      "No looking up with a turn",
      "No eyes closed",
      "No head below the heart",
    ],
  },
  { rule: "vestibularLoss", proposes: [] },
  { rule: "recentFall", kind: "one", weeks: 2, proposes: ["Steadiness stops at 4 of 10"] },
  { rule: "recentFall", kind: "worse", weeks: 2, proposes: ["Steadiness stops at 4 of 10"], waits: SEATED_ON_LAND },
  { rule: "fearOfFalling", proposes: ["Standing only with a hold"] },
  { rule: "lowPressureOnStanding", proposes: ["Hands above the shoulder 10 s at most at a time"] },
  {
    rule: "highBloodPressure",
    kind: "moderate",
    proposes: [
      QUIET_BREATH,
      "Holds last 10 s at most",
      "No head below the heart",
      "Hands above the shoulder 20 s at most at a time",
    ],
  },
  {
    rule: "highBloodPressure",
    kind: "severe",
    proposes: [
      QUIET_BREATH,
      "Holds last 10 s at most",
      "No head below the heart",
      "Hands above the shoulder 20 s at most at a time",
    ],
    waits: OUT,
  },
  {
    rule: "heartDisease",
    proposes: ["Effort 4 of 10 at most", QUIET_BREATH, "Holds last 10 s at most", "Water no deeper than the lower breastbone"],
    waits: OUT,
  },
  { rule: "redFlag", proposes: [], waits: OUT },
  { rule: "legArteryDisease", proposes: ["Holds last 10 s at most"] },
  { rule: "atrialFibrillation", proposes: [] },
  {
    rule: "lungDisease",
    kind: "moderate",
    proposes: [
      QUIET_BREATH,
      "One breath lasts 6 s at most",
      "Hands above the shoulder 22 s at most at a time",
      "Hands above the shoulder 150 s at most in all",
    ],
  },
  {
    rule: "lungDisease",
    kind: "oxygen",
    proposes: [
      QUIET_BREATH,
      "One breath lasts 6 s at most",
      "Hands above the shoulder 22 s at most at a time",
      "Hands above the shoulder 150 s at most in all",
      "Water no deeper than the lower breastbone",
    ],
  },
  { rule: "eyePressure", kind: "glaucoma", weeks: 100, proposes: ["No head below the heart", QUIET_BREATH] },
  { rule: "eyePressure", kind: "surgery", weeks: 2, proposes: ["No head below the heart", QUIET_BREATH], waits: OUT },
  { rule: "eyePressure", kind: "surgery", weeks: 8, proposes: ["No head below the heart", QUIET_BREATH] },
  { rule: "memoryLoss", proposes: [] },
  { rule: "lowVision", proposes: ["No eyes closed"] },
  { rule: "hearingLoss", proposes: ["No eyes closed"] },
  { rule: "diabetes", proposes: [] },
  {
    rule: "abdomen",
    kind: "surgery",
    weeks: 3,
    proposes: [QUIET_BREATH, "Hands hold 1 kg at most", "Holds last 10 s at most"],
    waits: OUT,
  },
  { rule: "abdomen", kind: "other", proposes: [QUIET_BREATH, "Hands hold 1 kg at most", "Holds last 10 s at most"] },
  { rule: "bloodThinners", proposes: [] },
  { rule: "lowPlatelets", proposes: ["No tapping and percussion"] },
  {
    rule: "protectedArm",
    side: "left",
    proposes: [
      "No holding on with the left hand",
      "No closing the left hand to a fist",
      "No tapping and percussion",
      "Water no warmer than 33 °C",
    ],
  },
  { rule: "openSkin", proposes: ["Not in the pool"] },
  { rule: "epilepsy", kind: "settled", proposes: [] },
  { rule: "epilepsy", kind: "active", proposes: [], waits: ["Not in the pool"] },
  { rule: "fatigueAfterExertion", proposes: ["Half the rounds at most"] },
  { rule: "wheelchair", kind: "other", proposes: ["No standing"] },
  { rule: "wheelchair", kind: "cordHigh", proposes: ["No standing"] },
  { rule: "frailty", kind: "obesity", proposes: ["A chair with arms", "A seat 5 cm higher at least"] },
  {
    rule: "frailty",
    kind: "frail",
    proposes: [
      "A chair with arms",
      "A seat 5 cm higher at least",
      "Standing only with a hold",
      "Standing 8 min at most at a time",
      "Standing 20 min at most in all",
      "Hands above the shoulder 20 s at most at a time",
      "Hands above the shoulder 2 min at most in all",
      "Either leg alone 5 s at most",
      "Either leg alone 30 s at most in all",
      "Knees bend to 35° at most under load",
      "Holds last 10 s at most",
      "Effort 4 of 10 at most",
      "The first 45 min of the session at most",
    ],
  },
];

const context = { day: DAY, measured: () => null, steadiness: 5, strictest: () => null, longestBreath: null };

test.each(CASES)("$rule $kind $side, $weeks weeks ago", ({ rule: name, side, kind, weeks, proposes, waits }) => {
  const rule = limitationRule(name);
  if (!rule) throw new Error(`no rule ${name}`);
  const limitation = {
    id: "l",
    rule: name,
    side: side ?? null,
    kind: kind ?? null,
    eventDay: weeks === undefined ? null : weeksAgo(weeks),
  };
  expect(proposedCaps(rule, limitation, context).map(({ limit }) => limitInWords(limit))).toEqual(proposes);
  expect(waitsOn(rule, limitation, DAY)).toBe(waits !== undefined);
  expect(waitingCaps(rule, limitation, DAY).map(({ limit }) => limitInWords(limit))).toEqual(waits ?? []);
});

describe("the whole table", () => {
  test("has a case here for every rule, and for every kind that differs", () => {
    expect(LIMITATION_RULES.map(({ name }) => name).filter((name) => !CASES.some(({ rule }) => rule === name))).toEqual([]);
  });

  test("names each rule once, says its source, and its kinds are its own", () => {
    expect(new Set(LIMITATION_RULES.map(({ name }) => name)).size).toBe(LIMITATION_RULES.length);
    for (const rule of LIMITATION_RULES) {
      expect(rule.source, rule.name).not.toBe("");
      const kinds = (rule.kinds ?? []).map(({ name }) => name);
      for (const named of [rule.waits?.kinds ?? [], ...rule.proposals.map((proposal) => proposal.kinds ?? [])])
        expect(kinds, rule.name).toEqual(expect.arrayContaining([...named]));
      if (!rule.sided) expect(JSON.stringify(rule), rule.name).not.toMatch(/affected/i);
    }
  });

  test("what waits is decided by a clinician, or waits only for some of its kinds", () => {
    for (const { name, waits, decides } of LIMITATION_RULES)
      if (decides === "instructor" && waits) expect(waits.kinds, name).toBeDefined();
  });
});

describe("numbers that follow what was measured", () => {
  const rule = limitationRule("stiffAnkle");
  if (!rule) throw new Error("no stiff ankle");
  const ankles = { left: 8, right: 14 };
  const measured = (range: string, side: "left" | "right") => (range === "dorsiflexion" ? ankles[side] : null);

  test("each ankle gets its own", () => {
    const words = proposedCaps(rule, { side: "both", kind: null, eventDay: null }, { ...context, measured });
    expect(words.map(({ limit }) => limitInWords(limit))).toEqual([
      "Left ankle bends forward 8° at most",
      "Right ankle bends forward 14° at most",
      "Ankles bend forward 10° at most with the knee straight",
    ]);
  });
});

describe("numbers that hang on what holds", () => {
  const lung = limitationRule("lungDisease");
  if (!lung) throw new Error("no lung disease");
  const words = (more: object) =>
    proposedCaps(lung, { side: null, kind: "moderate", eventDay: null }, { ...context, ...more }).map(({ limit }) =>
      limitInWords(limit),
    );

  test("halved is half of what would hold otherwise: a newcomer's twenty seconds come to ten", () => {
    const strictest = (channel: string) => (channel === "handsUpSeconds" ? 20 : channel === "handsUpSecondsInAll" ? 120 : null);
    expect(words({ strictest })).toContain("Hands above the shoulder 10 s at most at a time");
    expect(words({ strictest })).toContain("Hands above the shoulder 60 s at most in all");
    expect(words({})).toContain("Hands above the shoulder 22 s at most at a time");
  });

  test("the longest breath is the one that was measured, and six seconds until it is", () => {
    expect(words({ longestBreath: 4.5 })).toContain("One breath lasts 4.5 s at most");
    expect(words({})).toContain("One breath lasts 6 s at most");
  });
});

test("vertigo of position keeps its caps until a person ends them", () => {
  const rule = limitationRule("positionalVertigo");
  expect(rule?.proposals.map(({ strength }) => strength)).toEqual(Array(5).fill("firm"));
});

describe("dates", () => {
  const dated = (name: string, weeks: number | null) => {
    const rule = limitationRule(name);
    if (!rule) throw new Error(name);
    const eventDay = weeks === null ? null : weeksAgo(weeks);
    return proposedCaps(rule, { side: "left", kind: "one", eventDay }, context).map(({ until, dateKind }) => [until, dateKind]);
  };
  test("comfort is looked at in four weeks, a firm cap in twelve", () => {
    expect(dated("soreShoulder", null)[0]).toEqual([addDays(DAY, 28), "review"]);
    expect(dated("ataxia", null)[0]).toEqual([addDays(DAY, 84), "review"]);
  });
  test("a pacemaker's cap ends six weeks after it was put in", () => {
    expect(dated("pacemaker", 2)).toEqual([
      [addDays(DAY, 28), "ends"],
      [addDays(DAY, 28), "ends"],
    ]);
  });
  test("an event that nobody can date is taken as new", () => {
    expect(dated("pacemaker", null)).toHaveLength(2);
  });
});
