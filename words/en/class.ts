import type { EventRefusal } from "@able-tide/core/class/event-rights";
import type { ClassEvent, Observation } from "@able-tide/core/class/events";
import type { SheetCause } from "@able-tide/core/class/sheet-cause";
import { sentenceCase } from "./text.ts";

const SIGN_LABELS: Readonly<Record<Observation, string>> = {
  rested: "Rested",
  wobbled: "Lost balance",
  caught: "Caught",
  pain: "Pain",
  dizzy: "Dizzy",
  hand: "Needed a hand to stand up",
};

/** What a sign is called. */
export const observationLabel = (name: Observation): string => SIGN_LABELS[name];

const SHEET_CAUSES: Readonly<Record<SheetCause, string>> = {
  begun: "fitted as the class began",
  arrivals: "fitted again while people arrived",
  notes: "fitted again after notes in class",
  walkIn: "fitted again for someone who joined",
};

/**
 * Why people did other variants, and from where on: "From Heels up on: fitted again after notes in class".
 *
 * @param cause of the session sheet
 * @param from name of the first movement that it changed; empty where that is the first of the class, or none was left
 */
export const formatSheetCause = (cause: SheetCause, from: string): string => {
  const words = SHEET_CAUSES[cause];
  return from === "" ? sentenceCase(words) : `From ${from} on: ${words}`;
};

/** Words of the 0 to 10 scale of perceived effort. */
export const EFFORT_WORDS = [
  "sitting still",
  "hardly anything",
  "very light",
  "light",
  "light",
  "moderate: breath quicker, whole sentences still easy",
  "moderate: breath quicker, whole sentences still easy",
  "hard: a few words at a time",
  "hard: a few words at a time",
  "very hard",
  "maximum",
] as const;

/** The effort of a class: "4 out of 10, light". */
export const effortWords = (effort: number): string => `${effort} out of 10, ${EFFORT_WORDS[effort]}`;

const REFUSALS: Readonly<Record<EventRefusal, string>> = {
  unreadable: "It could not be read.",
  role: "Only the instructor can record this.",
  needsReason: "It needs a reason.",
  notInClass: "The participant is not in this class.",
  noSuchStep: "This class has no such step.",
  noSuchNote: "The note is not in this class.",
  notEnded: "The class has not ended yet.",
  alreadyEnded: "The class was ended before.",
  afterEnd: "The class had ended by then.",
};

/** Why an entry of a class was not recorded. */
export const formatEventRefusal = (refusal: EventRefusal): string => REFUSALS[refusal];

const EVENT_LABELS: Readonly<Record<ClassEvent["kind"], string>> = {
  moved: "Step",
  attended: "Attendance",
  noted: "Note",
  checkedIn: "Check-in",
  withdrawn: "Note taken back",
  followedUp: "Follow-up",
  nextDay: "Next day",
  ended: "End of class",
  closingCorrected: "Effort and note corrected",
  attendanceCorrected: "Attendance corrected",
};

/** What kind of entry an event of a class is. */
export const eventLabel = (kind: ClassEvent["kind"]): string => EVENT_LABELS[kind];
