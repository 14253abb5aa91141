import type { CapLimit } from "./cap.ts";
import { USUAL_PRACTICE } from "./limitations/rule.ts";
import { type StandStage, steadinessShown } from "./rungs.ts";

/** Sessions without a catch, a wobble or a complaint after which a newcomer may be released. */
export const CLEAN_SESSIONS = 3;
export const NEWCOMER_SOURCE = USUAL_PRACTICE;
/** Everybody's and newcomers' caps say this as their reason. */
export const NEWCOMER_REASON = "newcomer: not yet known to be safe";
export const SETTLED_REASON = "nothing flagged, usual limits";
export const EVERYBODY_REASON = "for everybody until a person decides otherwise";

/**
 * What a newcomer may do in the first sessions: no limitation written down does not mean known to be safe. There are no
 * caps by decade of age: the spread within a decade exceeds the step between two.
 */
export const NEWCOMER_LIMITS: readonly CapLimit[] = [
  { channel: "standingMinutesAtATime", limit: 8 },
  { channel: "standingMinutes", limit: 20 },
  { channel: "handsUpSeconds", side: "both", limit: 20 },
  { channel: "handsUpSecondsInAll", side: "both", limit: 120 },
  { channel: "oneLegSeconds", side: "both", limit: 5 },
  { channel: "oneLegSecondsInAll", side: "both", limit: 30 },
  { channel: "loadedKnee", side: "both", limit: 35 },
  { channel: "steadiness", limit: 3 },
  { channel: "heldStanding" },
  { channel: "effort", limit: 4 },
  { channel: "sessionMinutes", limit: 45 },
  { channel: "waterMinutes", limit: 20 },
  { channel: "barredFeature", limit: "headBelowHeart" },
];

/** What holds afterwards when nothing is flagged. @param stage furthest stage of the four-stage stand that was held */
export const limitsAfterRelease = (stage: StandStage): readonly CapLimit[] => [
  { channel: "standingMinutesAtATime", limit: 15 },
  { channel: "standingMinutes", limit: 40 },
  { channel: "handsUpSeconds", side: "both", limit: 45 },
  { channel: "handsUpSecondsInAll", side: "both", limit: 300 },
  { channel: "oneLegSeconds", side: "both", limit: 20 },
  { channel: "oneLegSecondsInAll", side: "both", limit: 120 },
  { channel: "loadedKnee", side: "both", limit: 60 },
  { channel: "steadiness", limit: steadinessShown(stage) },
  { channel: "effort", limit: 6 },
  { channel: "sessionMinutes", limit: 60 },
  { channel: "waterMinutes", limit: 40 },
];

/** What nobody does until a person decides otherwise for somebody. */
export const EVERYBODY_LIMITS: readonly CapLimit[] = [
  { channel: "barredFeature", limit: "fullNeckCircle" },
  { channel: "barredFeature", limit: "lookingUpWithTurn" },
  { channel: "breathPause", limit: 3 },
];
