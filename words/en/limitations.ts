import { cautionsOfNamed } from "@able-tide/core/caps/limitations/all";
import type { CautionName } from "@able-tide/core/caps/limitations/cautions";
import type { Area, Caution, LimitationRule } from "@able-tide/core/caps/limitations/rule";
import type { Limitation } from "@able-tide/core/caps/propose";
import type { Source } from "@able-tide/core/caps/source";

const AREA_LABELS: Readonly<Record<Area, string>> = {
  shouldersAndArms: "shoulders and arms",
  neckAndBack: "neck and back",
  hipsKneesAndFeet: "hips, knees and feet",
  nervesAndBalance: "nerves and balance",
  heartAndBreath: "heart and breath",
  sensesAndMemory: "senses and memory",
  skinBloodAndOrgans: "skin, blood and inner organs",
  wholePerson: "the whole person",
};
/** The heading under which limitations are listed. */
export const areaLabel = (area: Area): string => AREA_LABELS[area];

/** What each limitation is called, by its rule's name: a diagnosis, for those who may read it. */
const LIMITATION_LABELS: Readonly<Record<string, string>> = {
  lowPressureOnStanding: "Low blood pressure on standing",
  highBloodPressure: "High blood pressure, not controlled",
  heartDisease: "Heart failure, recent heart event, angina, severe aortic stenosis or aneurysm",
  redFlag: "Clot in leg or lung, cancer in bone, unexplained weight loss or night pain",
  legArteryDisease: "Leg artery disease",
  atrialFibrillation: "Atrial fibrillation, or a beta-blocker",
  lungDisease: "Lung disease",
  hipReplacement: "Hip replacement",
  hipArthritis: "Hip arthritis",
  kneeArthritis: "Knee arthritis",
  kneeReplacement: "Knee replacement",
  stiffAnkle: "Stiff ankle",
  neuropathyOfTheFeet: "Neuropathy of the feet",
  footUlcer: "Foot ulcer or Charcot foot",
  partialWeightBearing: "Partial weight-bearing",
  neckPain: "Neck arthritis or neck pain",
  rheumatoidNeck: "Rheumatoid arthritis of the neck",
  osteoporosis: "Osteoporosis, no fracture",
  spinalFracture: "Spinal fracture",
  lowBackPain: "Low-back pain",
  disc: "Disc trouble or sciatica",
  spinalStenosis: "Spinal stenosis",
  stiffSpine: "Spinal fusion, ankylosing spondylitis or kyphosis",
  oneSidedWeakness: "Stroke, one-sided weakness",
  neglect: "One-sided neglect",
  aphasia: "Aphasia",
  parkinsons: "Parkinson's disease",
  ataxia: "Ataxia or tremor",
  multipleSclerosis: "Multiple sclerosis",
  positionalVertigo: "Vertigo of position, acute",
  vestibularLoss: "Vestibular loss, settled",
  recentFall: "Fall or near-fall in the last three months",
  fearOfFalling: "Fear of falling",
  eyePressure: "Glaucoma, eye surgery or proliferative retinopathy",
  memoryLoss: "Memory loss",
  lowVision: "Low vision",
  hearingLoss: "Hearing loss",
  soreShoulder: "Sore shoulder",
  rotatorCuffRepair: "Rotator-cuff repair",
  frozenShoulder: "Frozen shoulder",
  shoulderAfterStroke: "Weak or subluxed shoulder after a stroke",
  shoulderReplacement: "Shoulder replacement",
  pacemaker: "New pacemaker or defibrillator",
  breastbone: "Breastbone opened for heart surgery",
  handArthritis: "Hand arthritis",
  wristFracture: "Wrist fracture",
  diabetes: "Diabetes on treatment",
  abdomen: "Abdominal hernia or surgery, prolapse, reflux, stoma or catheter",
  bloodThinners: "Blood thinners",
  lowPlatelets: "Low platelets",
  protectedArm: "Dialysis arm or line, or lymphoedema",
  openSkin: "Open wound, incontinence not managed, or tracheostomy",
  epilepsy: "Epilepsy",
  fatigueAfterExertion: "Fatigue that follows exertion",
  wheelchair: "Wheelchair, spinal cord injury or amputation",
  frailty: "Frailty or obesity",
};

