import { present } from "@able-tide/core/checked-access";
import type { Movement } from "@able-tide/core/movement/format";
import { movementFile, movementsFile } from "@able-tide/core/movement/read-file";
import { afterAll, beforeAll, expect, test } from "vitest";
import { ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { importMovements } from "./import-movements.ts";
import { findMovement, listMovements, nameMovement } from "./movements.ts";
import { SHIPPED } from "./shipped.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
});
afterAll(() => organisation.close());

const shipped = (id: string) =>
  present(
    SHIPPED.find((movement) => movement.id === id),
    "movement",
  );
const ours = (id: string, name: string): Movement => ({ ...shipped("lift-and-part"), id, name: { en: name } });
const file = (source: string, name = "movements.json") => ({ name, source });

test("many are imported at once; what comes with the product is passed over, whatever others call it", async () => {
  const { scope } = organisation;
  const known: Movement = { ...shipped("shift-and-press"), name: { en: "Shift and press", own: "Push the boat out" } };
  const source = movementsFile([ours("harbour-lift", "Harbour lift"), known, ours("quay-lift", "Quay lift")]);
  expect(await importMovements(scope, [file(source)])).toEqual({ taken: ["Harbour lift", "Quay lift"], problems: [] });
  expect((await findMovement(scope, "quay-lift"))?.name.en).toBe("Quay lift");
});

test("one broken file among several keeps all of them out, and is named", async () => {
  const { scope } = organisation;
  const before = (await listMovements(scope)).length;
  const broken = { ...ours("leaning-lift", "Leaning lift"), breaths: 0 };
  const { taken, problems } = await importMovements(scope, [
    file(movementFile(ours("good-lift", "Good lift")), "good.json"),
    file(movementFile(broken), "broken.json"),
  ]);
  expect(taken).toEqual([]);
  expect(problems.map(({ path }) => path)).toEqual(["broken.json breaths"]);
  expect((await listMovements(scope)).length).toBe(before);
});

test("a changed one under a shipped id, or the same id twice, is refused", async () => {
  const { scope } = organisation;
  const changed = { ...shipped("shift-and-press"), breaths: 2 };
  expect((await importMovements(scope, [file(movementFile(changed))])).problems[0]?.message).toMatch(/give yours another id/);
  const twice = movementsFile([ours("pier-lift", "Pier lift"), ours("pier-lift", "Pier lift again")]);
  expect((await importMovements(scope, [file(twice)])).problems).toEqual([
    { path: "movements[1] id", message: '"pier-lift" is there twice' },
  ]);
});

test("a movement goes by the name it is taught by until that is taken away, here and nowhere else", async () => {
  const { scope } = organisation;
  const elsewhere = await ownOrganisation();
  await nameMovement(scope, "row-the-boat", "Out to the buoy");
  expect((await findMovement(scope, "row-the-boat"))?.name).toEqual({ en: "Row the boat", own: "Out to the buoy" });
  expect((await findMovement(elsewhere.scope, "row-the-boat"))?.name.own).toBeUndefined();
  await nameMovement(scope, "row-the-boat", "");
  expect((await findMovement(scope, "row-the-boat"))?.name).toEqual({ en: "Row the boat" });
  await elsewhere.close();
});

test("a file's own name for a movement is kept apart from it", async () => {
  const { scope } = organisation;
  const named: Movement = { ...ours("mole-lift", "Mole lift"), name: { en: "Mole lift", own: "The long one" } };
  await importMovements(scope, [file(movementFile(named))]);
  expect((await findMovement(scope, "mole-lift"))?.name).toEqual({ en: "Mole lift", own: "The long one" });
});
