import * as v from "valibot";
import { expect, test } from "vitest";
import { breaksIn, SeriesForm } from "./series-form.ts";

const GROUP = "3f2504e0-4f89-41d3-9a0c-0305e82c3301";
const form = (differs: object) => ({ groupId: GROUP, firstDay: "2026-11-04", lastDay: "2026-12-16", ...differs });

test("breaks are read a line each, a day or from one to another", () => {
  expect(breaksIn("2026-12-21 to 2027-01-03\n2027-02-17")).toEqual([
    { from: "2026-12-21", to: "2027-01-03" },
    { from: "2027-02-17", to: "2027-02-17" },
  ]);
});

test.each([
  [{}, null],
  [{ breaks: "2026-12-21 to 2027-01-03" }, null],
  [{ breaks: "Christmas" }, 'Enter one break per line, such as "2026-12-21 to 2027-01-03".'],
  [{ breaks: "2027-01-03 to 2026-12-21" }, "A break ends before it starts. Change one of its dates."],
  [{ lastDay: "2026-11-03" }, "The last day is before the first day. Change one of them."],
  [{ firstDay: "" }, "Enter the first date."],
])("%j says %s", (differs, message) => {
  const result = v.safeParse(SeriesForm, form(differs));
  expect(result.success ? null : result.issues[0]?.message).toBe(message);
});
