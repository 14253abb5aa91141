import { addHours } from "date-fns";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { now } from "../../e2e/organisation.ts";
import { type OwnDatabase, ownDatabase } from "../../e2e/own-database.ts";
import type { Founding } from "../../forms/founding-form.ts";
import { migrate } from "../migrate.ts";
import { found, foundFirst, isSetUpOpen, newSetUpLink, SET_UP_HOURS } from "./founding.ts";
import { listOwnOrganisations, scopeOfToken } from "./sessions.ts";
import { signIn } from "./sign-in.ts";

const FOUNDING: Founding = {
  organisation: "Quay Movement",
  timeZone: "Europe/Lisbon",
  name: "Elowen",
  email: "elowen@quay.example",
  password: "brass otter lantern",
};

let own: OwnDatabase;
beforeAll(async () => {
  own = await ownDatabase("able_tide_founding");
  await migrate(own.database);
});
afterAll(() => own.drop());

const link = async (): Promise<string> => (await newSetUpLink(own.database, now())) ?? "";
const scopeOf = async (password: string) => {
  const attempt = { email: FOUNDING.email, password, address: "198.51.100.7", device: null, deviceName: "" };
  const outcome = await signIn(own.database, attempt, now());
  return outcome.kind === "welcome" ? scopeOfToken(own.database, outcome.token, now) : null;
};

describe("the first organisation", () => {
  test("is not founded by a wrong link, one that has lapsed, or with a password that is easy to guess", async () => {
    const token = await link();
    expect(await foundFirst(own.database, "no such token", FOUNDING, now())).toBe("gone");
    expect(await isSetUpOpen(own.database, token, addHours(now(), SET_UP_HOURS))).toBe(false);
    expect(await foundFirst(own.database, token, { ...FOUNDING, password: "quaymovement1" }, now())).toBe("easy");
    expect(await isSetUpOpen(own.database, token, now())).toBe(true);
  });

  test("is founded once, also when two links are used at the same moment", async () => {
    const tokens = [await link(), await link()];
    const other = { ...FOUNDING, organisation: "Another Quay", email: "merryn@quay.example" };
    const outcomes = await Promise.all([
      foundFirst(own.database, tokens[0] ?? "", FOUNDING, now()),
      foundFirst(own.database, tokens[1] ?? "", other, now()),
    ]);
    expect(outcomes.filter((outcome) => outcome === "gone")).toHaveLength(1);
    expect(await own.database("organisations").select("name")).toHaveLength(1);
    expect(await own.database("set_up_links").select("token_hash")).toEqual([]);
    for (const token of tokens) expect(await isSetUpOpen(own.database, token, now())).toBe(false);
    expect(await newSetUpLink(own.database, now())).toBeNull();
  });
});

describe("a further organisation", () => {
  test("is founded with a new account, which owns it and signs in", async () => {
    await own.database("memberships").delete();
    await own.database("accounts").delete();
    expect(await found(own.database, FOUNDING, now())).toHaveProperty("organisationId");
    const scope = await scopeOf(FOUNDING.password);
    expect(scope).toMatchObject({ organisationName: "Quay Movement", timeZone: "Europe/Lisbon", role: "owner" });
  });

  test("is founded with the account that the email has, by its password only", async () => {
    const second = { ...FOUNDING, organisation: "Slip Movement" };
    expect(await found(own.database, { ...second, password: "not their password" }, now())).toBe("wrong");
    expect(await found(own.database, second, now())).toHaveProperty("organisationId");
    const scope = await scopeOf(FOUNDING.password);
    const names = scope ? (await listOwnOrganisations(scope)).map(({ name }) => name) : [];
    expect(names).toEqual(["Quay Movement", "Slip Movement"]);
  });
});
