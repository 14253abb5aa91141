import * as v from "valibot";
import { OWN_AIDS } from "../body/supports.ts";
import { WATER_EQUIPMENT_NAMES } from "../body/water-equipment.ts";

/** Facts that everyone in class may need at once; only those a person has agreed to are written down. */
export const EMERGENCY_FACTS = [
  { name: "insulin", label: "insulin" },
  { name: "seizures", label: "seizures" },
  { name: "spray", label: "spray, and where it is" },
  { name: "bloodThinner", label: "blood thinner" },
  { name: "defibrillator", label: "own defibrillator" },
  { name: "allergy", label: "allergy" },
  { name: "inhaler", label: "inhaler, and where it is" },
  { name: "resuscitation", label: "wishes about resuscitation" },
] as const;
export type EmergencyFact = (typeof EMERGENCY_FACTS)[number]["name"];

/** Medicines that matter in class, by class. */
export const MEDICINES = [
  { name: "betaBlocker", label: "beta-blocker" },
  { name: "anticoagulant", label: "anticoagulant" },
  { name: "glucoseLowering", label: "glucose-lowering" },
  { name: "parkinsons", label: "for Parkinson's" },
] as const;

const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most, `Use ${most} characters or fewer.`)), "");

/** What is known of a person beside body and limits. Facts and consent are what the person has agreed to. */
export const About = v.object({
  hopes: text(400),
  contact: text(200),
  kinName: text(80),
  kinPhone: text(40),
  clinicianName: text(80),
  clinicianPhone: text(40),
  medicines: v.optional(v.array(v.picklist(MEDICINES.map(({ name }) => name))), []),
  /** When they are taken, as "8:00, 12:00 and 16:00". */
  medicineTimes: text(120),
  mayTouch: v.optional(v.picklist(["yes", "ask", "no"]), "ask"),
  mayWrite: v.optional(v.picklist(["yes", "no"]), "no"),
  /** Words for the helper, by fact; a fact without words is not agreed to. */
  facts: v.optional(
    v.partial(
      v.object(
        Object.fromEntries(EMERGENCY_FACTS.map(({ name }) => [name, text(120)])) as Record<
          EmergencyFact,
          ReturnType<typeof text>
        >,
      ),
    ),
    {},
  ),
  equipment: text(200),
  /** Seconds of the longest breath that is comfortable, in and out; null where no one has measured it. */
  longestBreath: v.optional(
    v.nullable(
      v.pipe(v.number("Enter a number of seconds."), v.minValue(2, "Enter 2 to 20 s."), v.maxValue(20, "Enter 2 to 20 s.")),
    ),
    null,
  ),
  /** Their own lowest oxygen saturation at rest, percent; null where no one has said. */
  saturationLeast: v.optional(
    v.nullable(
      v.pipe(v.number("Enter a number in %."), v.minValue(70, "Enter 70% to 100%."), v.maxValue(100, "Enter 70% to 100%.")),
    ),
    null,
  ),
  /** What they have in their hands in water, whatever the plan says. */
  waterEquipment: v.optional(v.nullable(v.picklist(WATER_EQUIPMENT_NAMES)), null),
  /** What they bring to hold on to while standing. */
  aids: v.optional(v.array(v.picklist(OWN_AIDS)), []),
});
export type About = v.InferOutput<typeof About>;

export const NOTHING_KNOWN: About = v.parse(About, {});

/** The facts that were agreed, in the order that matters. */
export const agreedFacts = ({ facts }: Pick<About, "facts">): { readonly label: string; readonly words: string }[] =>
  EMERGENCY_FACTS.flatMap(({ name, label }) => {
    const words = facts[name];
    return words ? [{ label, words }] : [];
  });
