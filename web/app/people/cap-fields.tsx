import { LANDMARKS } from "@able-tide/core/body/channels";
import { CAP_CHANNELS, type CapChannel } from "@able-tide/core/caps/cap";
import { FEATURES } from "@able-tide/core/movement/features";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { parseWithValibot } from "@conform-to/valibot";
import { useState } from "react";
import { Form } from "react-router";
import type * as v from "valibot";
import { Button } from "../kit/button.tsx";
import { Problem, SelectField, TextField } from "../kit/field.tsx";
import { CapForm, type CapFormInput, fieldsFor } from "./cap-form.ts";

const SIDE_OPTIONS = [
  ["right", "right"],
  ["left", "left"],
  ["both", "both sides"],
] as const;
const LANDMARK_OPTIONS = LANDMARKS.map((landmark) => [landmark, landmark === "crown" ? "top of the head" : landmark] as const);
const STRENGTH_OPTIONS = [
  ["firm", "firm: holds until somebody answers"],
  ["comfort", "comfort: lapses by itself"],
  ["absolute", "absolute: the clinician's"],
] as const;

const isChannel = (value: unknown): value is CapChannel => CAP_CHANNELS.some((channel) => channel.name === value);

/** The form of a cap. Without scripts every field shows; with them only those that the channel asks for. */
export function CapFields({ lastResult, today }: { lastResult: SubmissionResult<string[]> | null; today: string }) {
  const [form, fields] = useForm<CapFormInput, v.InferOutput<typeof CapForm>>({
    id: "cap",
    lastResult,
    defaultValue: { channel: "handHeight", side: "right", landmark: "shoulder", from: today, strength: "firm" },
    onValidate: ({ formData }) => parseWithValibot(formData, { schema: CapForm }),
  });
  const start = fields.channel.initialValue;
  const [channel, setChannel] = useState<CapChannel>(isChannel(start) ? start : "handHeight");
  const asks = fieldsFor(channel);
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-4 sm:grid-cols-2">
      <input type="hidden" name="intent" value="cap" />
      <Problem id={`${form.id}-problem`} errors={form.errors} />
      <SelectField
        field={fields.channel}
        label="What is limited"
        className="sm:col-span-2"
        options={CAP_CHANNELS.map(({ name, label }) => [name, label] as const)}
        onChange={(value) => isChannel(value) && setChannel(value)}
      />
      {asks.side && <SelectField field={fields.side} label="Side" options={SIDE_OPTIONS} />}
      {asks.kind === "landmark" && <SelectField field={fields.landmark} label="Height" options={LANDMARK_OPTIONS} />}
      {asks.kind === "number" && <TextField field={fields.amount} label="At most" hint={asks.unit} inputMode="decimal" />}
      {asks.kind === "feature" && (
        <SelectField
          field={fields.feature}
          label="Left out"
          options={FEATURES.map(({ name, label }) => [name, label] as const)}
        />
      )}
      <TextField field={fields.reason} label="Why" hint="sore right shoulder" className="sm:col-span-2" />
      <TextField field={fields.source} label="Set by" hint="the clinic, own word" />
      <SelectField field={fields.strength} label="How firm" options={STRENGTH_OPTIONS} />
      <TextField field={fields.from} label="From" type="date" />
      <TextField field={fields.until} label="Until" hint="ask again then" type="date" />
      <div className="sm:col-span-2">
        <Button>Set this cap</Button>
      </div>
    </Form>
  );
}
