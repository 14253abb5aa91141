import { type About, MEDICINES } from "@able-tide/core/people/about";
import { waterEquipmentLabel } from "@able-tide/words/body";
import { formatFacts, formatTouch, medicineLabel, risingLabel } from "@able-tide/words/people";
import { FactList } from "../kit/fact-list.tsx";

/** What is known of a person, in the order it is needed: emergency facts first. */
export function AboutLines({ about }: { about: About }) {
  const facts = formatFacts(about);
  const medicines = MEDICINES.filter((name) => about.medicines.includes(name)).map(medicineLabel);
  const inWater = about.waterEquipment === null ? "" : `in the pool ${waterEquipmentLabel(about.waterEquipment)}`;
  const rows: readonly (readonly [string, string])[] = [
    ["Hopes", about.hopes],
    ["Medicines", [medicines.join(", "), about.medicineTimes && `taken ${about.medicineTimes}`].filter(Boolean).join("; ")],
    ["Consent", `${formatTouch(about)}${about.mayWrite === "yes" ? "" : ", has not agreed to written records"}`],
    ["Equipment", [about.equipment, inWater].filter(Boolean).join("; ")],
    ["Stands up from a chair with arms", about.risesFromChair === "unasked" ? "" : risingLabel(about.risesFromChair)],
    ["Longest easy breath", about.longestBreath === null ? "" : `${about.longestBreath} s`],
    ["Own lowest oxygen saturation", about.saturationLeast === null ? "" : `${about.saturationLeast}%`],
    ["Reach", about.contact],
    ["Next of kin", [about.kinName, about.kinPhone].filter(Boolean).join(", ")],
    ["Clinician", [about.clinicianName, about.clinicianPhone].filter(Boolean).join(", ")],
  ];
  return (
    <>
      {facts.length > 0 && (
        <section className="mt-4 rounded-soft border-2 border-signal-600 bg-white p-3" aria-label="Emergency facts">
          <h2 className="text-lg">In an emergency</h2>
          <FactList facts={facts} />
        </section>
      )}
      <dl className="mt-4 flex flex-col gap-1">
        {rows
          .filter(([, words]) => words !== "")
          .map(([label, words]) => (
            <div key={label}>
              <dt className="inline text-sand-600">{label}: </dt>
              <dd className="inline">{words}</dd>
            </div>
          ))}
      </dl>
    </>
  );
}
