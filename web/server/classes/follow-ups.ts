import { randomUUID } from "node:crypto";
import { classSteps } from "@able-tide/core/class/class-steps";
import { type ClassEvent, classState, type NextDayPain, type Observation } from "@able-tide/core/class/events";
import { variantWords } from "@able-tide/words/variant-words";
import type { Scope } from "../scope.ts";
import { addEvents, classesWithNotes, findClass, listEvents, type TaughtClass } from "./classes.ts";

/** Something that was noted of a person in class, and what was found out about it afterwards. */
export interface NotedInClass {
  readonly noteId: string;
  readonly classId: string;
  readonly day: string;
  readonly group: string;
  readonly personId: string;
  readonly name: string;
  readonly sign: Observation;
  /** The movement that was being done. */
  readonly movement: string;
  /** Whether someone has to find out how it went on. */
  readonly asks: boolean;
  /** What was found out; null where no one has yet. */
  readonly because: string | null;
}

function notesOf({ id: classId, day, script }: TaughtClass, events: readonly ClassEvent[]): NotedInClass[] {
  const state = classState(events);
  const nameOf = new Map(script.people.map(({ id, name }) => [id, name]));
  const steps = classSteps(script.blocks);
  return state.notes.map(({ id, personId, step, sign }) => {
    const block = script.blocks[steps[step]?.blockIndex ?? -1];
    const because = state.followedUp.get(id) ?? null;
    return {
      noteId: id,
      classId,
      day,
      group: script.groupName,
      personId,
      name: nameOf.get(personId) ?? "",
      sign,
      movement: block ? variantWords(block.movement, block.meant).name : "",
      // A rest by choice says nothing.
      asks: sign !== "rested" && because === null,
      because,
    };
  });
}

/** What was noted of people, or of one of them, in the classes since a day, newest class first. */
export async function notedSince(scope: Scope, day: string, personId?: string): Promise<NotedInClass[]> {
  const noted: NotedInClass[] = [];
  for (const taught of await classesWithNotes(scope, day, personId))
    noted.push(...notesOf(taught, await listEvents(scope, taught.id)));
  return personId === undefined ? noted : noted.filter((note) => note.personId === personId);
}

type AfterClass =
  | { readonly kind: "followedUp"; readonly noteId: string; readonly because: string }
  | { readonly kind: "nextDay"; readonly personId: string; readonly pain: NextDayPain };

/** Adds what was found out after a class. @returns false if the organisation has no such class, or it is not this role's */
export async function recordAfterClass(scope: Scope, classId: string, told: AfterClass): Promise<boolean> {
  if (scope.role === "helper" || !(await findClass(scope, classId))) return false;
  const event: ClassEvent = { ...told, id: randomUUID(), at: scope.now().toISOString() };
  return addEvents(scope, classId, [event]);
}
