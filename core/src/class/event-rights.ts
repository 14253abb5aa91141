import { type ClassEvent, isSevere, type Observation } from "./events.ts";

/** Why an event of a class is not recorded. */
export const EVENT_REFUSALS = [
  "unreadable",
  "role",
  "needsReason",
  "notInClass",
  "noSuchStep",
  "noSuchNote",
  "notEnded",
  "alreadyEnded",
  "afterEnd",
] as const;
/** Code of a refusal. */
export type EventRefusal = (typeof EVENT_REFUSALS)[number];

/** What is known of a class when an event for it arrives. */
export interface ClassAtArrival {
  /** Ids of everyone in the class. */
  readonly people: ReadonlySet<string>;
  /** Number of steps; the step after the last is the ending. */
  readonly steps: number;
  /** When the class ended, ISO instant; null while it goes on. */
  readonly endedAt: string | null;
  /** Signs that were noted, by the id of the note. */
  readonly notes: ReadonlyMap<string, Observation>;
}

/** Kinds of events that only an instructor records: answers of a check-in, the end, and what is found out afterwards. */
const LEADERS_ONLY: readonly ClassEvent["kind"][] = [
  "checkedIn",
  "ended",
  "followedUp",
  "nextDay",
  "closingCorrected",
  "attendanceCorrected",
];

function contentRefusal(event: ClassEvent, { people, steps, notes, endedAt }: ClassAtArrival): EventRefusal | null {
  if ("personId" in event && !people.has(event.personId)) return "notInClass";
  if ("noteId" in event && !notes.has(event.noteId)) return "noSuchNote";
  switch (event.kind) {
    case "moved":
      return event.step > steps ? "noSuchStep" : null;
    case "noted":
      return event.step >= steps ? "noSuchStep" : null;
    case "nextDay":
    case "closingCorrected":
    case "attendanceCorrected":
      return endedAt === null ? "notEnded" : null;
    default:
      return null;
  }
}

/**
 * Whether an event may be recorded, by its kind, who records it, and the class's people, steps and state.
 *
 * What happened before the end is recorded whenever it arrives; afterwards notes still are, since nothing that was seen
 * may be lost, but the class goes nowhere any more. Taking back a note of dizziness, a catch or pain is the
 * instructor's, with a reason.
 *
 * @param event the event, its time by the server's clock
 * @param taught the class as it is when the event arrives
 * @param leads whether the one who records it leads classes; a helper does not
 * @returns the first reason against it, or null where there is none
 * @example eventRefusal({ kind: "ended", ... }, taught, false) // "role"
 */
export function eventRefusal(event: ClassEvent, taught: ClassAtArrival, leads: boolean): EventRefusal | null {
  if (!leads && LEADERS_ONLY.includes(event.kind)) return "role";
  const refusal = contentRefusal(event, taught);
  if (refusal !== null) return refusal;
  if (event.kind === "withdrawn") {
    const sign = taught.notes.get(event.noteId);
    if (sign !== undefined && isSevere(sign)) {
      if (!leads) return "role";
      if (!event.because) return "needsReason";
    }
  }
  if (taught.endedAt === null) return null;
  if (event.kind === "ended") return "alreadyEnded";
  const goesOn = event.kind === "moved" || event.kind === "attended" || event.kind === "checkedIn";
  return goesOn && Date.parse(event.at) > Date.parse(taught.endedAt) ? "afterEnd" : null;
}

/**
 * The class as it is once an event is recorded, for the next one of the same batch.
 *
 * @param taught the class before the event
 * @param event the event that was recorded
 * @returns the class after it
 */
export function afterEvent(taught: ClassAtArrival, event: ClassEvent): ClassAtArrival {
  if (event.kind === "noted") return { ...taught, notes: new Map(taught.notes).set(event.id, event.sign) };
  if (event.kind === "ended") return { ...taught, endedAt: event.at };
  return taught;
}
