import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { teachPlan } from "../classes/teach.ts";
import { addGroup } from "../groups/groups.ts";
import { addPlan, copyPlan, deletePlan, findPlan, isPlanned, listRevisions, movePlan, type Plan } from "./plans.ts";

let mine: TestOrganisation;
let theirs: TestOrganisation;
let otherGroup: string;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([ownOrganisation("Moving Quay"), ownOrganisation("Still Quay")]);
  await addSomebody(mine, "Kerensa");
  const group = { name: "Friday", place: "", weekday: 5, startsAt: "10:00", minutes: 30, seatedOnly: false };
  otherGroup = await addGroup(mine.scope, group);
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

async function newPlan(day: string): Promise<Plan> {
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const holds = [{ personId: "p1", blockId: "b1", way: "seated" as const }];
  const { scope, groupId } = mine;
  const id = await addPlan(scope, { groupId, day, breathSeconds: 8, blocks, holds, places: [{ personId: "p1", x: 1, z: 2 }] });
  const plan = await findPlan(scope, id);
  if (!plan) throw new Error("no plan");
  return plan;
}

test("a copy is the same plan on another day; for another group, what belongs to people is left behind", async () => {
  const { scope, groupId } = mine;
  const plan = await newPlan("2026-11-04");
  const same = await findPlan(scope, await copyPlan(scope, plan, { groupId, day: "2026-11-11" }));
  expect(same).toMatchObject({ day: "2026-11-11", blocks: plan.blocks, holds: plan.holds, places: plan.places });
  const other = await findPlan(scope, await copyPlan(scope, plan, { groupId: otherGroup, day: "2026-11-06" }));
  expect(other).toMatchObject({ groupId: otherGroup, blocks: plan.blocks, holds: [], places: [] });
  expect(await findPlan(scope, plan.id)).toEqual(plan);
});

test("a plan is moved with its revisions, and a day is taken by the plans of its group only", async () => {
  const { scope, groupId } = mine;
  const plan = await newPlan("2026-12-02");
  await movePlan(scope, plan, { groupId: otherGroup, day: "2026-12-04" });
  expect(await findPlan(scope, plan.id)).toMatchObject({ groupId: otherGroup, day: "2026-12-04", holds: [], places: [] });
  expect(await listRevisions(scope, plan.id, 10)).toHaveLength(1);
  expect(await isPlanned(scope, otherGroup, "2026-12-04")).toBe(true);
  expect(await isPlanned(scope, otherGroup, "2026-12-04", plan.id)).toBe(false);
  expect(await isPlanned(scope, groupId, "2026-12-04")).toBe(false);
  expect(await isPlanned(theirs.scope, otherGroup, "2026-12-04")).toBe(false);
});

test("a plan is deleted with its revisions, but not one that was taught, and not by another organisation", async () => {
  const { scope } = mine;
  const plan = await newPlan("2026-12-09");
  expect(await deletePlan(theirs.scope, plan.id)).toBe("unknown");
  expect(await deletePlan(scope, plan.id)).toBe("deleted");
  expect(await findPlan(scope, plan.id)).toBeNull();
  const taught = await newPlan("2026-12-16");
  await teachPlan(scope, taught.id);
  expect(await deletePlan(scope, taught.id)).toBe("taught");
  expect(await findPlan(scope, taught.id)).not.toBeNull();
});
