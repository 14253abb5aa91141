import fc from "fast-check";
import type { GenericSchema } from "valibot";
import { expect, test } from "vitest";
import { parseForm } from "./parse-form.ts";

const modules = import.meta.glob<Readonly<Record<string, unknown>>>(["./*.ts", "!./*.test.ts"], { eager: true });

const isSchema = (value: unknown): value is GenericSchema =>
  typeof value === "object" && value !== null && "kind" in value && value.kind === "schema";

/** Every form: schemas that are ready, and those that need a day, a name or a moment made with one. */
const FORMS = Object.entries(modules).flatMap(([file, exported]) =>
  Object.entries(exported).flatMap(([name, value]): [string, GenericSchema][] => {
    if (!name.endsWith("Form") || name === "parseForm") return [];
    if (isSchema(value)) return [[`${file} ${name}`, value]];
    if (typeof value !== "function") return [];
    try {
      const made: unknown = value("2026-10-13");
      return isSchema(made) ? [[`${file} ${name}`, made]] : [];
    } catch {
      return [];
    }
  }),
);

/** The names of the fields that a schema reads. */
function fieldsOf(schema: GenericSchema): string[] {
  if ("entries" in schema) return Object.keys(schema.entries as object);
  if ("pipe" in schema) return fieldsOf((schema.pipe as GenericSchema[])[0] as GenericSchema);
  if ("options" in schema) return (schema.options as GenericSchema[]).flatMap(fieldsOf);
  return [];
}

/** What valibot says where no one wrote a sentence: "Invalid type: Expected string but received undefined". */
const RAW = /invalid (type|value|key|length|format|email|uuid|iso)|expected|received|undefined|\bNaN\b|regex/i;

const text = fc.oneof(
  fc.constantFrom("", " ", "-1", "0", "1e400", "NaN", "12,5", "2026-02-31", "yes", "on", "[]", "{}"),
  fc.string({ maxLength: 40 }),
  fc.constant("x".repeat(5000)),
);

test("every form is among them", () => expect(FORMS.length).toBeGreaterThan(30));

test.each(FORMS)("%s says what is wrong in a sentence, never as the library does", (_, schema) => {
  const fields = [...new Set(fieldsOf(schema))];
  expect(fields.length).toBeGreaterThan(0);
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.constantFrom(...fields), text), { maxLength: 12 }), (filled) => {
      const formData = new FormData();
      for (const [name, value] of filled) formData.append(name, value);
      const { error } = parseForm(formData, { schema }).reply();
      for (const message of Object.values(error ?? {}).flatMap((sentences) => sentences ?? [])) {
        expect(message).not.toMatch(RAW);
        expect(message).toMatch(/^\p{Lu}.*[.?]$|: /u);
      }
    }),
    { numRuns: 150 },
  );
});
