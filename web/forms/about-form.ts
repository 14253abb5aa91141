import { FURNITURE_NAMES, type FurnitureName } from "@able-tide/core/body/seats";
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

/** Field of the height of a seat at home, centimetres. */
export const homeHeightField = (name: FurnitureName): `home-${FurnitureName}` => `home-${name}`;

const HOME_HEIGHTS = recordOf(FURNITURE_NAMES.map(homeHeightField), () =>
  v.optional(
    v.pipe(
      v.number("Enter a number of centimetres."),
      v.minValue(25, "Enter 25 cm or more."),
      v.maxValue(70, "Enter 70 cm or less."),
    ),
  ),
);

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
  risesFromChair: About.entries.risesFromChair,
  aids: About.entries.aids,
  home: v.optional(v.array(v.picklist(FURNITURE_NAMES)), []),
  ...HOME_HEIGHTS,
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
      home: fields.home.map((kind) => {
        const height = fields[homeHeightField(kind)];
        return { kind, height: height === undefined ? null : height / 100 };
      }),
      facts: recordOf(EMERGENCY_FACTS, (name) => fields[factField(name)]?.trim() ?? ""),
    }),
  })),
);
