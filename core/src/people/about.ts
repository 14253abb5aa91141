import * as v from "valibot";
import { FURNITURE_NAMES } from "../body/seats.ts";
import { OWN_AIDS } from "../body/supports.ts";
import { WATER_EQUIPMENT_NAMES } from "../body/water-equipment.ts";
import { RISES_FROM_CHAIR } from "../caps/rising.ts";
import { recordOf } from "../named.ts";

/** Facts that everyone in class may need at once; only those a person has agreed to are recorded. */
export const EMERGENCY_FACTS = [
  "insulin",
  "seizures",
  "spray",
  "bloodThinner",
  "defibrillator",
  "allergy",
  "inhaler",
  "resuscitation",
] as const;
export type EmergencyFact = (typeof EMERGENCY_FACTS)[number];

/** Medicines that matter in class, by class. */
export const MEDICINES = ["betaBlocker", "anticoagulant", "glucoseLowering", "parkinsons"] as const;
/** A class of medicine. */
export type Medicine = (typeof MEDICINES)[number];

const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most)), "");

/** What is known of a person in addition to body and caps. Facts and consent are what the person has agreed to. */
export const About = v.object({
  hopes: text(400),
  contact: text(200),
  kinName: text(80),
  kinPhone: text(40),
  clinicianName: text(80),
  clinicianPhone: text(40),
  medicines: v.optional(v.array(v.picklist(MEDICINES)), []),
  /** When they are taken, as "8:00, 12:00 and 16:00". */
  medicineTimes: text(120),
  mayTouch: v.optional(v.picklist(["yes", "ask", "no"]), "ask"),
  mayWrite: v.optional(v.picklist(["yes", "no"]), "no"),
  /** Words for the helper, by fact; a fact without words is not agreed to. */
  facts: v.optional(v.partial(v.object(recordOf(EMERGENCY_FACTS, () => text(120)))), {}),
  equipment: text(200),
  /** Seconds of the longest breath that is comfortable, in and out; null where no one has measured it. */
  longestBreath: v.optional(v.nullable(v.pipe(v.number(), v.minValue(2), v.maxValue(20))), null),
  /** Their own lowest oxygen saturation at rest, percent; null where no one has said. */
  saturationLeast: v.optional(v.nullable(v.pipe(v.number(), v.minValue(70), v.maxValue(100))), null),
  /** What they have in their hands in water, whatever the plan says. */
  waterEquipment: v.optional(v.nullable(v.picklist(WATER_EQUIPMENT_NAMES)), null),
  /** How they stand up from a chair with arms; a hand guides and never lifts. */
  risesFromChair: v.optional(v.picklist(RISES_FROM_CHAIR), "unasked"),
  /** What they bring to hold on to while standing. */
  aids: v.optional(v.array(v.picklist(OWN_AIDS)), []),
  /** What they can sit on at home, with its height in metres where it was measured. */
  home: v.optional(
    v.pipe(
      v.array(
        v.object({
          kind: v.picklist(FURNITURE_NAMES),
          height: v.optional(v.nullable(v.pipe(v.number(), v.minValue(0.25), v.maxValue(0.7))), null),
        }),
      ),
      v.maxLength(FURNITURE_NAMES.length),
    ),
    [],
  ),
});
export type About = v.InferOutput<typeof About>;

export const NOTHING_KNOWN: About = v.parse(About, {});

/** The facts that were agreed, in the order that matters. */
export const agreedFacts = ({ facts }: Pick<About, "facts">): { readonly name: EmergencyFact; readonly words: string }[] =>
  EMERGENCY_FACTS.flatMap((name) => {
    const words = facts[name];
    return words ? [{ name, words }] : [];
  });
