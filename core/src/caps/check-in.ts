import { recordOf } from "../named.ts";
import { type CheckIn, OUTCOMES, type Outcome } from "./answers.ts";
import { BODY_PARTS, type BodyPart } from "./body-parts.ts";
import { type Cap, type CapLimit, sidesOf } from "./cap.ts";
import { USUAL_HANDS_UP } from "./cautious-caps.ts";
import { DAY_ANSWERS, type DayAnswer } from "./day-answers.ts";
import { effectiveCaps, strictestNumber } from "./effective.ts";
import type { Finding } from "./findings.ts";
import { NOT_TAKING_PART } from "./limitations/rule.ts";
import type { Policy } from "./policy.ts";
import { NOTHING_SPECIAL, SCREENING, type ScreenedPerson, type ScreeningFinding } from "./screening.ts";
import type { Source } from "./source.ts";

const PART_NAMES = BODY_PARTS.map(({ name }) => name);
const graver = (a: Outcome, b: Outcome): Outcome => (OUTCOMES.indexOf(a) >= OUTCOMES.indexOf(b) ? a : b);

/** One thing that was out of the ordinary and what follows from it. */
export interface DayFinding {
  readonly finding: Finding;
  readonly source: Source;
  readonly outcome: Outcome;
}

/** The day as the answers tell it. Factors are 0 to 1. */
export interface DayReading {
  readonly outcome: Outcome;
  readonly findings: readonly DayFinding[];
  readonly dose: Readonly<Record<BodyPart | "all", number>>;
  readonly range: Readonly<Record<BodyPart | "all", number>>;
  /** How much lower the balance demand has to be. */
  readonly steadinessDown: number;
  /** Share of the time with the hands up that is left, 0 to 1. */
  readonly handsUp: number;
  /** Limits that the answers name outright. */
  readonly limits: readonly CapLimit[];
}

const whole = (): Record<BodyPart | "all", number> => ({
  all: 1,
  ...recordOf(PART_NAMES, () => 1),
});

/** Reductions add up to this at most. */
const MOST_DOWN = 3;
/** Each reduction in addition to the largest. */
const EACH_FURTHER = 0.5;
/** So many answers out of the ordinary at once are asked about before anything. */
const ASK_FROM = 3;

/** The largest reduction, and half a point for each further one, at most three. */
function stepsDown(reductions: readonly number[]): number {
  const some = reductions.filter((down) => down > 0).toSorted((a, b) => b - a);
  const [largest = 0, ...further] = some;
  return Math.min(MOST_DOWN, largest + EACH_FURTHER * further.length);
}

/**
 * Reads the day's answers by the table of answers and the rules of screening. On each channel the smallest factor wins;
 * they are not multiplied.
 */
export function readCheckIn(answers: CheckIn, policy: Policy, person: ScreenedPerson = NOTHING_SPECIAL): DayReading {
  const said: readonly DayAnswer[] = DAY_ANSWERS.flatMap((row) => row.read(answers));
  const screened: readonly ScreeningFinding[] = SCREENING.flatMap((row) => row.read(answers, policy.thresholds, person));
  const dose = whole();
  const range = whole();
  for (const answer of said) {
    dose.all = Math.min(dose.all, answer.dose);
    range.all = Math.min(range.all, answer.range);
    if (answer.there) {
      dose[answer.there.part] = Math.min(dose[answer.there.part], answer.there.dose);
      range[answer.there.part] = Math.min(range[answer.there.part], answer.there.range);
    }
  }
  const findings: DayFinding[] = [...said, ...screened].map(({ finding, source, outcome }) => ({ finding, source, outcome }));
  const graved = findings.reduce<Outcome>((outcome, finding) => graver(outcome, finding.outcome), "class");
  return {
    outcome: findings.length >= ASK_FROM ? graver(graved, "askFirst") : graved,
    findings,
    dose,
    range,
    steadinessDown: stepsDown(said.map(({ steadiness }) => steadiness)),
    handsUp: Math.min(1, ...said.map(({ handsUp }) => handsUp)),
    limits: [...said, ...screened].flatMap(({ limits }) => limits),
  };
}

