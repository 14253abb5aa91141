import { formatCapLimit } from "@able-tide/words/format-cap";
import fc from "fast-check";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { AS_USUAL, CheckIn, type Outcome } from "./answers.ts";

type CheckInInput = v.InferInput<typeof CheckIn>;

import { anyLimit } from "./any-limit.fixture.ts";
import { BODY_PARTS } from "./body-parts.ts";
import { capOf } from "./cap.fixture.ts";
import { isStricter } from "./cap.ts";
import { dayCaps, readCheckIn } from "./check-in.ts";
import { effectiveCaps } from "./effective.ts";
import { PAIN_PLACES } from "./pain-map.ts";
import { USUAL_POLICY } from "./policy.ts";

const DAY = "2026-10-14";
const answers = (more: Partial<CheckInInput>): CheckIn => v.parse(CheckIn, { overall: "asUsual", ...more });
const read = (more: Partial<CheckInInput>) => readCheckIn(answers(more), USUAL_POLICY);
const pressure = (systolic: number, diastolic = 75, heartRate?: number) =>
  heartRate === undefined ? { systolic, diastolic } : { systolic, diastolic, heartRate };

test("as usual changes nothing", () => {
  expect(dayCaps(readCheckIn(AS_USUAL, USUAL_POLICY), [capOf({ channel: "steadiness", limit: 4 })], DAY, false)).toEqual([]);
});

/** The table of the day's answers: dose, range, how much lower the balance demand. */
test.each<[string, Partial<CheckInInput>, number, number, number, Outcome]>([
  ["lighter today", { overall: "lighter" }, 0.7, 0.9, 1, "class"],
  ["Not taking part", { overall: "sitOut" }, 1, 1, 0, "sitOut"],
  ["dizzy Earlier, now settled", { dizziness: "settled" }, 0.7, 1, 1.5, "class"],
  ["dizzy now", { dizziness: "now" }, 0.5, 1, 0, "hold"],
  ["more breathless", { breath: "more" }, 0.6, 1, 1, "class"],
  ["Cannot finish a sentence", { breath: "noSentence" }, 1, 1, 0, "sitOut"],
  ["a bad night", { sleep: "badNight" }, 0.85, 1, 0.5, "class"],
  ["two bad nights", { sleep: "twoBadNights" }, 0.7, 1, 1, "class"],
  ["fatigue 5", { fatigue: 5 }, 0.8, 1, 0.5, "class"],
  ["fatigue 3", { fatigue: 3 }, 1, 1, 0, "class"],
  ["fatigue 7", { fatigue: 7 }, 0.5, 1, 2, "seated"],
  ["Near-fall", { fall: "nearFall" }, 0.9, 1, 0.5, "class"],
  ["one fall, unhurt", { fall: "oneUnhurt" }, 0.9, 1, 1, "class"],
  ["a worse fall", { fall: "worse" }, 1, 1, 0, "hold"],
  ["medicine changed", { medicine: "changed" }, 0.8, 1, 1, "class"],
  ["dose wearing off", { medicine: "wearingOff" }, 0.7, 1, 2, "class"],
  ["First class after illness", { illness: "firstClassBack" }, 0.6, 1, 1, "class"],
  ["second class back", { illness: "secondClassBack" }, 0.8, 1, 0.5, "class"],
])("%s", (_, more, dose, range, steadiness, outcome) => {
  const day = read(more);
  expect([day.dose.all, day.range.all, day.steadinessDown, day.outcome]).toEqual([dose, range, steadiness, outcome]);
});

describe("pain", () => {
  const knee = (now: number, more: object = {}) => read({ pains: [{ part: "leftLeg", now, usual: 3, ...more }] });
  test("two above the usual: half there, .8 else, range .7 there, a little steadier", () => {
    const day = knee(5);
    expect([day.dose.leftLeg, day.dose.all, day.range.leftLeg, day.range.all, day.steadinessDown]).toEqual([0.5, 0.8, 0.7, 1, 1]);
  });
  test("one above the usual is as usual", () => {
    expect(knee(4).findings).toEqual([]);
  });
  test("strong pain rests the part and seats the person; new at night holds them", () => {
    expect([knee(7).dose.leftLeg, knee(7).dose.all, knee(7).outcome]).toEqual([0, 0.5, "seated"]);
    expect(knee(4, { fresh: "night" }).outcome).toBe("hold");
  });
  test("seven is strong only where it is above their usual", () => {
    expect(read({ pains: [{ part: "leftKnee", now: 7, usual: 7 }] }).findings).toEqual([]);
    expect(read({ pains: [{ part: "leftKnee", now: 8, usual: 7 }] }).outcome).toBe("seated");
    expect(read({ pains: [{ part: "leftKnee", now: 7, usual: 7, fresh: "night" }] }).outcome).toBe("hold");
  });
  test("every place on the body has a part whose factors it takes", () => {
    for (const { name, part, alarm } of PAIN_PLACES) {
      const day = read({ pains: [{ part: name, now: 6, fresh: "new", ...(alarm && { alarm: "no" as const }) }] });
      expect(day.dose[part], name).toBe(0.5);
    }
  });
  test.each(["chest", "jaw", "head", "belly", "leftCalf", "rightCalf"] as const)(
    "in %s its questions decide, never its number alone",
    (part) => {
      expect(read({ pains: [{ part, now: 1 }] }).outcome).toBe("hold");
      expect(read({ pains: [{ part, now: 1, alarm: "no" }] }).outcome).toBe("askFirst");
      expect(read({ pains: [{ part, now: 1, alarm: "yes" }] }).outcome).toBe("sitOut");
    },
  );
  const holding = (more: Partial<CheckInInput>) =>
    read(more).limits.flatMap((limit) => (limit.channel === "barredFeature" ? [limit.limit] : []));
  test("a sore arm holds on to nothing, nor does a hand that they cannot lean on", () => {
    expect(holding({ pains: [{ part: "rightShoulder", now: 4, usual: 4 }] })).toEqual(["holdsWithRight"]);
    expect(holding({ pains: [{ part: "leftHand", now: 3, usual: 1 }] })).toEqual(["holdsWithLeft"]);
    expect(holding({ pains: [{ part: "leftHand", now: 3, usual: 2 }] })).toEqual([]);
    expect(holding({ pains: [{ part: "leftKnee", now: 6 }] })).toEqual([]);
    expect(holding({ leans: { right: false } })).toEqual(["holdsWithRight"]);
    expect(holding({ leans: { right: true, left: true } })).toEqual([]);
  });
  test("an arm asks nothing less of steadiness", () => {
    expect(read({ pains: [{ part: "rightArm", now: 6 }] }).steadinessDown).toBe(0);
  });
});

