import { balanceDemandShown, type StandStage } from "./balance-levels.ts";
import type { CapLimit } from "./cap.ts";
import { CAUTIOUS_CAP_LIMITS, USUAL_HANDS_UP } from "./cautious-caps.ts";
import { USUAL_PRACTICE } from "./limitations/rule.ts";

/** Sessions without a catch, a wobble or a complaint after which a newcomer may be released. */
export const CLEAN_SESSIONS = 3;
/** Source of the standard caps and of those of new participants. */
export const STANDARD_CAPS_SOURCE = USUAL_PRACTICE;

/** Balance demand for a participant without a test, with a hand on a support. */
const UNTESTED = 3;

/**
 * What the four-stage stand leaves standing: the level that was held. Who held none of it has shown nothing about
 * standing: only with both hands on fixed support and a helper in reach.
 *
 * @param stage furthest stage that was held; null where no one has tested it
 */
const standingLimits = (stage: StandStage | null): readonly CapLimit[] => {
  if (stage === null) return [{ channel: "steadiness", limit: UNTESTED }, { channel: "heldStanding" }];
  const tested: CapLimit = { channel: "steadiness", limit: balanceDemandShown(stage) };
  return stage === "none" ? [tested, { channel: "bothHandsStanding" }] : [tested];
};

/**
 * What a newcomer may do in the first sessions: no recorded limitation does not mean known to be safe. There are no
 * caps by decade of age: the spread within a decade exceeds the step between two.
 *
 * @param stage of the four-stage stand, from the day it is tested
 */
export const newcomerCaps = (stage: StandStage | null): readonly CapLimit[] => [
  ...CAUTIOUS_CAP_LIMITS,
  ...standingLimits(stage),
  { channel: "waterMinutes", limit: 20 },
  { channel: "barredFeature", limit: "headBelowHeart" },
];

/** What holds afterwards when nothing is flagged. @param stage furthest stage of the four-stage stand that was held */
export const capsAfterNewcomer = (stage: StandStage): readonly CapLimit[] => [
  { channel: "standingMinutesAtATime", limit: 15 },
  { channel: "standingMinutes", limit: 40 },
  { channel: "handsUpSeconds", side: "both", limit: USUAL_HANDS_UP.atATime },
  { channel: "handsUpSecondsInAll", side: "both", limit: USUAL_HANDS_UP.inAll },
  { channel: "oneLegSeconds", side: "both", limit: 20 },
  { channel: "oneLegSecondsInAll", side: "both", limit: 120 },
  { channel: "loadedKnee", side: "both", limit: 60 },
  ...standingLimits(stage),
  { channel: "effort", limit: 6 },
  { channel: "sessionMinutes", limit: 60 },
  { channel: "waterMinutes", limit: 40 },
];

/** Standard caps: for every participant until a team member decides otherwise for one of them. */
export const STANDARD_CAP_LIMITS: readonly CapLimit[] = [
  { channel: "barredFeature", limit: "fullNeckCircle" },
  { channel: "barredFeature", limit: "lookingUpWithTurn" },
  { channel: "breathPause", limit: 3 },
];
