import { entryNamed, recordOf } from "../named.ts";
import type { Source } from "./source.ts";

/** Thresholds of the day's screening. `stricter` is the direction an organisation may move them in. */
export const THRESHOLDS = [
  {
    name: "systolicMost",
    usual: 180,
    stricter: "less",
    furthest: 120,
    source: "ats",
  },
  {
    name: "diastolicMost",
    usual: 100,
    stricter: "less",
    furthest: 70,
    source: "ats",
  },
  {
    name: "restingHeartRateMost",
    usual: 120,
    stricter: "less",
    furthest: 80,
    source: "ats",
  },
  {
    name: "fibrillatingHeartRateMost",
    usual: 110,
    stricter: "less",
    furthest: 80,
    source: "commonPractice",
  },
  {
    name: "systolicLeast",
    usual: 90,
    stricter: "more",
    furthest: 120,
    source: "commonPractice",
  },
  {
    name: "restingHeartRateLeast",
    usual: 40,
    stricter: "more",
    furthest: 60,
    source: "commonPractice",
  },
  {
    name: "systolicRaised",
    usual: 160,
    stricter: "less",
    furthest: 110,
    source: "commonPractice",
  },
  {
    name: "saturationLeast",
    usual: 88,
    stricter: "more",
    furthest: 98,
    source: "commonPractice",
  },
  {
    name: "glucoseLeast",
    usual: 4,
    stricter: "more",
    furthest: 8,
    source: "ada",
  },
  {
    name: "glucoseSteady",
    usual: 5,
    stricter: "more",
    furthest: 10,
    source: "ada",
  },
  {
    name: "glucoseMost",
    usual: 13.9,
    stricter: "less",
    furthest: 8,
    source: "ada",
  },
] as const satisfies readonly { source: Source; [key: string]: unknown }[];
export type ThresholdName = (typeof THRESHOLDS)[number]["name"];
export type Thresholds = Readonly<Record<ThresholdName, number>>;

export const USUAL_THRESHOLDS: Thresholds = recordOf(
  THRESHOLDS.map(({ name }) => name),
  (name) => entryNamed<(typeof THRESHOLDS)[number]>(THRESHOLDS, name).usual,
);

/** Questions of the check-in that a group may ask in addition to "as usual, lighter, sit out". */
export const QUESTIONS = [
  "pain",
  "dizziness",
  "breath",
  "sleep",
  "fatigue",
  "fall",
  "medicine",
  "illness",
  "pressure",
  "saturation",
  "glucose",
] as const;
export type Question = (typeof QUESTIONS)[number];

export interface Policy {
  readonly thresholds: Thresholds;
  readonly questions: readonly Question[];
}

export const USUAL_POLICY: Policy = {
  thresholds: USUAL_THRESHOLDS,
  questions: ["pain", "dizziness", "breath", "sleep", "fall", "medicine"],
};

/** The least and the most that an organisation may set a threshold to: the usual, or stricter as far as makes sense. */
export const thresholdBounds = ({
  usual,
  furthest,
}: (typeof THRESHOLDS)[number]): { readonly least: number; readonly most: number } => ({
  least: Math.min(usual, furthest),
  most: Math.max(usual, furthest),
});
