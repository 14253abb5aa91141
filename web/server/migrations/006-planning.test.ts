import { classSteps } from "@able-tide/core/class/class-steps";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { findClass } from "../classes/classes.ts";
import { teachPlan } from "../classes/teach.ts";
import { addPlan } from "../plans/plans.ts";
import { writeOutScripts } from "./006-planning.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
  await addSomebody(organisation, "Tressa");
});
afterAll(() => organisation.close());

test("a class taught before there were styles keeps its movements, rounds and people, with the times written out", async () => {
  const { scope, groupId } = organisation;
  const blocks = [
    { id: "b1", movementId: "settling-breath", rounds: 4 },
    { id: "b2", movementId: "shift-and-press", rounds: 5 },
  ];
  const outcome = await teachPlan(scope, await addPlan(scope, { groupId, day: "2026-09-02", blocks }));
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const taught = await findClass(scope, outcome.classId);
  const old = {
    groupName: "Harbour Wednesday",
    breathSeconds: 8,
    seatedOnly: false,
    blocks: taught?.script.blocks.map(({ id, movement }, i) => ({ id, movement, rounds: blocks[i]?.rounds })),
    people: taught?.script.people,
  };
  await scope
    .database("classes")
    .where({ id: outcome.classId })
    .update({ script: JSON.stringify(old) });
  await writeOutScripts(scope.database);
  const script = (await findClass(scope, outcome.classId))?.script;
  expect(script?.people.map(({ name }) => name)).toEqual(["Tressa"]);
  expect(script && classSteps(script.blocks).map(({ side, rounds, roundSeconds }) => [side, rounds, roundSeconds])).toEqual([
    [null, 4, 8],
    ["right", 5, 8],
    ["left", 5, 8],
  ]);
  expect(script?.home).toBe("standing, feet hip-width apart, arms at the sides");
});
