import { LANDMARKS } from "@able-tide/core/body/channels";
import { WHOLE_OR_PART } from "@able-tide/core/caps/body-parts";
import { CAP_CHANNELS, type CapChannel } from "@able-tide/core/caps/channels";
import { MOTIONS, type MotionName } from "@able-tide/core/caps/motions";
import { FEATURES } from "@able-tide/core/movement/features";
import { VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { capChannelLabel, motionLabel, partLabel } from "@able-tide/words/caps";
import { featureLabel, variantLabel } from "@able-tide/words/movement";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { useState } from "react";
import { Form } from "react-router";
import type * as v from "valibot";
import { CapForm, type CapFormInput, fieldsFor, measuredRangeFor } from "../../forms/cap-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { CheckBoxes, Problem, SelectField, TextField } from "../kit/field.tsx";

const SIDE_OPTIONS = [
  ["right", "right"],
  ["left", "left"],
  ["both", "Both sides"],
] as const;
export const LANDMARK_OPTIONS = LANDMARKS.map(
  (landmark) => [landmark, landmark === "crown" ? "Top of the head" : landmark] as const,
);
const MOTION_OPTIONS = MOTIONS.map(({ name }) => [name, motionLabel(name)] as const);
const PART_OPTIONS = WHOLE_OR_PART.map((part) => [part, partLabel(part)] as const);
const FORM_OPTIONS = VARIANT_KINDS.map((kind) => [kind, variantLabel(kind)] as const);
const FEATURE_OPTIONS = FEATURES.map((name) => [name, featureLabel(name)] as const);
const CHANNEL_OPTIONS = CAP_CHANNELS.map(({ name }) => [name, capChannelLabel(name)] as const);
const STRENGTH_OPTIONS = [
  ["firm", "Firm: stays active until someone reviews it"],
  ["comfort", "Temporary: ends automatically on its date"],
] as const;
const ABSOLUTE_OPTION = ["absolute", "Clinical: only a clinician can change it"] as const;
const DATE_OPTIONS = [
  ["review", "Review date: the cap stays active until reviewed"],
  ["ends", "End date: given by the person who set the cap"],
] as const;

const isChannel = (value: unknown): value is CapChannel => CAP_CHANNELS.some((channel) => channel.name === value);
const isMotion = (value: unknown): value is MotionName => MOTIONS.some((motion) => motion.name === value);

interface Props {
  readonly lastResult: SubmissionResult<string[]> | null;
  readonly today: string;
  /** Whose word it is: a clinician's is absolute. */
  readonly clinician: string | null;
}

/**
 * The form of a cap. Without scripts every field shows; with them only those that the channel asks for.
 *
 * Long because it is one form whose fields follow from the channel.
 */
export function CapFields({ lastResult, today, clinician }: Props) {
  const [form, fields] = useForm<CapFormInput, v.InferOutput<typeof CapForm>>({
    id: "cap",
    lastResult,
    defaultValue: {
      channel: "handHeight",
      side: "right",
      landmark: "shoulder",
      from: today,
      source: clinician ?? "",
      strength: clinician === null ? "firm" : "absolute",
    },
    onValidate: ({ formData }) => parseForm(formData, { schema: CapForm }),
  });
  const start = fields.channel.initialValue;
  const startMotion = fields.motion.initialValue;
  const [channel, setChannel] = useState<CapChannel>(isChannel(start) ? start : "handHeight");
  const [motion, setMotion] = useState<MotionName>(isMotion(startMotion) ? startMotion : "neckRotation");
  const asks = fieldsFor(channel, motion);
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-4 sm:grid-cols-2">
      <input type="hidden" name="intent" value="cap" />
      <Problem id={`${form.id}-problem`} errors={form.errors} />
      <SelectField
        field={fields.channel}
        label="What does the cap apply to?"
        className="sm:col-span-2"
        options={CHANNEL_OPTIONS}
        onChange={(value) => isChannel(value) && setChannel(value)}
      />
      {asks.kind === "motion" && (
        <SelectField
          field={fields.motion}
          label="Joint and direction"
          options={MOTION_OPTIONS}
          onChange={(value) => isMotion(value) && setMotion(value)}
        />
      )}
      {asks.kind === "part" && <SelectField field={fields.part} label="Part of the body" options={PART_OPTIONS} />}
      {asks.side && <SelectField field={fields.side} label="Side" options={SIDE_OPTIONS} />}
      {asks.kind === "landmark" && <SelectField field={fields.landmark} label="Height" options={LANDMARK_OPTIONS} />}
      {asks.kind === "form" && <SelectField field={fields.form} label="Variant" options={FORM_OPTIONS} />}
      {asks.kind === "feature" && (
        <SelectField field={fields.feature} label="Movement feature to avoid" options={FEATURE_OPTIONS} />
      )}
      {asks.unit !== null && <TextField field={fields.amount} label="Number" hint={asks.unit} inputMode="decimal" />}
      {channel === "legShare" && (
        <label className="flex min-h-11 items-center gap-2 sm:col-span-2">
          <input type="checkbox" name={fields.poolAllowed.name} className="size-5 accent-tide-700" />
          The clinician allows the pool: the cap counts weight in water
        </label>
      )}
      {measuredRangeFor(channel, motion) !== null && (
        <label className="flex min-h-11 items-center gap-2 sm:col-span-2">
          <input type="checkbox" name={fields.follow.name} className="size-5 accent-tide-700" />
          Use the latest pain-free measurement
        </label>
      )}
      <TextField field={fields.reason} label="Why" hint="Sore right shoulder" className="sm:col-span-2" />
      <TextField field={fields.source} label="Set by" hint="Participant, or clinic's letter" />
      <SelectField
        field={fields.strength}
        label="Type of cap"
        options={clinician === null ? STRENGTH_OPTIONS : [ABSOLUTE_OPTION, ...STRENGTH_OPTIONS]}
      />
      <TextField field={fields.from} label="From" type="date" />
      <TextField field={fields.until} label="Date" hint="optional" type="date" />
      <SelectField field={fields.dateKind} label="What the date means" className="sm:col-span-2" options={DATE_OPTIONS} />
      <fieldset className="sm:col-span-2">
        <legend className="mb-1 font-semibold">
          Only for these variants <span className="font-normal text-sand-600">None selected: all variants</span>
        </legend>
        <CheckBoxes name={fields.onlyIn.name} options={FORM_OPTIONS} checked={() => false} />
      </fieldset>
      <div className="sm:col-span-2">
        <Button>Set cap</Button>
      </div>
    </Form>
  );
}
