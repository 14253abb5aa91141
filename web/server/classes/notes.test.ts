import { randomUUID } from "node:crypto";
import { addDays } from "@able-tide/core/calendar";
import { HAND_DAYS, risesWithHand } from "@able-tide/core/caps/rising";
import { present } from "@able-tide/core/checked-access";
import type { ClassEvent, Observation } from "@able-tide/core/class/events";
import type { PinnedVariant } from "@able-tide/core/plan/pinned-variant";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { activeCaps } from "../people/caps.ts";
import { cleanSessions, nextDaysAsked } from "../people/newcomers.ts";
import { addPlan } from "../plans/plans.ts";
import type { Scope } from "../scope.ts";
import { changeScript, findClass } from "./classes.ts";
import { notedSince, recordAfterClass } from "./follow-ups.ts";
import { handsSeen } from "./hands-seen.ts";
import { addEvents, recordEvents } from "./record-events.ts";
import { classAfterNotes, fitAfterNotes, teachPlan } from "./teach.ts";
import { usualPains } from "./usual-pains.ts";

let organisation: TestOrganisation;
let ann: string;
let bo: string;
beforeAll(async () => {
  organisation = await ownOrganisation("Note Harbour");
  ann = await addSomebody(organisation, "Ann");
  bo = await addSomebody(organisation, "Bo");
});
afterAll(() => organisation.close());

const BLOCKS = ["shift-and-press", "lift-and-part", "one-leg-arms-rise"].map((movementId, i) => ({
  id: `b${i + 1}`,
  movementId,
  rounds: 4,
}));

