import { randomUUID } from "node:crypto";
import { present } from "@able-tide/core/checked-access";
import { classSteps } from "@able-tide/core/class/class-steps";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { addCap } from "../people/caps.ts";
import { addPlan, changePlan } from "../plans/plans.ts";
import { classSheetsOf, listClassSheets } from "./class-sheets.ts";
import { findClass, listEvents } from "./classes.ts";
import { addEvents, recordEvents } from "./record-events.ts";
import { fitClassAgain, teachPlan } from "./teach.ts";

let organisation: TestOrganisation;
let personId: string;
beforeAll(async () => {
  organisation = await ownOrganisation();
  personId = await addSomebody(organisation, "Elowen");
});
afterAll(() => organisation.close());

async function begun(): Promise<string> {
  const planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-10-14",
    breathSeconds: 8,
    blocks: [{ id: "b1", movementId: "lift-and-part", rounds: 4 }],
  });
  const outcome = await teachPlan(organisation.scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  return outcome.classId;
}

const at = (second: number) => `2026-10-14T09:00:${String(second).padStart(2, "0")}.000Z`;
const moved = (second: number, step: number): ClassEvent => ({ kind: "moved", id: randomUUID(), at: at(second), step });

test("events sent twice, or by many at once, are kept once and numbered without a gap", async () => {
  const { scope } = organisation;
  const classId = await begun();
  const events = Array.from({ length: 12 }, (_, i) => moved(i, i));
  await Promise.all([...events, ...events].map((event) => addEvents(scope, classId, [event])));
  const kept = await listEvents(scope, classId);
  expect(kept).toHaveLength(12);
  const { rows } = await scope.database.raw("select sequence from class_events where class_id = ? order by sequence", [classId]);
  expect(rows.map((row: { sequence: number }) => row.sequence)).toEqual(events.map((_, i) => i + 1));
  expect(classState(kept).step).toBe(11);
});

test("every step of a class that turns round is recorded, the end too, and none after it", async () => {
  const { scope, groupId } = organisation;
  const blocks = [
    { id: "b1", movementId: "hips-draw-circle", rounds: 6 },
    { id: "b2", movementId: "ankle-circles", rounds: 4 },
    { id: "b3", movementId: "settling-breath", rounds: 4 },
  ];
  const planId = await addPlan(scope, { groupId, day: "2026-10-28", breathSeconds: 8, blocks });
  const outcome = await teachPlan(scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const steps = classSteps(present(await findClass(scope, outcome.classId), "class").script.blocks).length;
  expect(steps).toBe(7);
  const events = Array.from({ length: steps + 2 }, (_, step) => moved(step, step));
  const recorded = await recordEvents(scope, outcome.classId, events);
  expect(recorded?.kept).toEqual(events.slice(0, steps + 1).map(({ id }) => id));
  expect(recorded?.refused).toEqual([{ id: present(events.at(-1), "last").id, why: "noSuchStep" }]);
});

test("beginning a plan twice, even at once, gives one class", async () => {
  const { scope, groupId } = organisation;
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const planId = await addPlan(scope, { groupId, day: "2026-10-21", breathSeconds: 8, blocks });
  const outcomes = await Promise.all([teachPlan(scope, planId), teachPlan(scope, planId), teachPlan(scope, planId)]);
  expect(new Set(outcomes.map((outcome) => outcome.kind === "begun" && outcome.classId)).size).toBe(1);
});

test("a class keeps the fit it was begun with, whatever caps come later", async () => {
  const { scope } = organisation;
  const classId = await begun();
  const levelOf = async (id: string) => (await findClass(scope, id))?.script.people[0]?.cells[0]?.level;
  expect(await levelOf(classId)).toBe(1);
  await addCap(scope, personId, {
    limit: { channel: "handHeight", side: "both", limit: "chest" },
    reason: "sore shoulders",
    source: "own word",
    strength: "firm",
    from: "2026-10-01",
    until: null,
  });
  expect(await levelOf(classId)).toBe(1);
  expect(await levelOf(await begun())).toBeLessThan(1);
});

test("while people arrive a class is fitted again by today's caps; once it moves it keeps what it has", async () => {
  const { scope } = organisation;
  const late = await addSomebody(organisation, "Loveday");
  const classId = await begun();
  const levelOfLate = async () => (await findClass(scope, classId))?.script.people.find(({ id }) => id === late)?.cells[0]?.level;
  expect(await levelOfLate()).toBe(1);
  await addCap(scope, late, {
    limit: { channel: "handHeight", side: "right", limit: "shoulder" },
    reason: "sore today",
    source: "own word",
    strength: "comfort",
    from: "2026-10-13",
    until: "2026-10-14",
  });
  expect(await fitClassAgain(scope, classId)).toBe("fitted");
  const fitted = await levelOfLate();
  expect(fitted).toBeLessThan(1);
  await addEvents(scope, classId, [moved(1, 0)]);
  expect(await fitClassAgain(scope, classId)).toBe("moving");
  expect(await levelOfLate()).toBe(fitted);
  expect(await fitClassAgain(scope, randomUUID())).toBe("unknown");
});

test("a class keeps every session sheet it had, with its cause; events name theirs", async () => {
  const { scope } = organisation;
  const today = await addSomebody(organisation, "Kerra");
  const classId = await begun();
  const withSheet = (sheet?: number): ClassEvent => ({
    kind: "attended",
    id: randomUUID(),
    at: at(0),
    personId: today,
    here: true,
    ...(sheet !== undefined && { sheet }),
  });
  await addEvents(scope, classId, [withSheet()]);
  const scriptOf = async (number: number) =>
    (await classSheetsOf(scope).where({ class_id: classId, number }).first<{ script: ClassScript }>("script")).script;
  const first = await scriptOf(0);
  await addCap(scope, today, {
    limit: { channel: "handHeight", side: "both", limit: "chest" },
    reason: "sore today",
    source: "own word",
    strength: "comfort",
    from: "2026-10-13",
    until: "2026-10-14",
  });
  expect(await fitClassAgain(scope, classId)).toBe("fitted");
  // One device has the new sheet, one still shows the first; one says nothing, one names a sheet that there is not.
  await addEvents(scope, classId, [withSheet(1), withSheet(0), withSheet(), withSheet(7)]);
  const { rows } = await scope.database.raw("select sheet from class_events where class_id = ? order by sequence", [classId]);
  expect(rows.map((row: { sheet: number }) => row.sheet)).toEqual([0, 1, 0, 1, 1]);
  const sheets = await listClassSheets(scope, classId);
  expect(sheets.map(({ number, cause, fromItem, by }) => [number, cause, fromItem, by])).toEqual([
    [0, "begun", 0, "Keeper"],
    [1, "arrivals", 0, "Keeper"],
  ]);
  expect(await scriptOf(0)).toEqual(first);
  expect(await scriptOf(1)).toEqual((await findClass(scope, classId))?.script);
  expect(await scriptOf(1)).not.toEqual(first);
});

test("a change to a plan says which version it started from; an old one changes nothing", async () => {
  const { scope, groupId } = organisation;
  const planId = await addPlan(scope, { groupId, day: "2026-10-28", breathSeconds: 8, blocks: [] });
  expect(await changePlan(scope, planId, 1, { breathSeconds: 9, blocks: [] })).toBe(2);
  expect(await changePlan(scope, planId, 1, { breathSeconds: 10, blocks: [] })).toBeNull();
});
