import { FURNITURE_NAMES } from "@able-tide/core/body/seats";
import { WATER_EQUIPMENT } from "@able-tide/core/body/water-equipment";
import { RISES_FROM_CHAIR } from "@able-tide/core/caps/rising";
import { type About, EMERGENCY_FACTS, MEDICINES } from "@able-tide/core/people/about";
import { waterEquipmentLabel } from "@able-tide/words/body";
import { factLabel, medicineLabel, risingLabel } from "@able-tide/words/people";
import { seatLabel } from "@able-tide/words/seats";
import { sentenceCase } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { AboutForm, type AboutFormInput, factField, homeHeightField } from "../../forms/about-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { CheckBoxes, Problem, SelectField, TextArea, TextField } from "../kit/field.tsx";

const AID_OPTIONS = [
  ["frame", "Walking frame, brakes on"],
  ["stick", "a stick"],
] as const;
const MEDICINE_OPTIONS = MEDICINES.map((name) => [name, medicineLabel(name)] as const);
const WATER_OPTIONS = [
  ["", "As planned"],
  ...WATER_EQUIPMENT.map(({ name }) => [name, waterEquipmentLabel(name)] as const),
] as const;
const RISING_OPTIONS = RISES_FROM_CHAIR.map((name) => [name, risingLabel(name)] as const);
const TOUCH = [
  ["ask", "Ask each time"],
  ["yes", "yes"],
  ["no", "no"],
] as const;
const WRITE = [
  ["no", "Not yet agreed"],
  ["yes", "agreed"],
] as const;

/** An about as the fields hold it. */
const typedOf = ({ facts, longestBreath, saturationLeast, waterEquipment, home, ...about }: About) => ({
  ...about,
  longestBreath: longestBreath === null ? "" : String(longestBreath),
  saturationLeast: saturationLeast === null ? "" : String(saturationLeast),
  waterEquipment: waterEquipment ?? "",
  medicines: [...about.medicines],
  aids: [...about.aids],
  home: home.map(({ kind }) => kind),
  ...Object.fromEntries(
    home.map(({ kind, height }) => [homeHeightField(kind), height === null ? "" : String(Math.round(100 * height))]),
  ),
  ...Object.fromEntries(EMERGENCY_FACTS.map((name) => [factField(name), facts[name] ?? ""])),
});

interface Props {
  readonly lastResult: SubmissionResult<string[]> | null;
  readonly about: About;
  /** The version that a change starts from. */
  readonly version: number;
}

/**
 * What is known of a person in addition to body and caps.
 *
 * Long because it is one form.
 */
export function AboutFields({ lastResult, about, version }: Props) {
  const [form, fields] = useForm<AboutFormInput, v.InferOutput<typeof AboutForm>>({
    id: "about",
    lastResult,
    defaultValue: typedOf(about),
    onValidate: ({ formData }) => parseForm(formData, { schema: AboutForm }),
  });
  const taken = fields.medicines.initialValue;
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-6">
      <input type="hidden" name="intent" value="about" />
      <input type="hidden" name="version" value={version} />
      <Problem id={`${form.id}-problem`} errors={form.errors} />
      <section className="grid gap-4 sm:grid-cols-2">
        <TextArea field={fields.hopes} label="Hopes" rows={2} className="sm:col-span-2" />
        <TextField field={fields.contact} label="Contact" hint="phone, by whom" />
        <TextField field={fields.equipment} label="Own equipment" hint="ball, stick, splint, shoes" />
        <TextField field={fields.kinName} label="Next of kin" />
        <TextField field={fields.kinPhone} label="Next of kin's phone" />
        <TextField field={fields.clinicianName} label="Clinician" />
        <TextField field={fields.clinicianPhone} label="Clinician's phone" />
        <fieldset>
          <legend className="font-semibold">Own walking aid used in class</legend>
          <CheckBoxes name={fields.aids.name} options={AID_OPTIONS} checked={(name) => about.aids.some((aid) => aid === name)} />
        </fieldset>
        <SelectField field={fields.risesFromChair} label="Stands up from a chair with arms" options={RISING_OPTIONS} />
        <SelectField field={fields.waterEquipment} label="Equipment in the pool" options={WATER_OPTIONS} />
        <TextField
          field={fields.longestBreath}
          label="Longest easy breath"
          hint="seconds, in and out, as measured"
          inputMode="decimal"
        />
        <TextField
          field={fields.saturationLeast}
          label="Own lowest oxygen saturation"
          hint="%, at rest, from the clinician"
          inputMode="decimal"
        />
        <SelectField field={fields.mayTouch} label="May be touched for guidance or support" options={TOUCH} />
        <SelectField field={fields.mayWrite} label="Agrees to written records" options={WRITE} />
      </section>
      <fieldset>
        <legend className="font-semibold">Seats at home</legend>
        <p className="mb-2 text-sand-600">
          For sessions that participants join from home. Measure the height without the cushion pressed in.
        </p>
        <div className="grid gap-x-6 sm:grid-cols-2">
          {FURNITURE_NAMES.map((name) => (
            <div key={name} className="flex items-end justify-between gap-4">
              <CheckBoxes
                name={fields.home.name}
                options={[[name, sentenceCase(seatLabel(name))]]}
                checked={() => about.home.some(({ kind }) => kind === name)}
              />
              <TextField
                field={fields[homeHeightField(name)]}
                label={`${sentenceCase(seatLabel(name))}, height`}
                hint="cm"
                inputMode="numeric"
                className="w-44"
              />
            </div>
          ))}
        </div>
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-semibold">Medicines that matter in class</legend>
        <CheckBoxes
          name={fields.medicines.name}
          options={MEDICINE_OPTIONS}
          checked={(name) => (Array.isArray(taken) ? taken.includes(name) : taken === name)}
        />
        <TextField field={fields.medicineTimes} label="Times taken" hint="8:00, 12:00 and 16:00" className="mt-2 sm:w-1/2" />
      </fieldset>
      <fieldset>
        <legend className="font-semibold">Emergency facts (shared with consent)</legend>
        <p className="mb-2 text-sand-600">
          Write what the helper needs to read. Everyone running the class can see these facts. Leave them empty without consent.
        </p>
        <div className="grid gap-4 sm:grid-cols-2">
          {EMERGENCY_FACTS.map((name) => (
            <TextField key={name} field={fields[factField(name)]} label={sentenceCase(factLabel(name))} />
          ))}
        </div>
      </fieldset>
      <div>
        <Button>Save</Button>
      </div>
    </Form>
  );
}
