import { WATER_EQUIPMENT_NAMES } from "@able-tide/core/body/water-equipment";
import { recordOf } from "@able-tide/core/named";
import { About, EMERGENCY_FACTS, type EmergencyFact } from "@able-tide/core/people/about";
import * as v from "valibot";
import { rowVersion } from "./row-version.ts";

/** An empty field reaches the form as undefined and is nothing known. */
const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most, `Use ${most} characters or fewer.`)));

/** Field of an emergency fact in the form. */
export const factField = (name: EmergencyFact): `fact-${EmergencyFact}` => `fact-${name}`;

const FACT_FIELDS = recordOf(EMERGENCY_FACTS.map(factField), () => text(120));

const Fields = v.object({
  hopes: text(400),
  contact: text(200),
  kinName: text(80),
  kinPhone: text(40),
  clinicianName: text(80),
  clinicianPhone: text(40),
  medicines: About.entries.medicines,
  medicineTimes: text(120),
  mayTouch: About.entries.mayTouch,
  mayWrite: About.entries.mayWrite,
  equipment: text(200),
  longestBreath: About.entries.longestBreath,
  saturationLeast: About.entries.saturationLeast,
  waterEquipment: v.optional(v.nullable(v.picklist(WATER_EQUIPMENT_NAMES)), null),
  aids: About.entries.aids,
  ...FACT_FIELDS,
  version: rowVersion,
});
export type AboutFormInput = v.InferInput<typeof Fields>;

/** What is known of a person, from the form. */
export const AboutForm = v.pipe(
  Fields,
  v.transform(({ version, ...fields }) => ({
    version,
    about: v.parse(About, {
      ...fields,
      facts: recordOf(EMERGENCY_FACTS, (name) => fields[factField(name)]?.trim() ?? ""),
    }),
  })),
);
