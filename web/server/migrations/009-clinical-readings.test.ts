import { FOUR_STAGE_STAND } from "@able-tide/core/caps/balance-levels";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { capNotices, confirmCap } from "../people/cap-notices.ts";
import { addCap, capHistory } from "../people/caps.ts";
import { furthestStages, insertStandResult } from "../people/stand-results.ts";
import { addPlan, findPlan } from "../plans/plans.ts";
import { addDragChoice, noticeTurnCaps, shiftStages } from "./009-clinical-readings.ts";

let organisation: TestOrganisation;
let personId: string;
beforeAll(async () => {
  organisation = await ownOrganisation("Clinical Harbour");
  personId = await addSomebody(organisation, "Tressa");
});
afterAll(() => organisation.close());

test("caps on turning keep their number, now clinical, and each asks to be looked at once", async () => {
  const { scope } = organisation;
  const cap = { reason: "new shoulder", source: "the clinic", strength: "firm", from: "2026-09-01", until: null } as const;
  const turn = await addCap(scope, personId, {
    ...cap,
    limit: { channel: "motion", motion: "shoulderOutwardTurn", side: "left", limit: 30 },
  });
  await addCap(scope, personId, { ...cap, limit: { channel: "steadiness", limit: 4 } });
  await noticeTurnCaps(scope.database);
  await noticeTurnCaps(scope.database);
  expect((await capNotices(scope)).map(({ cap: { id, limit } }) => ({ id, limit }))).toEqual([
    { id: turn, limit: { channel: "motion", motion: "shoulderOutwardTurn", side: "left", limit: 30 } },
  ]);
  const other = await addSomebody(organisation, "Ysella");
  expect(await confirmCap(scope, other, turn ?? "", "right")).toBe(false);
  expect(await confirmCap(scope, personId, turn ?? "", "right")).toBe(true);
  expect(await capNotices(scope)).toEqual([]);
  const [row] = await scope.database("cap_notices").where({ cap_id: turn ?? "" });
  expect(row).toMatchObject({ seen_by: scope.accountId, because: "right" });
  expect((await capHistory(scope, personId)).filter(({ ended }) => ended !== null)).toEqual([]);
});

test("a stage that was held before there was one more is the same stage afterwards", async () => {
  const { scope } = organisation;
  const before = ["none", "sideBySide", "semiTandem", "tandem", "oneLeg"] as const;
  const people: string[] = [];
  for (const [value, stage] of before.entries()) {
    const id = await addSomebody(organisation, stage);
    await insertStandResult(scope, id, "none", "2026-10-01");
    await scope.database("results").where({ person_id: id }).update({ value });
    people.push(id);
  }
  // Only these people's rows: other tests share the database.
  await scope.database.transaction(async (transaction) => {
    await transaction.raw("create temporary table results (like public.results) on commit drop");
    await transaction.raw("insert into results select * from public.results where person_id = any(?)", [people]);
    await shiftStages(transaction);
    const held = await furthestStages({ ...scope, database: transaction }, people);
    expect(people.map((id) => held.get(id))).toEqual([...before]);
  });
  expect(FOUR_STAGE_STAND.stages.map(({ name }) => name)).toEqual(["none", "hipWidth", ...before.slice(1)]);
});

test("a plan of before leaves slowing down against the water to the person; one that says otherwise keeps its word", async () => {
  const { scope, groupId } = organisation;
  const id = await addPlan(scope, { groupId, day: "2026-09-16", blocks: [] });
  const styleOf = async () => (await findPlan(scope, id))?.style;
  const style = await styleOf();
  const { drag: _, ...before } = { ...style };
  await scope
    .database("plans")
    .where({ id })
    .update({ style: JSON.stringify(before) });
  await addDragChoice(scope.database);
  expect(await styleOf()).toEqual({ ...style, drag: "person" });
  await scope
    .database("plans")
    .where({ id })
    .update({ style: JSON.stringify({ ...before, drag: "room" }) });
  await addDragChoice(scope.database);
  expect((await styleOf())?.drag).toBe("room");
});
