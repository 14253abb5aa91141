import { randomUUID } from "node:crypto";
import { describe, expect, test } from "vitest";
import { knownPeopleForm } from "./known-people-form.ts";
import { parseForm } from "./parse-form.ts";

const TODAY = "2026-11-11";
const FULL = { known: "on", stage: "tandem", day: "2026-11-04", sessions: "12", well: "on" };
type Row = Partial<Record<keyof typeof FULL, string>>;

function read(...rows: readonly Row[]) {
  const formData = new FormData();
  rows.forEach((row, i) => {
    for (const [name, value] of Object.entries({ personId: randomUUID(), ...row }))
      formData.append(`people[${i}].${name}`, value);
  });
  return parseForm(formData, { schema: knownPeopleForm(TODAY) });
}
const problems = (...rows: readonly Row[]) => Object.keys(read(...rows).reply().error ?? {});

describe("the list of participants who are known", () => {
  test("a row that is ticked and filled in is read, one that is not ticked asks for nothing", () => {
    const answer = read(FULL, {});
    expect(answer.status).toBe("success");
    if (answer.status !== "success") return;
    expect(answer.value.people.map(({ known, sessions, well }) => [known, sessions, well])).toEqual([
      [true, 12, true],
      [false, undefined, false],
    ]);
  });

  test.each(["stage", "day", "sessions", "well"] as const)("without its %s a ticked row is refused beside that field", (name) => {
    const { [name]: _, ...rest } = FULL;
    expect(problems({}, rest)).toEqual([`people[1].${name}`]);
  });

  test("two sessions are too few, and a test in the future is refused", () => {
    expect(problems({ ...FULL, sessions: "2" })).toEqual(["people[0].sessions"]);
    expect(problems({ ...FULL, sessions: "3" })).toEqual([]);
    expect(problems({ ...FULL, day: "2026-11-12" })).toEqual(["people[0].day"]);
  });
});
