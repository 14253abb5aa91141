import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { furthestStages, insertStandResult } from "../people/stand-results.ts";
import { listAllOneLegStands, recordOneLegStand, withdrawResult } from "./results.ts";

let mine: TestOrganisation;
let theirs: TestOrganisation;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([ownOrganisation("Measuring Quay"), ownOrganisation("Guessing Quay")]);
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

test("a result that is withdrawn counts no more and stays on record with who and why", async () => {
  const { scope } = mine;
  const personId = await addSomebody(mine, "Kerensa");
  await recordOneLegStand(scope, personId, { day: "2026-10-02", trials: { left: [8, 9.5], right: [7] }, note: "" });
  const [left] = await listAllOneLegStands(scope, personId);
  const id = left?.id ?? "";
  expect(await withdrawResult(theirs.scope, personId, id, "not ours")).toBe(false);
  expect(await withdrawResult(scope, personId, id, "wrong leg")).toBe(true);
  expect(await withdrawResult(scope, personId, id, "twice")).toBe(false);
  expect((await listAllOneLegStands(scope, personId)).map(({ side, withdrawn }) => [side, withdrawn])).toEqual([
    ["left", { by: "Keeper", because: "wrong leg" }],
    ["right", null],
  ]);
});

test("a stage of the four-stage stand that is withdrawn no longer counts as the furthest", async () => {
  const { scope } = mine;
  const personId = await addSomebody(mine, "Jory");
  await insertStandResult(scope, personId, "tandem", "2026-10-02");
  expect((await furthestStages(scope, [personId])).get(personId)).toBe("tandem");
  const { id } = await scope.database("results").where({ person_id: personId }).first("id");
  expect(await withdrawResult(scope, personId, id, "someone else's")).toBe(true);
  expect((await furthestStages(scope, [personId])).has(personId)).toBe(false);
});