async function begun(day = "2026-10-14", holds: readonly PinnedVariant[] = []): Promise<string> {
  const { scope, groupId } = organisation;
  const planId = await addPlan(scope, { groupId, day, breathSeconds: 8, blocks: BLOCKS, holds });
  const outcome = await teachPlan(organisation.scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  return outcome.classId;
}

const at = (minute: number) => `2026-10-14T09:${String(minute).padStart(2, "0")}:00.000Z`;
const moved = (minute: number, step: number): ClassEvent => ({ kind: "moved", id: randomUUID(), at: at(minute), step });
const noted = (personId: string, sign: Observation, step = 2): ClassEvent => ({
  kind: "noted",
  id: randomUUID(),
  at: at(5),
  personId,
  step,
  sign,
});
const withdrawn = (noteId: string, because?: string): ClassEvent => ({
  kind: "withdrawn",
  id: randomUUID(),
  at: at(6),
  noteId,
  ...(because === undefined ? {} : { because }),
});
const helper = (): Scope => ({ ...organisation.scope, role: "helper" });

async function told(classId: string, events: readonly ClassEvent[]) {
  const revision = async () => (await findClass(organisation.scope, classId))?.scriptRevision;
  const before = await revision();
  await addEvents(organisation.scope, classId, events);
  await fitAfterNotes(organisation.scope, classId);
  return (await revision()) !== before;
}
const cellsOf = async (classId: string, personId: string) =>
  (await findClass(organisation.scope, classId))?.script.people.find(({ id }) => id === personId)?.cells;

describe("a note in class", () => {
  test("fits what is still to come of that person again, and nothing else", async () => {
    const classId = await begun();
    const before = await cellsOf(classId, ann);
    const others = await cellsOf(classId, bo);
    // The second block, lift-and-part, is being done: steps 0 and 1 are the two sides of the first.
    await told(classId, [moved(1, 0), moved(3, 2)]);
    expect(await told(classId, [noted(ann, "dizzy")])).toBe(true);
    const after = await cellsOf(classId, ann);
    expect(after?.[0]).toEqual(before?.[0]);
    expect(after?.map(({ form }) => form)).toEqual([before?.[0]?.form, "rest", "rest"]);
    expect(await cellsOf(classId, bo)).toEqual(others);
  });

  test("of pain makes the rest of the day lighter; a rest by choice changes nothing", async () => {
    const classId = await begun("2026-10-15");
    await told(classId, [moved(1, 0)]);
    const before = await cellsOf(classId, ann);
    expect(await told(classId, [noted(ann, "rested", 0)])).toBe(false);
    expect(await cellsOf(classId, ann)).toEqual(before);
    await told(classId, [noted(ann, "pain", 0)]);
    const after = await cellsOf(classId, ann);
    const cells = (before ?? []).map((was, i) => ({ was, is: present(after?.[i], "note") }));
    for (const { was, is } of cells) {
      expect(is.level).toBeLessThanOrEqual(was.level);
      expect(is.rounds).toBeLessThanOrEqual(was.rounds);
      // The demand is read to a tenth; a posture is solved to about a millionth of a metre, which moves its fifth
      // digit.
      expect(Number(is.steadiness.toFixed(1))).toBeLessThanOrEqual(Number(was.steadiness.toFixed(1)));
    }
    expect(cells.some(({ was, is }) => is.level < was.level || is.rounds < was.rounds)).toBe(true);
  });

  test("of a hand in standing up gives them one for the rest of the class and four weeks, until it is taken back", async () => {
    const { scope, groupId } = organisation;
    const holds = [
      { personId: ann, blockId: "b2", way: "seated" as const },
      { personId: ann, blockId: "b3", way: "standing" as const },
    ];
    const day = "2026-10-19";
    const classId = await begun(day, holds);
    const handsIn = async () => present((await findClass(scope, classId))?.script.blocks[2], "item").led?.change?.hands;
    const handOn = async (on: string) => risesWithHand({ caps: (await activeCaps(scope, [ann], on)).get(ann) ?? [] });
    await told(classId, [moved(1, 0)]);
    expect(await handsIn()).toEqual([]);
    expect(await handOn(day)).toBe(false);
    const note = noted(ann, "hand", 0);
    await told(classId, [note]);
    expect(await handsIn()).toEqual([ann]);
    // From that day on for four weeks, not before and not for others.
    expect(await Promise.all([addDays(day, -1), day, addDays(day, HAND_DAYS), addDays(day, HAND_DAYS + 1)].map(handOn))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(await handsSeen(scope, [bo], day)).toEqual(new Map());
    const planId = await addPlan(scope, { groupId, day: addDays(day, 7), breathSeconds: 8, blocks: BLOCKS, holds });
    const next = await teachPlan(scope, planId);
    const script = next.kind === "begun" ? (await findClass(scope, next.classId))?.script : undefined;
    expect(script?.blocks[2]?.led?.change?.hands).toEqual([ann]);
    await told(classId, [withdrawn(note.id)]);
    expect(await handsIn()).toEqual([]);
    expect(await handOn(day)).toBe(false);
  });

  test("taken back gives back what it took", async () => {
    const classId = await begun("2026-10-16");
    await told(classId, [moved(1, 0)]);
    const before = await cellsOf(classId, ann);
    const note = noted(ann, "dizzy", 0);
    await told(classId, [note]);
    expect(await cellsOf(classId, ann)).not.toEqual(before);
    await told(classId, [withdrawn(note.id, "it was Bo")]);
    expect(await cellsOf(classId, ann)).toEqual(before);
  });

  test("whose fit was cut short is fitted by the next request for the script", async () => {
    const classId = await begun("2026-10-22");
    await told(classId, [moved(1, 0)]);
    const before = await cellsOf(classId, ann);
    // Kept, and then the server was killed.
    await addEvents(organisation.scope, classId, [noted(ann, "dizzy", 0)]);
    expect(await cellsOf(classId, ann)).toEqual(before);
    const taught = await classAfterNotes(organisation.scope, classId);
    const cells = taught?.script.people.find(({ id }) => id === ann)?.cells;
    expect(cells?.slice(1).map(({ form }) => form)).toEqual(["rest", "rest"]);
    // Nothing is due any longer: asking again changes nothing.
    expect((await classAfterNotes(organisation.scope, classId))?.scriptRevision).toBe(taught?.scriptRevision);
  });

  test("that comes while another is being fitted is fitted too", async () => {
    const classId = await begun("2026-10-23");
    await told(classId, [moved(1, 0)]);
    await addEvents(organisation.scope, classId, [noted(ann, "dizzy", 0)]);
    const first = fitAfterNotes(organisation.scope, classId);
    await addEvents(organisation.scope, classId, [noted(bo, "dizzy", 0)]);
    await Promise.all([first, fitAfterNotes(organisation.scope, classId)]);
    for (const personId of [ann, bo])
      expect((await cellsOf(classId, personId))?.slice(1).map(({ form }) => form)).toEqual(["rest", "rest"]);
  });

  test("two changes of a script at once both count", async () => {
    const classId = await begun("2026-10-17");
    const rename = (personId: string, name: string) =>
      changeScript(organisation.scope, classId, {
        cause: "notes",
        fromItem: 0,
        change: (script) => ({
          ...script,
          people: script.people.map((person) => (person.id === personId ? { ...person, name } : person)),
        }),
      });
    await Promise.all([rename(ann, "One"), rename(bo, "Two")]);
    expect((await findClass(organisation.scope, classId))?.script.people.map(({ name }) => name).sort()).toEqual(["One", "Two"]);
  });
});

describe("who may add what", () => {
  test("a note of dizziness, a catch or pain is taken back with a word, and not by the helper", async () => {
    const classId = await begun("2026-10-18");
    for (const sign of ["dizzy", "caught", "pain"] as const) {
      const note = noted(ann, sign);
      await addEvents(organisation.scope, classId, [note]);
      const ids = async (scope: Scope, event: ClassEvent) =>
        (await recordEvents(scope, classId, [event]))?.refused.map(({ id }) => id);
      const [bare, word] = [withdrawn(note.id), withdrawn(note.id, "the wrong Ann")];
      expect(await ids(organisation.scope, bare)).toEqual([bare.id]);
      expect(await ids(helper(), word)).toEqual([word.id]);
      expect(await ids(organisation.scope, word)).toEqual([]);
    }
    const light = noted(ann, "wobbled");
    await addEvents(organisation.scope, classId, [light]);
    expect((await recordEvents(helper(), classId, [withdrawn(light.id)]))?.refused).toEqual([]);
  });

  test("a note and its taking back in one batch are no way around it", async () => {
    const classId = await begun("2026-10-19");
    const note = noted(ann, "dizzy");
    const back = withdrawn(note.id);
    expect(await recordEvents(helper(), classId, [note, back])).toMatchObject({
      kept: [note.id],
      refused: [{ id: back.id, why: "role" }],
    });
  });

  test("what is found out afterwards is not the helper's to say", async () => {
    const classId = await begun("2026-10-20");
    const note = noted(ann, "caught");
    await addEvents(organisation.scope, classId, [note]);
    expect(await recordAfterClass(helper(), classId, { kind: "followedUp", noteId: note.id, because: "fine" })).toBe(false);
    const asks = async () => (await notedSince(organisation.scope, "2026-10-20")).filter(({ noteId }) => noteId === note.id);
    expect(await asks()).toMatchObject([{ personId: ann, sign: "caught", movement: "Lift and part the arms", asks: true }]);
    await recordAfterClass(organisation.scope, classId, { kind: "followedUp", noteId: note.id, because: "slipped on a wet mat" });
    expect(await asks()).toMatchObject([{ asks: false, because: "slipped on a wet mat" }]);
  });
});

test("the usual pain that was told last is known at the next check-in", async () => {
  const classId = await begun("2026-10-21");
  const checkedIn = (usual: number, minute: number): ClassEvent => ({
    kind: "checkedIn",
    id: randomUUID(),
    at: at(minute),
    personId: bo,
    overriddenBecause: null,
    answers: {
      overall: "asUsual",
      pains: [{ part: "leftKnee", now: 5, usual, fresh: "no" }],
      dizziness: "none",
      breath: "asUsual",
      sleep: "fine",
      fall: "none",
      medicine: "asUsual",
      illness: "none",
      warning: false,
      pressures: [],
      glucoseIll: false,
    },
  });
  await addEvents(organisation.scope, classId, [checkedIn(2, 1), checkedIn(3, 2)]);
  expect((await usualPains(organisation.scope, organisation.groupId)).get(bo)).toEqual({ leftKnee: 3 });
  expect((await usualPains(organisation.scope, randomUUID())).size).toBe(0);
});

test("two classes that are skipped through count for no newcomer; the third clean one waits for its next day", async () => {
  const { scope } = organisation;
  const one = await addSomebody(organisation, "Cy");
  const teach = async (day: string, scale: number) => {
    const classId = await begun(day);
    const total = (await findClass(scope, classId))?.script.total ?? 0;
    const start = Date.parse(`${day}T09:00:00Z`);
    const on = (seconds: number) => new Date(start + 1000 * seconds).toISOString();
    const steps = [0, 1, 2, 3, 4];
    await addEvents(scope, classId, [
      { kind: "attended", id: randomUUID(), at: on(-60), personId: one, here: true },
      ...steps.map((step) => ({
        kind: "moved" as const,
        id: randomUUID(),
        at: on((scale * total * step) / steps.length),
        step,
      })),
      { kind: "moved", id: randomUUID(), at: on(scale * total), step: 5 },
      { kind: "ended", id: randomUUID(), at: on(scale * total), effort: 3, note: "" },
    ]);
    return classId;
  };
  await teach("2026-11-02", 0.05);
  await teach("2026-11-03", 0.05);
  expect(await cleanSessions(scope, one)).toEqual({ count: 0, ask: null });
  await teach("2026-11-04", 1);
  await teach("2026-11-05", 1);
  const third = await teach("2026-11-06", 1);
  expect(await cleanSessions(scope, one)).toEqual({ count: 2, ask: { classId: third, day: "2026-11-06" } });
  expect(await nextDaysAsked(scope)).toContainEqual({ personId: one, classId: third, day: "2026-11-06" });
  await recordAfterClass(scope, third, { kind: "nextDay", personId: one, pain: "none" });
  expect(await cleanSessions(scope, one)).toEqual({ count: 3, ask: null });
});
