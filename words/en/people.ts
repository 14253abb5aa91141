import type { RisesFromChair } from "@able-tide/core/caps/rising";
import { type About, agreedFacts, type EmergencyFact, type Medicine } from "@able-tide/core/people/about";
import { sentenceCase } from "./text.ts";

const FACT_LABELS: Readonly<Record<EmergencyFact, string>> = {
  insulin: "insulin",
  seizures: "seizures",
  spray: "spray, and where it is",
  bloodThinner: "blood thinner",
  defibrillator: "own defibrillator",
  allergy: "allergy",
  inhaler: "inhaler, and where it is",
  resuscitation: "wishes about resuscitation",
};

const MEDICINE_LABELS: Readonly<Record<Medicine, string>> = {
  betaBlocker: "beta-blocker",
  anticoagulant: "anticoagulant",
  glucoseLowering: "glucose-lowering",
  parkinsons: "for Parkinson's",
};

const TOUCH: Readonly<Record<About["mayTouch"], string>> = {
  yes: "May be touched",
  ask: "Ask before touching",
  no: "Do not touch",
};

/** Whether a participant may be touched for guidance or support: the same on every screen and printout. */
export const formatTouch = ({ mayTouch }: Pick<About, "mayTouch">): string => TOUCH[mayTouch];

/** What an emergency fact is called. */
export const factLabel = (name: EmergencyFact): string => FACT_LABELS[name];

/** What a class of medicine is called. */
export const medicineLabel = (name: Medicine): string => MEDICINE_LABELS[name];

const RISING: Readonly<Record<RisesFromChair, string>> = {
  unasked: "Not recorded",
  alone: "Alone",
  hand: "With a helping hand",
  lifted: "Only when lifted: stays seated",
};

/** How someone stands up from a chair with arms. */
export const risingLabel = (how: RisesFromChair): string => RISING[how];

/** The emergency facts that a participant agreed to share, each with what it is called. */
export const formatFacts = (about: Pick<About, "facts">): { readonly label: string; readonly words: string }[] =>
  agreedFacts(about).map(({ name, words }) => ({ label: sentenceCase(factLabel(name)), words }));
