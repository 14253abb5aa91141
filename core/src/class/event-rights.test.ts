import { describe, expect, test } from "vitest";
import { AS_USUAL } from "../caps/answers.ts";
import { afterEvent, type ClassAtArrival, type EventRefusal, eventRefusal } from "./event-rights.ts";
import type { ClassEvent, Observation } from "./events.ts";

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const at = (minute: number) => `2026-10-14T10:${String(minute).padStart(2, "0")}:00.000Z`;
const ada = uuid(1);
const stranger = uuid(2);
const note = (sign: Observation): [string, Observation] => [uuid(sign.length + 10), sign];
const [wobbled, dizzy] = [note("wobbled"), note("dizzy")];

const running: ClassAtArrival = { people: new Set([ada]), steps: 4, endedAt: null, notes: new Map([wobbled, dizzy]) };
const ended: ClassAtArrival = { ...running, endedAt: at(30) };

type Body = ClassEvent extends infer Event ? (Event extends ClassEvent ? Omit<Event, "id" | "at"> : never) : never;
const happening = (body: Body, minute = 10): ClassEvent => ({ ...body, id: uuid(99), at: at(minute) }) as ClassEvent;

const moved = (step: number, minute?: number) => happening({ kind: "moved", step }, minute);
const noted = (personId: string, step: number, minute?: number) =>
  happening({ kind: "noted", personId, step, sign: "dizzy" }, minute);
const attended = (personId: string, minute?: number) => happening({ kind: "attended", personId, here: true }, minute);
const checkedIn = (minute?: number) =>
  happening({ kind: "checkedIn", personId: ada, answers: AS_USUAL, overriddenBecause: "she insists" }, minute);
const withdrawn = ([noteId]: [string, Observation], because?: string) =>
  happening({ kind: "withdrawn", noteId, ...(because === undefined ? {} : { because }) });
const followedUp = happening({ kind: "followedUp", noteId: dizzy[0], because: "rang her" }, 50);
const nextDay = happening({ kind: "nextDay", personId: ada, pain: "none" }, 50);
const closingCorrected = happening({ kind: "closingCorrected", effort: 3, note: "calm", because: "wrong key" }, 50);
const attendanceCorrected = (personId: string) =>
  happening({ kind: "attendanceCorrected", personId, here: true, because: "came late" }, 50);
const end = (minute?: number) => happening({ kind: "ended", effort: 4, note: "" }, minute);

/** What is recorded, for the instructor and for a helper, in a running and in an ended class. */
describe.each<[string, ClassEvent, ClassAtArrival, EventRefusal | null, EventRefusal | null]>([
  ["a step", moved(3), running, null, null],
  ["the ending", moved(4), running, null, null],
  ["a step that is not there", moved(5), running, "noSuchStep", "noSuchStep"],
  ["someone here", attended(ada), running, null, null],
  ["someone of another class", attended(stranger), running, "notInClass", "notInClass"],
  ["a note", noted(ada, 3), running, null, null],
  ["a note in the ending", noted(ada, 4), running, "noSuchStep", "noSuchStep"],
  ["a note of someone of another class", noted(stranger, 0), running, "notInClass", "notInClass"],
  ["a check-in against what is proposed", checkedIn(), running, null, "role"],
  ["taking back a slight note", withdrawn(wobbled), running, null, null],
  ["taking back a grave note", withdrawn(dizzy, "pressed the wrong key"), running, null, "role"],
  ["taking back a grave note without a word", withdrawn(dizzy), running, "needsReason", "role"],
  ["taking back a note that is not there", withdrawn([uuid(77), "pain"], "why"), running, "noSuchNote", "noSuchNote"],
  ["a follow-up while the class goes on", followedUp, running, null, "role"],
  ["the next day of a class that goes on", nextDay, running, "notEnded", "role"],
  ["the end", end(), running, null, "role"],
  ["a step before the end that arrives late", moved(3, 29), ended, null, null],
  ["a step after the end", moved(3, 31), ended, "afterEnd", "afterEnd"],
  ["someone who comes after the end", attended(ada, 31), ended, "afterEnd", "afterEnd"],
  ["a check-in after the end", checkedIn(31), ended, "afterEnd", "role"],
  ["a note after the end", noted(ada, 3, 31), ended, null, null],
  ["a second end", end(29), ended, "alreadyEnded", "role"],
  ["a follow-up", followedUp, ended, null, "role"],
  ["the next day", nextDay, ended, null, "role"],
  ["a corrected note of the class", closingCorrected, ended, null, "role"],
  ["a corrected note while the class goes on", closingCorrected, running, "notEnded", "role"],
  ["a corrected attendance", attendanceCorrected(ada), ended, null, "role"],
  ["a corrected attendance of someone of another class", attendanceCorrected(stranger), ended, "notInClass", "role"],
  ["a corrected attendance while the class goes on", attendanceCorrected(ada), running, "notEnded", "role"],
])("%s", (_, event, taught, forInstructor, forHelper) => {
  test("by the instructor", () => expect(eventRefusal(event, taught, true)).toBe(forInstructor));
  test("by a helper", () => expect(eventRefusal(event, taught, false)).toBe(forHelper));
});

test("an event counts for those that follow it in the same batch", () => {
  const first = noted(ada, 0);
  const back = happening({ kind: "withdrawn", noteId: first.id, because: "wrong person" });
  expect(eventRefusal(back, running, true)).toBe("noSuchNote");
  expect(eventRefusal(back, afterEvent(running, first), true)).toBeNull();
  expect(eventRefusal(nextDay, afterEvent(running, end(40)), true)).toBeNull();
  expect(eventRefusal(end(41), afterEvent(running, end(40)), true)).toBe("alreadyEnded");
});
