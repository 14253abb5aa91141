import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { findClass } from "../classes/classes.ts";
import { teachPlan } from "../classes/teach.ts";
import { addPlan } from "../plans/plans.ts";
import { splitSizes } from "./008-trunk-and-legs.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
  await addSomebody(organisation, "Tressa");
});
afterAll(() => organisation.close());

test("a class taught when trunk and legs had one size keeps its forms, with that size for both", async () => {
  const { scope, groupId } = organisation;
  const blocks = [{ id: "b1", movementId: "shift-and-press", rounds: 4 }];
  const outcome = await teachPlan(scope, await addPlan(scope, { groupId, day: "2026-09-09", blocks }));
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const script = (await findClass(scope, outcome.classId))?.script;
  const asBefore = JSON.stringify(script)
    .replaceAll(/"trunk":(\d),"legs":\d/g, '"body":$1')
    .replaceAll(/"legs":(\d),"trunk":\d/g, '"body":$1');
  expect(asBefore).toContain('"body":8');
  await scope.database("classes").where({ id: outcome.classId }).update({ script: asBefore });
  await splitSizes(scope.database);
  expect((await findClass(scope, outcome.classId))?.script).toEqual(script);
});