/** Channels that the day's dose scales; loads and times of one part follow that part's own factor. */
const SCALED_CHANNELS: Readonly<Partial<Record<CapLimit["channel"], (side: "left" | "right") => BodyPart | "all">>> = {
  standingMinutesAtATime: () => "all",
  standingMinutes: () => "all",
  sessionMinutes: () => "all",
  waterMinutes: () => "all",
  holdSeconds: () => "all",
  holdSecondsInAll: () => "all",
  lowBackLoad: () => "back",
  kneeLoad: (side) => (side === "left" ? "leftLeg" : "rightLeg"),
  legShare: (side) => (side === "left" ? "leftLeg" : "rightLeg"),
  oneLegSeconds: (side) => (side === "left" ? "leftLeg" : "rightLeg"),
  oneLegSecondsInAll: (side) => (side === "left" ? "leftLeg" : "rightLeg"),
  shoulderLoad: (side) => (side === "left" ? "leftArm" : "rightArm"),
  handWeight: (side) => (side === "left" ? "leftArm" : "rightArm"),
  handsUpSeconds: (side) => (side === "left" ? "leftArm" : "rightArm"),
  handsUpSecondsInAll: (side) => (side === "left" ? "leftArm" : "rightArm"),
};

/** Rounds down to whole units, or to tenths where a whole unit is much. */
const down = (value: number): number => (value < 10 ? Math.floor(10 * value + 1e-9) / 10 : Math.floor(value + 1e-9));

const HANDS_UP: readonly CapLimit["channel"][] = ["handsUpSeconds", "handsUpSecondsInAll"];

/** Half of the usual time with the hands up, where nothing says how long that is. */
const usualHandsUp = (caps: readonly Cap[], share: number): CapLimit[] =>
  share < 1 && strictestNumber(caps, "handsUpSeconds") === null
    ? [{ channel: "handsUpSeconds", side: "both", limit: down(share * USUAL_HANDS_UP.atATime) }]
    : [];

/** The active caps, scaled by the day's dose. */
function scaledCaps(caps: readonly Cap[], { dose, handsUp }: Pick<DayReading, "dose" | "handsUp">): CapLimit[] {
  return effectiveCaps(caps).flatMap(({ decides: { limit } }) => {
    const partOf = SCALED_CHANNELS[limit.channel];
    if (!partOf || !("limit" in limit) || typeof limit.limit !== "number") return [];
    const number = limit.limit;
    const held = HANDS_UP.includes(limit.channel) ? handsUp : 1;
    const scaled = (side: "left" | "right") => down(number * Math.min(dose.all, dose[partOf(side)], held));
    if (!("side" in limit)) return scaled("left") < number ? [{ ...limit, limit: scaled("left") } as CapLimit] : [];
    return sidesOf(limit).flatMap((side) => (scaled(side) < number ? [{ ...limit, side, limit: scaled(side) } as CapLimit] : []));
  });
}

const PERCENT = 100;

function partLimits(channel: "roundsShare" | "sizeShare", factors: DayReading["dose"]): CapLimit[] {
  return (["all", ...PART_NAMES] as const).flatMap((part) =>
    factors[part] < 1 ? [{ channel, part, limit: Math.round(PERCENT * factors[part]) }] : [],
  );
}

/** A result under this means seated. */
const SEATED_UNDER = 2;
const TOP = 10;

function steadinessLimits(caps: readonly Cap[], steadinessDown: number): CapLimit[] {
  if (steadinessDown === 0) return [];
  const left = Math.floor(2 * ((strictestNumber(caps, "steadiness") ?? TOP) - steadinessDown) + 1e-9) / 2;
  return left < SEATED_UNDER ? [{ channel: "noStanding" }] : [{ channel: "steadiness", limit: left }];
}

/** What an outcome bars; an override of it, with a word, leaves it out. */
function outcomeLimits(outcome: Outcome): readonly CapLimit[] {
  if (outcome === "seated") return [{ channel: "noStanding" }];
  return outcome === "class" || outcome === "askFirst" ? [] : NOT_TAKING_PART;
}

/**
 * The caps of the day that follow from a check-in. They are added to the active caps and end with the day, so a
 * check-in can only tighten.
 *
 * @param caps those active before
 * @param overridden whether the instructor has let them in against the proposal, with a word on record
 */
export function dayCaps(reading: DayReading, caps: readonly Cap[], day: string, overridden: boolean): Cap[] {
  const limits = [
    ...(overridden ? [] : outcomeLimits(reading.outcome)),
    ...reading.limits,
    ...partLimits("roundsShare", reading.dose),
    ...partLimits("sizeShare", reading.range),
    ...scaledCaps(caps, reading),
    ...usualHandsUp(caps, reading.handsUp),
    ...steadinessLimits(caps, reading.steadinessDown),
  ];
  const findings = reading.findings.map(({ finding }) => finding);
  return limits.map((limit, i) => ({
    id: `today-${String(i).padStart(2, "0")}`,
    limit,
    forms: null,
    reason: { because: "checkIn", findings },
    source: { standard: "checkIn" },
    strength: "comfort",
    from: day,
    until: day,
    dateKind: "review",
  }));
}
