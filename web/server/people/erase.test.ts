import { randomUUID } from "node:crypto";
import { AS_USUAL } from "@able-tide/core/caps/answers";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { present } from "@able-tide/core/checked-access";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addSomebody, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { findClass, listEvents } from "../classes/classes.ts";
import { addEvents } from "../classes/record-events.ts";
import { teachPlan } from "../classes/teach.ts";
import { addPlan, changePlan, findPlan } from "../plans/plans.ts";
import { recordOneLegStand } from "../results/results.ts";
import { addCap } from "./caps.ts";
import { enterClearance } from "./clearances.ts";
import { erasePerson, notesNaming, replayErasures } from "./erase.ts";
import { findPerson, setClinician } from "./people.ts";
import { recordLimitation } from "./record-limitation.ts";

const NAME = "Petroc of the erased quay";

let organisation: TestOrganisation;
let other: TestOrganisation;
let erased: string;
let stays: string;
let planId: string;
let classId: string;

async function fullRecord(personId: string): Promise<void> {
  const { scope } = organisation;
  const cap = { limit: { channel: "noStanding" }, reason: NAME, source: "own word", strength: "firm" } as const;
  await addCap(scope, personId, { ...cap, from: "2026-10-01", until: null });
  await recordOneLegStand(scope, personId, { day: "2026-10-02", trials: { left: [8], right: [] }, note: NAME });
  const rule = present(limitationRule("hipReplacement"), "rule");
  const limitation = { rule: rule.name, side: "left", kind: "posterior", eventDay: null, note: NAME } as const;
  const limitationId = await recordLimitation(scope, personId, rule, limitation, [], []);
  const file = { name: "letter.pdf", kind: "application/pdf" as const, content: Buffer.from(NAME) };
  await enterClearance(scope, personId, { limitationId, day: "2026-10-01", clinician: "Dr Vellan", says: NAME, file }, [], []);
}

beforeAll(async () => {
  [organisation, other] = await Promise.all([ownOrganisation("Erasing Quay"), ownOrganisation("Other Quay")]);
  const { scope, groupId } = organisation;
  erased = await addSomebody(organisation, NAME);
  stays = await addSomebody(organisation, "Morwenna who stays");
  await fullRecord(erased);
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  planId = await addPlan(scope, { groupId, day: "2026-10-14", breathSeconds: 8, blocks });
  const pinned = (personId: string) => ({ personId, blockId: "b1", way: "seated" as const });
  await changePlan(scope, planId, 1, {
    holds: [pinned(erased), pinned(stays)],
    places: [{ personId: erased, x: 1, z: 1 }],
  });
  const outcome = await teachPlan(scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  ({ classId } = outcome);
  const at = now().toISOString();
  const noteId = randomUUID();
  await addEvents(scope, classId, [
    { kind: "attended", id: randomUUID(), at, personId: erased, here: true },
    { kind: "attended", id: randomUUID(), at, personId: stays, here: true },
    { kind: "checkedIn", id: randomUUID(), at, personId: erased, answers: AS_USUAL, overriddenBecause: null },
    { kind: "noted", id: noteId, at, personId: erased, step: 0, sign: "wobbled" },
    { kind: "withdrawn", id: randomUUID(), at, noteId },
  ]);
});
afterAll(() => Promise.all([organisation.close(), other.close()]));

/** Tables of the whole database that have a text anywhere. */
async function tablesWith(text: string): Promise<string[]> {
  const { database } = organisation.scope;
  const { rows } = await database.raw<{ rows: { name: string }[] }>(
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  );
  const found: string[] = [];
  for (const { name } of rows)
    if (
      await database(name)
        .whereRaw(`"${name}"::text like ?`, [`%${text}%`])
        .first(database.raw("1"))
    )
      found.push(name);
  return found;
}

describe("a person who is erased", () => {
  test("is not while they are in a class under way, and not by another organisation", async () => {
    expect(await erasePerson(organisation.scope, erased)).toBe("inClass");
    expect(await erasePerson(other.scope, erased)).toBe("unknown");
    expect(await findPerson(organisation.scope, erased)).not.toBeNull();
  });

  test("leaves nothing but an id that says who must not come back, and who erased them", async () => {
    await addEvents(organisation.scope, classId, [
      { kind: "ended", id: randomUUID(), at: now().toISOString(), effort: 3, note: `${NAME} sat down.` },
    ]);
    expect(await tablesWith(erased)).toContain("plan_versions");
    expect(await notesNaming(organisation.scope, NAME)).toEqual([{ classId, day: "2026-10-14" }]);
    expect(await erasePerson(organisation.scope, erased)).toBe("erased");
    expect(await tablesWith(erased)).toEqual(["audit_entries", "erasures"]);
    // What someone wrote into a closing note is theirs to correct.
    expect(await tablesWith(NAME)).toEqual(["class_events"]);
  });

  test("takes no one else along: the class, its plan and everyone else stay", async () => {
    const { scope } = organisation;
    expect((await findClass(scope, classId))?.script.people.map(({ id }) => id)).toEqual([stays]);
    expect((await listEvents(scope, classId)).map(({ kind }) => kind)).toEqual(["attended", "ended"]);
    expect((await findPlan(scope, planId))?.holds.map(({ personId }) => personId)).toEqual([stays]);
    expect((await findPerson(scope, stays))?.name).toBe("Morwenna who stays");
  });

  test("is erased again when a back-up brings them back", async () => {
    const { scope } = organisation;
    const row = await scope.database("people").where({ id: stays }).first("*");
    const back = { ...row, id: erased, name: NAME, measured: JSON.stringify(row.measured), about: JSON.stringify(row.about) };
    await scope.database("people").insert(back);
    expect(await replayErasures(scope.database)).toBeGreaterThan(0);
    expect(await findPerson(scope, erased)).toBeNull();
    expect(await setClinician(scope, erased, null)).toBe(false);
  });
});
