import { afterAll, beforeAll, expect, test } from "vitest";
import { ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { addPlan, changePlan, findPlan, listRevisions } from "./plans.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
});
afterAll(() => organisation.close());

const added = (day: string) => addPlan(organisation.scope, { groupId: organisation.groupId, day, blocks: [], breathSeconds: 8 });

test("a plan and its revision are written together, or neither", async () => {
  const { scope } = organisation;
  const id = await added("2026-11-04");
  // Someone's second revision is there already: this one cannot be written.
  await scope.database("plan_versions").insert({
    organisation_id: scope.organisationId,
    plan_id: id,
    version: 2,
    content: "{}",
    saved_by: scope.accountId,
    saved_at: scope.now(),
  });
  await expect(changePlan(scope, id, 1, { blocks: [], breathSeconds: 9 })).rejects.toThrow();
  expect(await findPlan(scope, id)).toMatchObject({ revision: 1, breathSeconds: 8 });
});

test("each change is a revision of its own, and an old revision changes nothing", async () => {
  const { scope } = organisation;
  const id = await added("2026-11-11");
  expect(await changePlan(scope, id, 1, { blocks: [], breathSeconds: 9 })).toBe(2);
  expect(await changePlan(scope, id, 1, { blocks: [], breathSeconds: 7 })).toBeNull();
  expect((await listRevisions(scope, id, 10)).map(({ revision, content }) => [revision, content.breathSeconds])).toEqual([
    [2, 9],
    [1, 8],
  ]);
});