/** The screening table. */
test.each<[string, Partial<CheckInInput>, Outcome]>([
  ["systolic 180 is raised, not high", { pressures: [pressure(180)] }, "class"],
  ["a first high reading is taken again", { pressures: [pressure(182)] }, "takeAgain"],
  ["high twice sits out", { pressures: [pressure(182), pressure(184)] }, "sitOut"],
  ["high once, then not", { pressures: [pressure(182), pressure(158)] }, "class"],
  ["diastolic over 100", { pressures: [pressure(150, 101)] }, "takeAgain"],
  ["pulse over 120", { pressures: [pressure(130, 80, 121)] }, "takeAgain"],
  ["systolic under 90", { pressures: [pressure(89)] }, "sitOut"],
  ["systolic 95 and dizzy", { pressures: [pressure(95)], dizziness: "now" }, "sitOut"],
  ["systolic 95 and dizzy earlier", { pressures: [pressure(95)], dizziness: "settled" }, "sitOut"],
  ["systolic 95 and more breathless", { pressures: [pressure(95)], breath: "more" }, "sitOut"],
  ["systolic 95 and tired", { pressures: [pressure(95)], fatigue: 4 }, "sitOut"],
  ["systolic 95 and nothing felt", { pressures: [pressure(95)] }, "class"],
  ["systolic 100 and dizzy earlier", { pressures: [pressure(100)], dizziness: "settled" }, "class"],
  ["a drop of 25 from 165 lying", { drop: { systolic: 25, diastolic: 4, felt: true, lying: 165 } }, "class"],
  ["a drop of 30 from 165 lying", { drop: { systolic: 30, diastolic: 4, felt: true, lying: 165 } }, "seated"],
  ["pulse under 40", { pressures: [pressure(120, 70, 39)] }, "sitOut"],
  ["a warning sign", { warning: true }, "sitOut"],
  ["a felt drop of 20", { drop: { systolic: 20, diastolic: 4, felt: true } }, "seated"],
  ["an unfelt drop of 10 diastolic", { drop: { systolic: 5, diastolic: 10, felt: false } }, "class"],
  ["saturation 87", { saturation: 87 }, "sitOut"],
  ["saturation 88", { saturation: 88 }, "class"],
  ["glucose 3.9", { glucose: 3.9 }, "hold"],
  ["glucose 4.5", { glucose: 4.5 }, "seated"],
  ["glucose 14 and well", { glucose: 14 }, "class"],
  ["glucose 14 and ill", { glucose: 14, glucoseIll: true }, "sitOut"],
  ["fever", { illness: "feverOrWound" }, "sitOut"],
  ["diarrhoea keeps out of the pool only", { illness: "bowels" }, "class"],
])("%s", (_, more, outcome) => {
  expect(read(more).outcome).toBe(outcome);
});

test("atrial fibrillation and an own floor of saturation make a reading high or low sooner", () => {
  const fibrillates = { atrialFibrillation: true, saturationLeast: 92 };
  const outcome = (more: Partial<CheckInInput>) => readCheckIn(answers(more), USUAL_POLICY, fibrillates).outcome;
  expect(outcome({ pressures: [pressure(130, 80, 111)] })).toBe("takeAgain");
  expect(outcome({ pressures: [pressure(130, 80, 112), pressure(130, 80, 113)] })).toBe("sitOut");
  expect(outcome({ pressures: [pressure(130, 80, 110)] })).toBe("class");
  expect(read({ pressures: [pressure(130, 80, 111)] }).outcome).toBe("class");
  expect(outcome({ saturation: 91 })).toBe("sitOut");
  expect(read({ saturation: 91 }).outcome).toBe("class");
});

