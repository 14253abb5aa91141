import { expect, test } from "vitest";
import { parseForm } from "./parse-form.ts";
import { columnField, PeopleFileForm, readColumns } from "./people-file-form.ts";

const form = (fields: Record<string, string | File>): FormData => {
  const formData = new FormData();
  for (const [name, value] of Object.entries(fields)) formData.set(name, value);
  return formData;
};
const read = (fields: Record<string, string | File>) => parseForm(form(fields), { schema: PeopleFileForm });

test("a file or its text is read, with what it contains", () => {
  expect(read({ kind: "limitations", text: "name\nAda" }).payload).toMatchObject({ kind: "limitations" });
  expect(read({ text: "name\nAda" })).toMatchObject({ status: "success", value: { kind: "people", text: "name\nAda" } });
  expect(read({ file: new File(["name"], "people.csv") })).toMatchObject({ status: "success" });
});

test.each([
  ["neither file nor text", { text: "  " }, "Choose a file, or paste its text."],
  ["an empty file", { file: new File([], "people.csv") }, "Choose a file, or paste its text."],
  ["a file that is too long", { file: new File(["x".repeat(2_000_001)], "people.csv") }, "The file is over 2 MB. Split it"],
])("%s is refused next to the file", (_, fields, message) => {
  const submission = read(fields);
  expect(submission.reply().error?.["file"]?.[0]).toContain(message);
});

test("a column is a number within the file; what is not chosen has none, what was not asked is left out", () => {
  const chosen = { name: "2", birthYear: "", mass: "7", group: "1.5", note: "x" };
  const fields = Object.fromEntries(Object.entries(chosen).map(([name, value]) => [columnField(name), value]));
  expect(readColumns(form(fields), [...Object.keys(chosen), "stature"], 7)).toEqual({
    name: 2,
    birthYear: null,
    mass: null,
    group: null,
    note: null,
  });
});
