import type { BodyPart } from "@able-tide/core/caps/body-parts";
import type { Finding, FindingName } from "@able-tide/core/caps/findings";
import { PAIN_PLACES, type PainPlace } from "@able-tide/core/caps/pain-map";
import { RAISED_PRESSURE_HOLD } from "@able-tide/core/caps/screening";
import { partLabel } from "./caps.ts";
import { painPlaceLabel } from "./check-in.ts";

const isPainPlace = (place: PainPlace | BodyPart): place is PainPlace => PAIN_PLACES.some(({ name }) => name === place);
const placeLabel = ({ place }: Finding): string =>
  place === undefined ? "somewhere" : isPainPlace(place) ? painPlaceLabel(place) : partLabel(place);

/** A finding and what to do next to it; an empty text where there is nothing to do. */
type Said = readonly [finding: string | ((finding: Finding) => string), also: string | ((finding: Finding) => string)];

const FINDINGS: Readonly<Record<FindingName, Said>> = {
  lighter: ["lighter today", "a chair behind"],
  notTakingPart: ["not taking part today", ""],
  morePain: [(finding) => `more pain than usual, ${placeLabel(finding)}`, "pain-free only"],
  strongPain: [(finding) => `strong pain, ${placeLabel(finding)}`, "seated; that part rests"],
  newStrongPain: [(finding) => `strong pain, ${placeLabel(finding)}`, "new pain: not today until it has been assessed"],
  painWithSign: [
    (finding) => `pain, ${placeLabel(finding)}, with an emergency sign`,
    "stop; call for help by the emergency card",
  ],
  painWithoutSign: [(finding) => `pain, ${placeLabel(finding)}`, "emergency signs were checked"],
  painNotAsked: [(finding) => `pain, ${placeLabel(finding)}`, "ask about emergency signs first"],
  noLeaning: [({ side }) => `no leaning on the ${side} hand`, ({ side }) => `no support with the ${side} hand`],
  dizzySettled: ["dizzy earlier, settled", "rail in reach"],
  dizzyNow: ["dizzy now", "take blood pressure; then seated with a smaller dose, or stop"],
  breathless: ["more breathless than usual", ""],
  noSentence: ["cannot finish a sentence", "stop; tell the clinician"],
  badNight: ["a bad night", ""],
  twoBadNights: ["two bad nights or a new sedative", ""],
  tired: ["tired", ""],
  veryTired: ["very tired", ""],
  nearFall: ["near-fall since last time", "re-test"],
  oneFall: ["one fall since last time, unhurt", "re-test"],
  worseFall: ["a fall since last time", "not until the clinician has been informed"],
  medicineChanged: ["medicine changed this week", "one change at a time"],
  wearingOff: ["medicine wearing off", ""],
  firstClassBack: ["first class back after illness", ""],
  secondClassBack: ["second class back after illness", ""],
  highReading: ["a high reading", "sit for 5 minutes, then measure again"],
  highTwice: ["high in two readings 5 minutes apart", "tell the clinician"],
  pressureRaised: ["blood pressure raised", `no static holds over ${RAISED_PRESSURE_HOLD} s`],
  lowReading: ["a low reading", "tell the clinician"],
  warning: ["a warning sign", "tell the clinician"],
  dropFelt: ["pressure falls on standing", "stand up in stages"],
  dropNotFelt: ["pressure falls on standing, not felt", "calf pumps, stand up in stages"],
  lowSaturation: ["low saturation", "tell the clinician"],
  lowGlucose: ["low glucose", "treat first"],
  glucoseNearLow: ["glucose on the low side", "carbohydrate and re-check"],
  highGlucose: ["high glucose and unwell", "tell the clinician"],
  unwell: ["unwell today", "go home; return when well"],
  bowels: ["not in the pool today", "out of the pool until 48 h after the last"],
};

const say = (said: string | ((finding: Finding) => string), finding: Finding): string =>
  typeof said === "string" ? said : said(finding);

/** A finding of the check-in, as "more pain than usual, right shoulder". */
export const formatFinding = (finding: Finding): string => say(FINDINGS[finding.name][0], finding);

/** What to do next to a finding; empty where there is nothing. */
export const formatWhatToDo = (finding: Finding): string => say(FINDINGS[finding.name][1], finding);
