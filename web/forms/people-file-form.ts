import * as v from "valibot";

/** Kinds of file about participants. */
export const PEOPLE_FILE_KINDS = ["people", "limitations", "measured"] as const;
export type PeopleFileKind = (typeof PEOPLE_FILE_KINDS)[number];

const MOST_BYTES = 2_000_000;
const TOO_LONG = "The file is over 2 MB. Split it and import each part.";

/** A file about participants, or its text, as it is checked and imported. */
export const PeopleFileForm = v.pipe(
  v.object({
    kind: v.optional(v.picklist(PEOPLE_FILE_KINDS, "Choose what the file contains."), "people"),
    file: v.optional(v.pipe(v.instance(File), v.maxSize(MOST_BYTES, TOO_LONG))),
    text: v.optional(v.pipe(v.string(), v.maxLength(MOST_BYTES, TOO_LONG))),
  }),
  v.forward(
    v.check(({ file, text }) => (file?.size ?? 0) > 0 || (text?.trim() ?? "") !== "", "Choose a file, or paste its text."),
    ["file"],
  ),
);
export type PeopleFileFormInput = v.InferInput<typeof PeopleFileForm>;

/** Name of the field that says which column of the file holds a value. */
export const columnField = (name: string): string => `column-${name}`;

/**
 * Reads which column of a file holds each value.
 *
 * @param names values by name
 * @param width columns of the file
 * @returns a value's column from 0, null for none; values without a field in the form are left out
 */
export function readColumns(formData: FormData, names: readonly string[], width: number): Record<string, number | null> {
  const column = v.pipe(v.string(), v.nonEmpty(), v.transform(Number), v.integer(), v.minValue(0), v.maxValue(width - 1));
  return Object.fromEntries(
    names
      .filter((name) => formData.has(columnField(name)))
      .map((name) => [name, v.parse(v.fallback(v.nullable(column), null), formData.get(columnField(name)))]),
  );
}