/** What each kind of a limitation is called, by its rule's name. */
const KIND_LABELS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  highBloodPressure: { moderate: "not severe", severe: "severe" },
  lungDisease: { moderate: "not severe", severe: "severe", oxygen: "on home oxygen" },
  hipReplacement: {
    posterior: "posterior approach",
    anterior: "anterior approach",
    lateral: "lateral approach",
    none: "no precautions given",
  },
  recentFall: { one: "one, explained, unhurt", worse: "unexplained, a blackout, an injury, or two and more" },
  eyePressure: { glaucoma: "glaucoma", surgery: "eye surgery", retinopathy: "proliferative retinopathy" },
  shoulderReplacement: { reverse: "reverse", anatomic: "anatomic" },
  abdomen: { surgery: "after surgery", other: "without surgery" },
  epilepsy: { settled: "no seizure for 12 months", active: "a seizure within 12 months" },
  wheelchair: {
    other: "wheelchair or amputation",
    cordBelow: "cord injury below the sixth thoracic level",
    cordHigh: "cord injury at the sixth thoracic level or above",
  },
  frailty: { frail: "frailty", obesity: "obesity" },
};

/** `{that}` stands for the side of the limitation. */
const CAUTION_SENTENCES: Readonly<Record<CautionName, string>> = {
  askAboutConfidence: "Ask about confidence every time",
  askAboutGlucose: "Ask about glucose before class",
  askAgainForThreeDays: "Ask again after 24, 48 and 72 hours",
  bendAsSymptomsAllow: "Bend forward only as symptoms allow: less if leg pain increases",
  brakesChecked: "Brakes and footplates are checked",
  buildUpSlowly: "Build up slowly; the arm up is fine",
  calfPumpsRiseInStages: "Calf pumps, then rise in stages",
  cannotGripRail: "Cannot grip a rail on {that} side",
  chairRatedForWeight: "The chair is rated for the weight",
  checkFeet: "Check feet after class",
  classWhileMedicineWorks: "Schedule class while the medicine is working well",
  comeFromSeeingSide: "Come from the side they see",
  comfortableRange: "Stay in the comfortable range; no force",
  doNotChangeVariant: "Do not change this participant's variant to suit others",
  doNotLiftArm: "Do not lift or pull on the arm",
  doNotPullArm: "Do not pull on the arm",
  effortInWords: "Effort in words, not heart rate",
  feetLookedAtAfterClass: "Feet are looked at after class",
  feetWide: "Feet wide",
  firmSupportFirst: "Firm support first",
  glassesOffInPool: "In the pool glasses are off",
  headNeverDrops: "The head never drops to its end forward",
  headTurnsHelpRecovery: "Head turns help recovery: include them at a balance demand the participant manages",
  headTurnsSlow: "Head turns are slow",
  hearingAidsOffInPool: "In the pool hearing aids are off",
  helperStaysNear: "The helper stays near",
  higherSeatFootAhead: "A higher seat, {that} foot a little ahead when sitting and rising",
  hipHingeAndGentleExtension: "A hinge at the hips and gentle bending back are welcome",
  hipHingeFree: "A hinge at the hips is free",
  keepSeatedVariantReady: "Keep a seated variant ready",
  knockOnHead: "A knock on the head is an emergency",
  largeMovementWelcome: "Large movement is welcome where it is safe",
  leanOnNothingThatMoves: "Do not lean on anything that can move",
  leavePoolInStages: "Leaving the pool: waist-deep 1 minute, hold the rail, sit 2 minutes",
  lightTappingOnly: "Light tapping with a flat hand only",
  longRests: "Long rests",
  lookStraightAhead: "Look straight ahead as far as the participant can",
  namedPoolCompanion: "In the pool a named companion in reach",
  nearInstructor: "Near the instructor",
  noActiveLegLiftOut: "No lifting the leg out by its own strength",
  noFoldAfterMeal: "No fold forward after a meal",
  noForcedRange: "No forced range",
  noHandBehindBack: "That hand does not go behind the back with the arm stretched",
  noLoadedRounding: "No repeated or loaded rounding or twisting",
  noLyingNoRolling: "No lying down, no rolling",
  noPivotOnLoadedFoot: "No pivot on a loaded foot",
  noPoolUntilClosed: "Not in the pool until it is closed or managed, or the clinician says so",
  noPushingOrPulling: "No pushing or pulling with the arms, not even out of the chair",
  noPushingUpWithArm: "No pushing up from the chair with {that} arm",
  noQuickTurns: "No quick turns",
  noStrain: "No strain",
  noStretchBackFootOut: "No stretch back with the foot turned out",
  noTightGrip: "No tight grip and no tapping on {that} arm",
  noTurningOnFoot: "No turning on {that} foot",
  notUntilClinicianAdvises: "Not taking part until the clinician has given advice",
  nothingPressesOnFoot: "Nothing presses on {that} foot",
  oneArmAndSupportedFirst: "Offer one-arm and supported variants first",
  oneArmVariants: "One-arm variants; support the other arm",
  oneChangeSamePlace: "One change at a time, the same place",
  oneInstructionAtATime: "One instruction at a time",
  ownSprayAtHand: "Own spray at hand",
  oxygenTubeOffWalkway: "Keep the oxygen tube off the walkway",
  painUpToFive: "Pain up to 5 that settles within a day is acceptable",
  participantDecidesIncrease: "The participant decides any increase",
  poolByHoistOrSeated: "In and out of the pool by hoist or seated: on the steps the cap on land counts",
  poolOnlyIfCleared: "In the water only if cleared for it",
  poundingHeadache: "Pounding headache with flushing: sit up, loosen what is tight, call for help",
  restsBeforeFatigue: "Rests before fatigue",
  shoesAlsoInWater: "Shoes on, also in the water",
  shoesOn: "Shoes on",
  shortStance: "Short stance",
  shorterSteps: "Shorter steps",
  showAndSay: "Show it, do not only say it",
  shownCues: "Cues are shown",
  sittingBreaksOffered: "Sitting breaks are offered",
  slowStepsInWater: "In the water slow steps only: they load half as much again as standing there",
  spokenCues: "Cues are spoken, contrast is strong",
  stopAndStartAgain: "Stopping to rest and starting again is fine",
  supportInReach: "Support in reach",
  supportStrongerSide: "Support on the stronger side",
  trunkSupport: "Trunk support",
  twoBreathsToOne: "Two breaths to the group's one, as needed",
  untilBalanceTested: "Until the balance is tested again",
};

