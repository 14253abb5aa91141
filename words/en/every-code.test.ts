import { LANDMARKS, MIDLINE_RANGES, SIDED_RANGES } from "@able-tide/core/body/channels";
import { HAND_SUPPORTS } from "@able-tide/core/body/supports";
import { WATER_EQUIPMENT_NAMES } from "@able-tide/core/body/water-equipment";
import { MAX_READINGS, type Reading } from "@able-tide/core/caps/answers";
import { FOUR_STAGE_STAND } from "@able-tide/core/caps/balance-levels";
import { WHOLE_OR_PART } from "@able-tide/core/caps/body-parts";
import { STRENGTHS } from "@able-tide/core/caps/cap";
import { CAP_CHANNEL_NAMES } from "@able-tide/core/caps/channels";
import { DAY_ANSWERS } from "@able-tide/core/caps/day-answers";
import { FINDINGS } from "@able-tide/core/caps/findings";
import { CAP_GROUPS } from "@able-tide/core/caps/groups";
import { LIMITATION_RULES } from "@able-tide/core/caps/limitations/all";
import { CAUTION_NAMES } from "@able-tide/core/caps/limitations/cautions";
import { AFFECTED_FEATURES, type AffectedFeature, AREAS } from "@able-tide/core/caps/limitations/rule";
import { ARM_POSITIONS, MEASURED_HOW, MEASURED_RANGE_NAMES } from "@able-tide/core/caps/measured";
import { MOTION_NAMES } from "@able-tide/core/caps/motions";
import { PAIN_PLACE_NAMES } from "@able-tide/core/caps/pain-map";
import { QUESTIONS, THRESHOLDS } from "@able-tide/core/caps/policy";
import { SCREENING } from "@able-tide/core/caps/screening";
import { SOURCES } from "@able-tide/core/caps/source";
import { EVENT_REFUSALS } from "@able-tide/core/class/event-rights";
import { ClassEvent, OBSERVATIONS } from "@able-tide/core/class/events";
import { FILE_PROBLEMS } from "@able-tide/core/files/json";
import { BLOCKED_BY } from "@able-tide/core/fit/cell";
import { FEATURES } from "@able-tide/core/movement/features";
import { PHASES, PURPOSES } from "@able-tide/core/movement/format";
import { SUPPORT_MODES } from "@able-tide/core/movement/support-mode";
import { VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { EMERGENCY_FACTS, MEDICINES } from "@able-tide/core/people/about";
import { CONTENTS } from "@able-tide/core/plan/purpose";
import { READY_STYLES } from "@able-tide/core/plan/style";
import { STYLE_QUESTIONS } from "@able-tide/core/plan/style-questions";
import { SIDE_COUNTS } from "@able-tide/core/planner/side-balance";
import { TRANSITION_HAZARDS } from "@able-tide/core/schedule/transition-steps";
import { describe, expect, test } from "vitest";
import * as body from "./body.ts";
import * as caps from "./caps.ts";
import * as checkIn from "./check-in.ts";
import { eventLabel, formatEventRefusal, observationLabel } from "./class.ts";
import { dayAnswerWords, screeningWords } from "./day-table.ts";
import { formatFileProblem } from "./file-problem.ts";
import { formatFinding, formatWhatToDo } from "./findings.ts";
import { formatCapLimitBriefly, formatTemplate } from "./format-cap.ts";
import * as limitations from "./limitations.ts";
import * as movement from "./movement.ts";
import { factLabel, medicineLabel } from "./people.ts";
import { phaseLabel } from "./phase.ts";
import { contentLabel } from "./plan.ts";
import { sideCountWords } from "./planner.ts";
import { formatHazard } from "./schedule.ts";
import { readyStyleFor, styleChoiceWords, styleQuestionLabel } from "./style.ts";

/** Codes of the core, and what is said of each. */
const of = <Code>(codes: readonly Code[], say: (code: Code) => string): string[][] =>
  codes.map((code) => [JSON.stringify(code), say(code)]);

const SAID: Readonly<Record<string, string[][]>> = {
  "ranges of the body": of([...MIDLINE_RANGES, ...SIDED_RANGES], ({ name }) => body.rangeLabel(name)),
  "hand supports": of(HAND_SUPPORTS, body.formatHandSupport),
  "water equipment": of(WATER_EQUIPMENT_NAMES, body.waterEquipmentLabel),
  landmarks: of(LANDMARKS, (limit) => formatCapLimitBriefly({ channel: "handHeight", side: "left", limit })),
  features: of(FEATURES, movement.featureLabel),
  purposes: of(PURPOSES, movement.purposeLabel),
  variants: of(VARIANT_KINDS, movement.variantLabel),
  "support modes": of(SUPPORT_MODES, movement.supportModeLabel),
  contents: of(CONTENTS, contentLabel),
  phases: of(PHASES, phaseLabel),
  motions: of(MOTION_NAMES, caps.motionLabel),
  "measured ranges": of(MEASURED_RANGE_NAMES, caps.measuredLabel),
  "positions of the arm": of(ARM_POSITIONS, caps.armPositionLabel),
  "how it was measured": of(MEASURED_HOW, caps.measuredHowLabel),
  "parts of the body": of(WHOLE_OR_PART, caps.partLabel),
  "cap channels": of(CAP_CHANNEL_NAMES, caps.capChannelLabel),
  "groups of caps": of(CAP_GROUPS, caps.capGroupLabel),
  strengths: of(STRENGTHS, caps.strengthLabel),
  "stages of the balance test": of(FOUR_STAGE_STAND.stages, ({ name }) => caps.standStageLabel(name)),
  limitations: of(LIMITATION_RULES, ({ name }) => limitations.limitationLabel(name)),
  "kinds of limitations": LIMITATION_RULES.flatMap(({ name, kinds = [] }) =>
    of(kinds, (kind) => limitations.limitationKindLabel(name, kind)),
  ),
  "areas of limitations": of(AREAS, limitations.areaLabel),
  cautions: of(CAUTION_NAMES, (name) => limitations.formatCaution(name)),
  sources: of(SOURCES, limitations.sourceLabel),
  "features of the affected side": of(Object.keys(AFFECTED_FEATURES) as AffectedFeature[], (limit) =>
    formatTemplate({ channel: "barredFeature", limit }),
  ),
  "places of pain": of(PAIN_PLACE_NAMES, checkIn.painPlaceLabel),
  "questions of the check-in": of(QUESTIONS, checkIn.questionLabel),
  thresholds: of(THRESHOLDS, ({ name }) => checkIn.thresholdLabel(name)),
  readings: of(Object.keys(MAX_READINGS) as Reading[], (reading) =>
    checkIn.formatReadingDoubt({ kind: "ask", doubt: "tooMuch", text: "999" }, reading),
  ),
  findings: of(FINDINGS, (name) => formatFinding({ name, place: "leftKnee", side: "left" })),
  "answers of the day": of(DAY_ANSWERS, (rule) => dayAnswerWords(rule).about),
  "what answers propose": of(DAY_ANSWERS, (rule) => dayAnswerWords(rule).proposes),
  screening: of(SCREENING, (rule) => screeningWords(rule).about),
  "what screening proposes": of(SCREENING, (rule) => screeningWords(rule).proposes),
  "notes in class": of(OBSERVATIONS, observationLabel),
  "refused entries of a class": of(EVENT_REFUSALS, formatEventRefusal),
  "entries of a class": of(
    ClassEvent.options.map(({ entries }) => entries.kind.literal),
    eventLabel,
  ),
  "emergency facts": of(EMERGENCY_FACTS, factLabel),
  medicines: of(MEDICINES, medicineLabel),
  "questions of a style": of(STYLE_QUESTIONS, ({ name }) => styleQuestionLabel(name)),
  "choices of a style": STYLE_QUESTIONS.flatMap(({ name, choices }) =>
    of<string>(choices, (choice) => `${styleChoiceWords(name, choice).label}: ${styleChoiceWords(name, choice).does}`),
  ),
  "ready styles": of(READY_STYLES, ({ ready }) => readyStyleFor(ready)),
  "counts of sides": of(SIDE_COUNTS, (count) => sideCountWords(count).label),
  hazards: of(TRANSITION_HAZARDS, formatHazard),
};

describe("every code of the core has words", () => {
  test.each(Object.entries(SAID))("%s", (_, said) => {
    expect(said.length).toBeGreaterThan(0);
    for (const [code, words = ""] of said) {
      expect(words, code).toMatch(/[a-z]/i);
      // A code that came through as it is: camelCase, or nothing where a word should be.
      expect(words, code).not.toMatch(/undefined|null|\[object|\b(?!mmHg)[a-z]+[A-Z]|: $/);
    }
  });

  test("two options that someone chooses between are never called alike", () => {
    const MAY_BE_ALIKE = ["kinds of limitations", "readings", "findings", "what answers propose", "what screening proposes"];
    for (const [kind, said] of Object.entries(SAID)) {
      const words = said.map(([, text]) => text);
      if (!MAY_BE_ALIKE.includes(kind)) expect(new Set(words).size, kind).toBe(words.length);
    }
  });

  test("findings that ask for something say what", () => {
    for (const name of ["dizzyNow", "highReading", "painNotAsked", "lowGlucose", "worseFall"] as const)
      expect(formatWhatToDo({ name, place: "chest" }), name).not.toBe("");
  });

  test("what blocks a variant and what is wrong with a file have words", () => {
    expect(BLOCKED_BY.length).toBeGreaterThan(0);
    const needs: Readonly<Record<string, unknown>> = {
      bodyCannot: { phase: 0.5, what: { kind: "noFoot", side: "left" } },
      beyondAnatomy: { phase: 0.5, kind: "extension", side: "left", beyond: 4 },
      wordsMisfit: { where: "do", words: "Stand" },
      contradictsKeyPose: { said: "hip", key: "first", has: "bow" },
    };
    for (const code of FILE_PROBLEMS) {
      const words = formatFileProblem({ path: "", code, requirement: needs[code] ?? 3 });
      expect(words, code).toMatch(/[a-z]{3}/);
      expect(words, code).not.toMatch(/undefined|NaN|\[object/);
    }
  });
});
