import { randomUUID } from "node:crypto";
import { classSteps } from "@able-tide/core/class/class-steps";
import { type ClassEvent, classState, type Observation } from "@able-tide/core/class/events";
import { formatClassStep } from "@able-tide/words/class-step";
import { recordAction } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import { type ClassRecord, classesWithNotes, type NotedClass } from "./class-records.ts";
import { recordEvents } from "./record-events.ts";

/** Something that was noted of a person in class, and what was found out about it afterwards. */
export interface NotedInClass {
  readonly noteId: string;
  readonly classId: string;
  readonly day: string;
  readonly group: string;
  readonly personId: string;
  readonly name: string;
  readonly sign: Observation;
  /** The movement that was being done, with its side and way. */
  readonly movement: string;
  /** Whether someone has to find out how it went on. */
  readonly asks: boolean;
  /** What was found out; null where no one has yet. */
  readonly because: string | null;
}

function notesOf({ taught, events }: ClassRecord<NotedClass>): NotedInClass[] {
  const { id: classId, day, groupName, blocks, names } = taught;
  const state = classState(events);
  const steps = classSteps(blocks);
  return state.notes.map(({ id, personId, step, sign }) => {
    const because = state.followedUp.get(id) ?? null;
    return {
      noteId: id,
      classId,
      day,
      group: groupName,
      personId,
      name: names.get(personId) ?? "",
      sign,
      movement: formatClassStep(blocks, steps[step] ?? null),
      // A rest by choice says nothing.
      asks: sign !== "rested" && because === null,
      because,
    };
  });
}

/** What was noted of people, or of one of them, in the classes since a day, newest class first. */
export async function notedSince(scope: Scope, day: string, personId?: string): Promise<NotedInClass[]> {
  const noted = (await classesWithNotes(scope, day, personId)).flatMap(notesOf);
  return personId === undefined ? noted : noted.filter((note) => note.personId === personId);
}

/** What is found out or put right once a class has ended. */
export type AfterClass = ClassEvent extends infer Event
  ? Event extends { readonly kind: (typeof AFTER_CLASS)[number] }
    ? Omit<Event, "id" | "at" | "deviceAt">
    : never
  : never;
const AFTER_CLASS = ["followedUp", "nextDay", "closingCorrected", "attendanceCorrected", "withdrawn", "noted"] as const;

/** Adds what was found out after a class. @returns false if the organisation has no such class, or refuses it */
export async function recordAfterClass(scope: Scope, classId: string, told: AfterClass): Promise<boolean> {
  const event: ClassEvent = { ...told, id: randomUUID(), at: scope.now().toISOString() };
  if ((await recordEvents(scope, classId, [event]))?.refused.length !== 0) return false;
  if (told.kind !== "followedUp" && told.kind !== "nextDay")
    await recordAction(scope, "changed", { subject: "class", id: classId });
  return true;
}
