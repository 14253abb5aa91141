import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import { VenueForm, type VenueFormInput } from "../../forms/venue-form.ts";
import type { StoredVenue } from "../../server/venues/venues.ts";
import { Button } from "../kit/button.tsx";
import { Problem, TextField } from "../kit/field.tsx";

const typed = (value: number | null | undefined): string => (value === null || value === undefined ? "" : String(value));

function typedOf({ name, room, emergency }: StoredVenue) {
  const [first, second] = room.chairs;
  return {
    name,
    chairHeight: first ? String(Math.round(100 * first.height)) : "",
    chairCount: typed(first?.count),
    otherHeight: second ? String(Math.round(100 * second.height)) : "",
    otherCount: typed(second?.count),
    chairArms: first?.arms === true,
    otherArms: second?.arms === true,
    rail: typed(room.rail),
    floorLength: typed(room.floorLength),
    floorWidth: typed(room.floorWidth),
    shallow: typed(room.shallow),
    deep: typed(room.deep),
    poolLength: typed(room.poolLength),
    poolChairs: room.poolChairs > 0 ? String(room.poolChairs) : "",
    water: typed(room.water),
    ...emergency,
  };
}

const NUMBERS = [
  ["chairHeight", "Chairs, seat height", "cm"],
  ["chairCount", "How many", ""],
  ["otherHeight", "Other chairs, seat height", "cm"],
  ["otherCount", "How many", ""],
  ["rail", "Rail", "m"],
  ["floorLength", "Clear floor, length", "m"],
  ["floorWidth", "Clear floor, width", "m"],
  ["shallow", "Pool, shallow end", "m deep"],
  ["deep", "Pool, deep end", "m deep"],
  ["poolLength", "Slope length, shallow to deep", "m"],
  ["poolChairs", "Pool chairs", "With a lap belt, for participants who cannot stand"],
  ["water", "Water", "°C"],
] as const;

const ARMS = [
  ["chairArms", "The chairs"],
  ["otherArms", "The other chairs"],
] as const;

const CARD = [
  ["address", "Address to give the emergency service", ""],
  ["phone", "Phone of the emergency service", ""],
  ["defibrillator", "Defibrillator", "where"],
  ["exit", "Nearest exit", ""],
  ["hoist", "Pool hoist", "Where it is, and who operates it"],
] as const;

interface Props {
  readonly id: string;
  readonly venue: StoredVenue | null;
  readonly version: number;
  readonly lastResult: SubmissionResult<string[]> | null;
}

/** A place: what the room and the pool offer, and the card for when something happens. */
export function VenueFields({ id, venue, version, lastResult }: Props) {
  const [form, fields] = useForm<VenueFormInput, v.InferOutput<typeof VenueForm>>({
    id,
    lastResult,
    ...(venue ? { defaultValue: typedOf(venue) } : {}),
    onValidate: ({ formData }) => parseForm(formData, { schema: VenueForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <input type="hidden" name="intent" value="place" />
      <input type="hidden" name="venueId" value={venue?.id ?? ""} />
      <input type="hidden" name="version" value={version} />
      <Problem id={`${id}-problem`} errors={form.errors} />
      <TextField field={fields.name} label="Name" className="sm:w-1/2" />
      <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        {NUMBERS.map(([name, label, hint]) => (
          <TextField key={name} field={fields[name]} label={label} hint={hint} inputMode="decimal" />
        ))}
      </div>
      <fieldset>
        <legend className="font-semibold">
          Chairs with arms <span className="font-normal text-sand-600">To push up from</span>
        </legend>
        <div className="flex flex-wrap gap-x-6">
          {ARMS.map(([name, label]) => (
            <label key={name} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                name={fields[name].name}
                defaultChecked={fields[name].initialValue === "on"}
                className="size-5 accent-tide-700"
              />
              {label}
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset className="rounded-soft border-2 border-signal-600 p-4">
        <legend className="px-2 font-display text-lg font-bold">Emergency card</legend>
        <div className="grid gap-4 sm:grid-cols-2">
          {CARD.map(([name, label, hint]) => (
            <TextField key={name} field={fields[name]} label={label} hint={hint} />
          ))}
        </div>
      </fieldset>
      <div>
        <Button>{venue ? "Save venue" : "Add venue"}</Button>
      </div>
    </Form>
  );
}
