import { ARM_STATES, FLOATING, LEG_STATES, MEASURED_FIELDS } from "../../forms/measured-form.ts";
import { type FieldState, SelectField, TextField } from "../kit/field.tsx";

type Fields = Readonly<Record<keyof typeof MEASURED_FIELDS, FieldState>>;

/** What differs from the usual body: lengths as measured, limbs, a wheelchair. Most people leave it closed. */
export function MeasuredFields({ fields }: { fields: Fields }) {
  const wrong = Object.keys(MEASURED_FIELDS).some((name) => (fields[name as keyof Fields].errors?.length ?? 0) > 0);
  return (
    <details className="rounded-soft border border-sand-300 bg-sand-50 p-4" open={wrong || undefined}>
      <summary className="flex min-h-11 items-center font-semibold">Wheelchair, limbs and measured lengths</summary>
      <div className="mt-2 flex flex-col gap-4">
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            name={fields.wheelchair.name}
            defaultChecked={fields.wheelchair.initialValue === "on"}
            className="size-5 accent-tide-700"
          />
          Uses a wheelchair throughout the session
        </label>
        <div className="grid gap-4 sm:grid-cols-2">
          <SelectField field={fields.armLeft} label="Left arm" options={ARM_STATES} />
          <SelectField field={fields.armRight} label="Right arm" options={ARM_STATES} />
          <SelectField field={fields.legLeft} label="Left leg" options={LEG_STATES} />
          <SelectField field={fields.legRight} label="Right leg" options={LEG_STATES} />
        </div>
        <p className="text-sand-600">
          The other hand carries an arm from under the forearm, in movements that both arms do alike, to 90° at most. Choose this
          only if their physiotherapist or doctor agrees, and never in the first weeks after a stroke, an injury or an operation.
        </p>
        <p className="text-sand-600">
          Legs from the hip bone's outer point to the floor, barefoot; arms from the shoulder's tip to the tip of the middle
          finger. Leave empty to estimate them from height.
        </p>
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField field={fields.legLengthLeft} label="Left leg's length" hint="cm" inputMode="decimal" />
          <TextField field={fields.legLengthRight} label="Right leg's length" hint="cm" inputMode="decimal" />
          <TextField field={fields.armLengthLeft} label="Left arm's length" hint="cm" inputMode="decimal" />
          <TextField field={fields.armLengthRight} label="Right arm's length" hint="cm" inputMode="decimal" />
        </div>
        <SelectField field={fields.floats} label="Buoyancy" options={FLOATING} className="sm:w-1/2" />
      </div>
    </details>
  );
}