test("arms up half the time is half of what holds, or of the usual", () => {
  const up = (caps: readonly Parameters<typeof capOf>[0][]) =>
    effectiveCaps([
      ...caps.map((limit) => capOf(limit)),
      ...dayCaps(
        read({ breath: "more" }),
        caps.map((limit) => capOf(limit)),
        DAY,
        false,
      ),
    ])
      .filter(({ thing }) => thing.startsWith("handsUpSeconds "))
      .map(({ decides }) => formatCapLimit(decides.limit));
  expect(up([])).toEqual([
    "Each hand above the shoulder: up to 22 s at a time",
    "Each hand above the shoulder: up to 22 s at a time",
  ]);
  expect(up([{ channel: "handsUpSeconds", side: "both", limit: 20 }])).toEqual([
    "Left hand above the shoulder: up to 10 s at a time",
    "Right hand above the shoulder: up to 10 s at a time",
  ]);
});

test("dizzy earlier: no hand over the head, not one", () => {
  expect(read({ dizziness: "settled" }).limits).toContainEqual({ channel: "handHeight", side: "both", limit: "crown" });
});

test("three things out of the ordinary at once are asked about", () => {
  expect(read({ sleep: "badNight", fall: "nearFall" }).outcome).toBe("class");
  expect(read({ sleep: "badNight", fall: "nearFall", medicine: "changed" }).outcome).toBe("askFirst");
});

test("the smallest factor wins, and the largest reduction with half a point for each further one, three at most", () => {
  const day = read({ overall: "lighter", sleep: "badNight", breath: "more" });
  expect([day.dose.all, day.steadinessDown]).toEqual([0.6, 2]);
  expect(read({ medicine: "wearingOff", breath: "more", sleep: "twoBadNights", fall: "oneUnhurt" }).steadinessDown).toBe(3);
});

test("a stricter policy sits out sooner", () => {
  const thresholds = { ...USUAL_POLICY.thresholds, saturationLeast: 92 };
  expect(readCheckIn(answers({ saturation: 90 }), { ...USUAL_POLICY, thresholds }).outcome).toBe("sitOut");
});

describe("the day's caps", () => {
  const words = (more: Partial<CheckInInput>, ...limits: Parameters<typeof capOf>[0][]) =>
    dayCaps(
      read(more),
      limits.map((limit) => capOf(limit)),
      DAY,
      false,
    ).map(({ limit }) => formatCapLimit(limit));

  test("scale the dose in force, rounded down, and the size and repetitions of everything", () => {
    expect(
      words({ overall: "lighter" }, { channel: "standingMinutes", limit: 12 }, { channel: "steadiness", limit: 5.5 }),
    ).toEqual([
      "Up to 70% of the repetitions",
      "Range: up to 90% of the full movement",
      "Standing: up to 8.4 min in total",
      "Balance demand: up to 4.5 out of 10",
    ]);
  });

  test("a steadiness that falls under 2 means seated", () => {
    expect(words({ sleep: "twoBadNights" }, { channel: "steadiness", limit: 2.5 })).toContain("No standing");
  });

  test("end with the day and say where they come from", () => {
    const [first] = dayCaps(read({ sleep: "badNight" }), [], DAY, false);
    expect(first).toMatchObject({
      from: DAY,
      until: DAY,
      strength: "comfort",
      reason: { because: "checkIn", findings: [{ name: "badNight" }] },
      source: { standard: "checkIn" },
    });
  });

  test("an override lets a person in and keeps what the answers scale", () => {
    const caps = dayCaps(read({ fatigue: 8 }), [], DAY, true).map(({ limit }) => limit.channel);
    expect(caps).not.toContain("noStanding");
    expect(caps).toContain("roundsShare");
  });
});

const anyAnswers: fc.Arbitrary<Partial<CheckInInput>> = fc.record({
  overall: fc.constantFrom("asUsual" as const, "lighter" as const, "sitOut" as const),
  pains: fc.array(
    fc.record({ part: fc.constantFrom(...BODY_PARTS.map(({ name }) => name)), now: fc.integer({ min: 0, max: 10 }) }),
    {
      maxLength: 2,
    },
  ),
  dizziness: fc.constantFrom("none" as const, "settled" as const, "now" as const),
  sleep: fc.constantFrom("fine" as const, "badNight" as const, "twoBadNights" as const),
  fatigue: fc.integer({ min: 0, max: 10 }),
});

test("a check-in only ever tightens", () => {
  fc.assert(
    fc.property(anyAnswers, fc.array(anyLimit, { maxLength: 5 }), (more, limits) => {
      const caps = limits.map((limit) => capOf(limit));
      const today = new Map(
        effectiveCaps([...caps, ...dayCaps(read(more), caps, DAY, false)]).map(({ thing, decides }) => [thing, decides.limit]),
      );
      for (const { thing, decides } of effectiveCaps(caps)) {
        const now = today.get(thing);
        expect(now).toBeDefined();
        if (now) expect(isStricter(decides.limit, now)).toBe(false);
      }
    }),
  );
});
