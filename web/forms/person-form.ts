import * as v from "valibot";
import { lengthProblems, MEASURED_FIELDS, measuredFrom } from "./measured-form.ts";
import { requiredText } from "./required-text.ts";
import { rowVersion } from "./row-version.ts";

const YEAR = { earliest: 1905, latest: 2010 } as const;
const STATURE = { least: 100, most: 220 } as const;
const MASS = { least: 25, most: 250 } as const;

const stature = "Enter the height in centimetres, such as 164.";
const mass = "Enter the weight in kilograms, such as 68.";
const year = "Enter the birth year, such as 1948.";
const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most, `Use ${most} characters or fewer.`)));

const Fields = v.object({
  name: requiredText("Enter the name to use.", 60),
  birthYear: v.pipe(
    v.number(year),
    v.integer(year),
    v.minValue(YEAR.earliest, `Enter a birth year of ${YEAR.earliest} or later.`),
    v.maxValue(YEAR.latest, `Enter a birth year of ${YEAR.latest} or earlier.`),
  ),
  statureCentimetres: v.pipe(
    v.number(stature),
    v.minValue(STATURE.least, `Enter a height of ${STATURE.least} cm or more. Is it in centimetres?`),
    v.maxValue(STATURE.most, `Enter a height of ${STATURE.most} cm or less. Is it in centimetres?`),
  ),
  massKilograms: v.pipe(
    v.number(mass),
    v.minValue(MASS.least, `Enter a weight of ${MASS.least} kg or more. Is it in kilograms?`),
    v.maxValue(MASS.most, `Enter a weight of ${MASS.most} kg or less. Is it in kilograms?`),
  ),
  uses: text(200),
  notes: text(2000),
  ...MEASURED_FIELDS,
  groupIds: v.optional(v.array(v.pipe(v.string(), v.uuid())), []),
  /** The version that a change starts from; none for someone new. */
  version: v.optional(rowVersion, 0),
});
/** What the form holds before it is read. */
export type PersonFormInput = v.InferInput<typeof Fields>;

/** The fields that two people may change at once, with their labels. */
export const PERSON_LABELS = [
  ["name", "Name"],
  ["birthYear", "Birth year"],
  ["statureCentimetres", "Height"],
  ["massKilograms", "Weight"],
  ["uses", "What they use"],
  ["notes", "Notes"],
  ["groupIds", "Groups"],
  ["wheelchair", "Wheelchair"],
  ["armLeft", "Left arm"],
  ["armRight", "Right arm"],
  ["legLeft", "Left leg"],
  ["legRight", "Right leg"],
  ["armLengthLeft", "Left arm's length"],
  ["armLengthRight", "Right arm's length"],
  ["legLengthLeft", "Left leg's length"],
  ["legLengthRight", "Right leg's length"],
  ["floats", "Buoyancy"],
] as const;

/** The form of a person, in the units people use. An empty text reaches it as undefined. */
export const PersonForm = v.pipe(
  Fields,
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const fields = dataset.value;
    for (const { field, message } of lengthProblems(fields, fields.statureCentimetres))
      addIssue({ message, path: [{ type: "object", origin: "value", input: fields, key: field, value: fields[field] }] });
  }),
  v.transform((fields) => ({
    name: fields.name,
    birthYear: fields.birthYear,
    statureCentimetres: fields.statureCentimetres,
    massKilograms: fields.massKilograms,
    measured: measuredFrom(fields),
    uses: fields.uses ?? "",
    notes: fields.notes ?? "",
    groupIds: fields.groupIds,
    version: fields.version,
  })),
);
