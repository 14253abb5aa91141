import { ARM_POSITIONS, hasArmPosition, hasSides, type MeasuredRange } from "@able-tide/core/caps/measured";
import type { Measurement, MeasurementInput } from "@able-tide/core/caps/measurement";
import { armPositionLabel, measuredHowLabel, measuredLabel } from "@able-tide/words/caps";
import { formatDayMonthAndYear } from "@able-tide/words/text";
import { getFormProps, useForm } from "@conform-to/react";
import { useState } from "react";
import { data, Form } from "react-router";
import { MEASURABLE_OPTIONS, type MeasuredRangeInput, measuredRangeForm } from "../../forms/measured-range-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { listMeasurements, recordMeasurements } from "../../server/people/measurements.ts";
import { findPerson } from "../../server/people/people.ts";
import { today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { SelectField, TextField } from "../kit/field.tsx";
import { ScrollArea } from "../kit/scroll-area.tsx";
import { PageHead } from "../kit/shell.tsx";
import { LANDMARK_OPTIONS } from "../people/cap-fields.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/measured";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Measured ranges of ${loaderData?.person.name ?? "a person"} · Able Tide` },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  return {
    person: { id: person.id, name: person.name },
    measurements: await listMeasurements(scope, person.id),
    today: today(scope),
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const submission = parseForm(await formDataOf(request), { schema: measuredRangeForm(today(scope)) });
  if (submission.status !== "success") return data(submission.reply(), { status: 422 });
  await recordMeasurements(scope, person.id, submission.value);
  return data(submission.reply({ resetForm: true }));
}

const HOW = [
  ["painFree", "pain-free"],
  ["active", "active"],
  ["passive", "passive"],
] as const;

const POSITION_OPTIONS = [["", "choose"], ...ARM_POSITIONS.map((name) => [name, armPositionLabel(name)] as const)] as const;

const labelOf = (range: Measurement["range"]): string => (range === "handHeight" ? "hand height" : measuredLabel(range));
const valueInWords = ({ value }: Measurement): string => (typeof value === "number" ? `${value}°` : value);

/** One row a range and way of measuring on one day, left and right side by side. */
function rowsOf(measurements: readonly Measurement[]) {
  const rows = new Map<string, { first: Measurement; left?: Measurement; right?: Measurement; none?: Measurement }>();
  for (const measurement of measurements) {
    const key = `${measurement.day} ${measurement.range} ${measurement.how} ${measurement.armPosition ?? ""}`;
    const row = rows.get(key) ?? { first: measurement };
    row[measurement.side] ??= measurement;
    rows.set(key, row);
  }
  return [...rows.entries()].map(([key, row]) => ({ key, ...row }));
}

/** Everything that was measured, one row a range, way of measuring and day. */
function MeasuredTable({ measurements }: { measurements: readonly Measurement[] }) {
  return (
    <ScrollArea label="Measured ranges">
      <table className="w-full border-collapse text-left">
        <thead>
          <tr>
            {["Day", "What", "How", "Left", "Right", "By"].map((head) => (
              <th key={head} scope="col" className="py-1 pr-5">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rowsOf(measurements).map(({ key, first, left, right, none }) => (
            <tr key={key} className="border-t border-sand-200">
              <td className="py-1 pr-5 whitespace-nowrap">{formatDayMonthAndYear(first.day)}</td>
              <td className="pr-5">
                {labelOf(first.range)}
                {first.armPosition && <span className="text-sand-600">, {armPositionLabel(first.armPosition)}</span>}
              </td>
              <td className="pr-5">{measuredHowLabel(first.how)}</td>
              <td className="pr-5 font-bold">{left ? valueInWords(left) : none ? valueInWords(none) : ""}</td>
              <td className="pr-5 font-bold">{right ? valueInWords(right) : ""}</td>
              <td className="text-sand-600">{first.recordedBy}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollArea>
  );
}

/** Long because it is one form whose fields follow from what was measured. */
export default function Measured({ loaderData: { person, measurements, today }, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<MeasuredRangeInput, MeasurementInput[]>({
    id: "measured",
    lastResult: actionData ?? null,
    defaultValue: { range: "shoulderElevation", how: "painFree", day: today },
    onValidate: ({ formData }) => parseForm(formData, { schema: measuredRangeForm(today) }),
  });
  const start = fields.range.initialValue;
  const [range, setRange] = useState(typeof start === "string" ? start : "shoulderElevation");
  const heights = range === "handHeight";
  const sided = heights || hasSides(range as MeasuredRange);
  const heightOptions = [["", "not measured"], ...LANDMARK_OPTIONS] as const;
  return (
    <>
      <PageHead title={`Range of motion: ${person.name}`} note="Linked caps use the latest pain-free measurement.">
        <ButtonLink look="plain" to={`/people/${person.id}`}>
          Back to {person.name}
        </ButtonLink>
      </PageHead>
      <div className="grid items-start gap-6 lg:grid-cols-[26rem_1fr]">
        <Form
          method="post"
          {...getFormProps(form)}
          className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-6"
        >
          <SelectField field={fields.range} label="What was measured" options={MEASURABLE_OPTIONS} onChange={setRange} />
          <SelectField field={fields.how} label="How" options={HOW} />
          {hasArmPosition(range as MeasuredRange) && (
            <>
              <SelectField field={fields.armPosition} label="Where the arm was" options={POSITION_OPTIONS} />
              <p className="text-sand-600">
                Measured with the elbow bent, starting from the forearm straight ahead. A cap that uses this measurement applies
                in every position.
              </p>
            </>
          )}
          <div className="grid grid-cols-2 gap-4">
            {sided && heights && (
              <>
                <SelectField field={fields.leftHeight} label="Left hand reaches" options={heightOptions} />
                <SelectField field={fields.rightHeight} label="Right hand reaches" options={heightOptions} />
              </>
            )}
            {!heights && sided && <TextField field={fields.left} label="Left" hint="degrees" inputMode="decimal" />}
            {!heights && <TextField field={fields.right} label={sided ? "Right" : "Range"} hint="degrees" inputMode="decimal" />}
          </div>
          <TextField field={fields.day} label="Day" type="date" />
          <div>
            <Button>Save measurement</Button>
          </div>
        </Form>
        <section className="rounded-soft border border-sand-300 bg-white p-6" aria-labelledby="measured-head">
          <h2 id="measured-head" className="mb-2 text-xl">
            As measured
          </h2>
          {measurements.length === 0 && <p className="text-lg">No measurements yet.</p>}
          {measurements.length > 0 && <MeasuredTable measurements={measurements} />}
        </section>
      </div>
    </>
  );
}
