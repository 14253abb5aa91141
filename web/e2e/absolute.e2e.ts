import { afterAll, beforeAll, expect, test } from "vitest";
import routes from "../app/routes.ts";
import { addCap, capHistory } from "../server/people/caps.ts";
import { addressesOf } from "./addresses.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const base = serverUrl();
let organisation: TestOrganisation;
let personId: string;
let capId: string;
beforeAll(async () => {
  organisation = await ownOrganisation("Firm Harbour");
  personId = await addSomebody(organisation, "Wella");
  capId =
    (await addCap({ ...organisation.scope, role: "clinician" }, personId, {
      limit: { channel: "dorsiflexion", side: "left", limit: 4 },
      reason: "the clinic's letter",
      source: "Dr Vellan",
      strength: "absolute",
      from: "2026-09-01",
      until: "2026-10-01",
      follows: "dorsiflexion",
    })) ?? "";
});
afterAll(() => organisation.close());

/** Everything that a form about a cap may say, honest or not. */
const forms = (): readonly Record<string, string>[] => [
  { intent: "end-cap", capId, what: "end", because: "well again" },
  { intent: "end-cap", capId, what: "hold", until: "2026-10-13", because: "holds until today" },
  { intent: "end-cap", capId, what: "hold", until: "2027-10-13", because: "with support" },
  { intent: "end-cap", capId, what: "anything", until: "2026-10-13", because: "x", strength: "firm" },
  { intent: "confirm-number", capId },
  { intent: "release", stage: "tandem", day: "2026-10-12", because: "known for years" },
  { intent: "test", stage: "none", day: "2026-10-12" },
  { intent: "end-limitation", limitationId: capId, because: "well again" },
  {
    intent: "cap",
    channel: "dorsiflexion",
    side: "left",
    amount: "20",
    reason: "r",
    source: "s",
    strength: "absolute",
    from: "2026-09-01",
    until: "2026-10-02",
  },
  { range: "dorsiflexion", how: "painFree", left: "3", right: "9", day: "2026-10-12" },
  { range: "dorsiflexion", how: "painFree", left: "19", right: "19", day: "2026-10-12" },
];

test("no request to any address of the application ends, shortens or dates an absolute cap", async () => {
  const cookie = await cookieOf(base, organisation);
  const paths = addressesOf(routes)
    .filter((path) => path !== "/sign-out")
    .map((path) => path.replaceAll(":personId", personId).replaceAll(/:\w+\??/g, capId));
  const answered: number[] = [];
  const broke: string[] = [];
  for (const path of paths)
    for (const form of forms()) {
      const response = await fetch(`${base}${path}`, {
        method: "POST",
        redirect: "manual",
        headers: { Cookie: cookie },
        body: new URLSearchParams(form),
      });
      answered.push(response.status);
      if (response.status >= 500) broke.push(`${path} ${form["intent"]} ${response.status}`);
      await response.arrayBuffer();
    }
  // The requests were heard: some were taken, some refused, and none broke the server.
  expect(answered).toContain(403);
  expect(answered).toContain(200);
  expect(broke).toEqual([]);
  const kept = (await capHistory(organisation.scope, personId)).filter(({ id }) => id === capId);
  expect(kept).toMatchObject([
    { ended: null, until: "2026-10-01", from: "2026-09-01", limit: { limit: 4 }, strength: "absolute" },
  ]);
  // What an instructor added is no clinician's word.
  const absolute = (await capHistory(organisation.scope, personId)).filter(({ strength }) => strength === "absolute");
  expect(absolute).toHaveLength(1);
}, 240_000);
