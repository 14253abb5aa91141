import { randomUUID } from "node:crypto";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { listAudit } from "../audit/audit.ts";
import { addPlan } from "../plans/plans.ts";
import { lastClassOf } from "./class-records.ts";
import { classOfPlan, listEvents } from "./classes.ts";
import { classesOfPlan, countClassAgain, listCorrections, withdrawalOf, withdrawClass } from "./corrections.ts";
import { notedSince, recordAfterClass } from "./follow-ups.ts";
import { recordEvents } from "./record-events.ts";
import { taughtMovements } from "./taught.ts";
import { teachPlan } from "./teach.ts";

let organisation: TestOrganisation;
let ann: string;
let planId: string;
let classId: string;
const note = randomUUID();

async function begin(): Promise<string> {
  const outcome = await teachPlan(organisation.scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  return outcome.classId;
}

/** The event without its id, as it happens now. */
const happening = (body: object): ClassEvent => ({ id: randomUUID(), at: now().toISOString(), ...body }) as ClassEvent;
const record = (id: string, ...bodies: object[]) => recordEvents(organisation.scope, id, bodies.map(happening));

beforeAll(async () => {
  organisation = await ownOrganisation("Mending Harbour");
  ann = await addSomebody(organisation, "Ann");
  planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-10-14",
    breathSeconds: 8,
    blocks: [{ id: "b1", movementId: "lift-and-part", rounds: 4 }],
  });
  classId = await begin();
  await record(classId, { kind: "moved", step: 0 });
  await record(classId, { kind: "noted", id: note, personId: ann, step: 0, sign: "dizzy" });
});
afterAll(() => organisation.close());

test("a class that goes on is neither corrected nor withdrawn", async () => {
  const { scope } = organisation;
  const told = { kind: "closingCorrected", effort: 2, note: "", because: "too early" } as const;
  expect(await recordAfterClass(scope, classId, told)).toBe(false);
  expect(await withdrawClass(scope, classId, "too early")).toBe(false);
  await record(classId, { kind: "ended", effort: 8, note: "Bo was dizzy" });
  expect(await listCorrections(scope, classId)).toEqual([]);
});

test("attendance, effort, note and signs are put right, each with who and why", async () => {
  const { scope } = organisation;
  await recordAfterClass(scope, classId, { kind: "closingCorrected", effort: 3, note: "calm", because: "pressed the wrong key" });
  await recordAfterClass(scope, classId, { kind: "attendanceCorrected", personId: ann, here: true, because: "not ticked" });
  await recordAfterClass(scope, classId, { kind: "withdrawn", noteId: note, because: "that was someone else" });
  await recordAfterClass(scope, classId, { kind: "noted", personId: ann, step: 0, sign: "rested" });
  const state = classState(await listEvents(scope, classId));
  expect(state).toMatchObject({ ended: { effort: 3, note: "calm" }, notes: [{ personId: ann, sign: "rested" }] });
  expect([...state.here]).toEqual([ann]);
  expect(await listCorrections(scope, classId)).toMatchObject([
    { by: "Keeper", event: { kind: "closingCorrected", because: "pressed the wrong key" } },
    { by: "Keeper", event: { kind: "attendanceCorrected", because: "not ticked" } },
    { by: "Keeper", event: { kind: "withdrawn", because: "that was someone else" } },
    { by: "Keeper", event: { kind: "noted", sign: "rested" } },
  ]);
});

test("the record of changes says that the class was changed, without what", async () => {
  const entries = (await listAudit(organisation.scope, { before: null, most: 50 })).filter(
    ({ subjectId }) => subjectId === classId,
  );
  expect(entries.filter(({ subject, action }) => subject === "class" && action === "changed")).toHaveLength(4);
  expect(entries.every(({ before, after }) => before === null && after === null)).toBe(true);
});

test("a helper puts nothing right that is the instructor's", async () => {
  const helper = { ...organisation.scope, role: "helper" } as const;
  const told = { kind: "attendanceCorrected", personId: ann, here: false, because: "why not" } as const;
  expect(await recordAfterClass(helper, classId, told)).toBe(false);
});

test("no other organisation sees or withdraws it", async () => {
  const other = await ownOrganisation("Other Harbour");
  expect(await withdrawClass(other.scope, classId, "not mine")).toBe(false);
  expect(await listCorrections(other.scope, classId)).toEqual([]);
  expect(await classesOfPlan(other.scope, planId)).toEqual([]);
  await other.close();
});

test("a withdrawn class counts in nothing, stays on record, and its plan is taught again", async () => {
  const { scope, groupId } = organisation;
  const counted = async () => ({
    ofPlan: (await classOfPlan(scope, planId))?.id ?? null,
    last: (await lastClassOf(scope, ann))?.id ?? null,
    notes: (await notedSince(scope, "2026-10-01")).length,
    movements: (await taughtMovements(scope, [groupId])).length,
  });
  expect(await counted()).toEqual({ ofPlan: classId, last: classId, notes: 1, movements: 1 });
  expect(await withdrawClass(scope, classId, "only tried out")).toBe(true);
  expect(await withdrawClass(scope, classId, "twice")).toBe(false);
  expect(await counted()).toEqual({ ofPlan: null, last: null, notes: 0, movements: 0 });
  expect(await withdrawalOf(scope, classId)).toMatchObject({ by: "Keeper", because: "only tried out" });
  expect((await listEvents(scope, classId)).length).toBeGreaterThan(0);

  const again = await begin();
  expect(again).not.toBe(classId);
  const ofPlan = await classesOfPlan(scope, planId);
  expect(ofPlan).toHaveLength(2);
  expect(ofPlan.find(({ id }) => id === classId)).toMatchObject({ withdrawn: true, ended: true });
  expect(ofPlan.find(({ id }) => id === again)).toMatchObject({ withdrawn: false, ended: false });
  expect(await countClassAgain(scope, classId)).toBe("taughtAgain");
  await record(again, { kind: "ended", effort: 3, note: "" });
  await withdrawClass(scope, again, "the first one was the right one");
  expect(await countClassAgain(scope, classId)).toBe("counts");
  expect(await counted()).toEqual({ ofPlan: classId, last: classId, notes: 1, movements: 1 });
  expect(await countClassAgain(scope, classId)).toBe("unknown");
});

test("two who teach a plan at once begin one class, also after a withdrawal", async () => {
  await withdrawClass(organisation.scope, classId, "tried out");
  const [first, second] = await Promise.all([begin(), begin()]);
  expect(first).toBe(second);
});