const SOURCE_LABELS: Readonly<Record<Source, string>> = {
  commonPractice: "common practice",
  acsm: "ACSM guidelines, common practice",
  ada: "ADA 2016",
  ats: "as for the six-minute walk, ATS 2002",
  boneGuidance: "Giangregorio and others 2014, Brooke-Wavell and others 2022",
  consensus: "consensus 2011",
  consensusAndPractice: "consensus 2011, common practice",
  fallsGuidance: "national falls guidance",
  measuredStanding: "measured standing, common practice",
  cdc: "CDC, older-adult fall prevention",
  checkIn: "today's check-in",
  notedInClass: "what was noted in class",
};

/** What a limitation is called, by its rule's name. */
export const limitationLabel = (name: string): string => LIMITATION_LABELS[name] ?? name;

/** What a kind of a limitation is called. */
export const limitationKindLabel = (name: string, kind: string): string => KIND_LABELS[name]?.[kind] ?? kind;

const THAT = { left: "the left", right: "the right", both: "either" } as const;

/**
 * A precaution in a sentence.
 *
 * @param name code of the precaution
 * @param side of the limitation; null where it has none or is not known, as in a table of rules
 * @example formatCaution("noTurningOnFoot", "left") // "No turning on the left foot"
 */
export const formatCaution = (name: CautionName, side: Limitation["side"] = null): string =>
  CAUTION_SENTENCES[name].replace("{that}", side === null ? "that" : THAT[side]);

/** The precautions of a limitation in sentences. */
export const formatCautionsOf = ({ rule, kind, side }: Pick<Limitation, "rule" | "kind" | "side">): string[] =>
  cautionsOfNamed(rule, kind).map((name) => formatCaution(name, side));

/** Where a rule or a number comes from. */
export const sourceLabel = (source: Source): string => SOURCE_LABELS[source];

/** What a limitation is called with its kind and side, as "Hip replacement, posterior approach, left". */
export function formatLimitation({ rule, side, kind }: Pick<Limitation, "rule" | "side" | "kind">): string {
  const kindLabel = kind === null ? undefined : limitationKindLabel(rule, kind);
  const sideLabel = side === null ? undefined : side === "both" ? "both sides" : side;
  return [limitationLabel(rule), kindLabel, sideLabel].filter((word) => word !== undefined).join(", ");
}

/** A precaution with the kinds of the limitation that it is for, for a table. */
export const formatCautionOfRule = (caution: Caution, rule: Pick<LimitationRule, "name" | "kinds">): string =>
  typeof caution === "string"
    ? formatCaution(caution)
    : `${formatCaution(caution.name)} (${(rule.kinds ?? [])
        .filter((kind) => caution.kinds.includes(kind))
        .map((kind) => limitationKindLabel(rule.name, kind))
        .join(", ")})`;
