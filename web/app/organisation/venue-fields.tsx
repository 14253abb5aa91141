import { FURNITURE_NAMES } from "@able-tide/core/body/seats";
import { type Seat, seatsOf } from "@able-tide/core/venues/venue";
import { seatLabel } from "@able-tide/words/seats";
import { sentenceCase } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import { USUAL_VENUE, VenueForm, type VenueFormInput, type VenueKind, venueKindOf } from "../../forms/venue-form.ts";
import type { StoredVenue } from "../../server/venues/venues.ts";
import { Button } from "../kit/button.tsx";
import { Problem, SelectField, TextField } from "../kit/field.tsx";
import { roomOf } from "./room-of-form.ts";
import { VenueDrawing } from "./venue-drawing.tsx";

const typed = (value: number | null | undefined): string => (value === null || value === undefined ? "" : String(value));

const heightOf = (seat: Seat | undefined): string =>
  seat === undefined || seat.height === null ? "" : String(Math.round(100 * seat.height));

function typedOf({ name, room, emergency }: StoredVenue) {
  const [first, second, third, fourth] = seatsOf(room) ?? [];
  return {
    name,
    kind: venueKindOf(room),
    chairKind: first?.kind ?? "chair",
    chairHeight: heightOf(first),
    chairCount: typed(first?.count),
    otherKind: second?.kind ?? "chair",
    otherHeight: heightOf(second),
    otherCount: typed(second?.count),
    thirdKind: third?.kind ?? "chair",
    thirdHeight: heightOf(third),
    thirdCount: typed(third?.count),
    fourthKind: fourth?.kind ?? "chair",
    fourthHeight: heightOf(fourth),
    fourthCount: typed(fourth?.count),
    softFloor: room.softFloor === true,
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

const HALL_NUMBERS = [
  ["floorLength", "Clear floor, length", "m"],
  ["floorWidth", "Clear floor, width", "m"],
  ["rail", "Rail", "m, if any"],
] as const;

/** Seats of up to four kinds: what they are, their height, and how many people they seat. */
const SEATS = [
  ["Seats", "chairKind", "chairHeight", "chairCount"],
  ["Second kind of seats", "otherKind", "otherHeight", "otherCount"],
  ["Third kind of seats", "thirdKind", "thirdHeight", "thirdCount"],
  ["Fourth kind of seats", "fourthKind", "fourthHeight", "fourthCount"],
] as const;

const SEAT_OPTIONS = FURNITURE_NAMES.map((name) => [name, sentenceCase(seatLabel(name))] as const);

const POOL_NUMBERS = [
  ["shallow", "Shallow end", "m deep"],
  ["deep", "Deep end", "m deep"],
  ["poolLength", "Shallow to deep", "m long"],
  ["water", "Water", "°C"],
  ["poolChairs", "Pool chairs", "with a lap belt, if any"],
] as const;

const KINDS: readonly (readonly [VenueKind, string])[] = [
  ["hall", "A hall"],
  ["pool", "A pool"],
  ["both", "A hall and a pool"],
  ["homes", "Each participant's own home"],
];

const CARD = [
  ["address", "Address to give the emergency service", ""],
  ["phone", "Phone of the emergency service", ""],
  ["defibrillator", "Defibrillator", "where"],
  ["exit", "Nearest exit", ""],
] as const;

interface Props {
  readonly id: string;
  readonly venue: StoredVenue | null;
  readonly version: number;
  readonly lastResult: SubmissionResult<string[]> | null;
}

type Fields = ReturnType<typeof useForm<VenueFormInput, v.InferOutput<typeof VenueForm>>>[1];

function NumberFields({ fields, of }: { fields: Fields; of: typeof HALL_NUMBERS | typeof POOL_NUMBERS }) {
  return (
    <div className="grid grid-cols-2 items-end gap-4 sm:grid-cols-4">
      {of.map(([name, label, hint]) => (
        <TextField key={name} field={fields[name]} label={label} hint={hint} inputMode="decimal" />
      ))}
    </div>
  );
}

function Seats({ fields }: { fields: Fields }) {
  return (
    <div className="mb-4 flex flex-col gap-2">
      {SEATS.map(([legendWords, kind, height, number]) => (
        <fieldset key={kind} className="grid grid-cols-2 items-end gap-4 sm:grid-cols-4">
          <legend className="sr-only">{legendWords}</legend>
          <SelectField field={fields[kind]} label="Seat" options={SEAT_OPTIONS} className="col-span-2" />
          <TextField field={fields[height]} label="Height" hint="cm" inputMode="numeric" />
          <TextField field={fields[number]} label="Places" hint="how many" inputMode="numeric" />
        </fieldset>
      ))}
    </div>
  );
}

/** What the venue has; the fields of what it does not have are hidden by the style sheet, so that it works without scripts. */
function KindChoice({ field }: { field: Fields["kind"] }) {
  return (
    <fieldset>
      <legend className="font-semibold">What the venue has</legend>
      <div className="flex flex-wrap gap-x-6">
        {KINDS.map(([kind, label]) => (
          <label key={kind} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name={field.name}
              value={kind}
              defaultChecked={field.initialValue === kind}
              className="size-5 accent-tide-700"
            />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

const box = "rounded-soft border border-sand-300 p-4";
const legend = "px-2 font-display text-lg font-bold";

function EmergencyCardFields({ fields, hasPool }: { fields: Fields; hasPool: boolean }) {
  return (
    <fieldset className="rounded-soft border-2 border-signal-600 p-4">
      <legend className={legend}>Emergency card</legend>
      <div className="grid gap-4 sm:grid-cols-2">
        {CARD.map(([name, label, hint]) => (
          <TextField key={name} field={fields[name]} label={label} hint={hint} />
        ))}
        <TextField
          field={fields.hoist}
          label="Pool hoist"
          hint="where it is, and who operates it"
          className={hasPool ? "" : "hidden"}
        />
      </div>
    </fieldset>
  );
}

/** A venue: what the hall and the pool offer, drawn as it is typed, and the card for when something happens. */
export function VenueFields({ id, venue, version, lastResult }: Props) {
  const [form, fields] = useForm<VenueFormInput, v.InferOutput<typeof VenueForm>>({
    id,
    lastResult,
    defaultValue: venue ? typedOf(venue) : USUAL_VENUE,
    onValidate: ({ formData }) => parseForm(formData, { schema: VenueForm }),
  });
  const kind = fields.kind.value;
  return (
    <Form
      method="post"
      {...getFormProps(form)}
      className="group/venue grid items-start gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_19rem]"
    >
      <input type="hidden" name="intent" value="place" />
      <input type="hidden" name="venueId" value={venue?.id ?? ""} />
      <input type="hidden" name="version" value={version} />
      <div className="flex flex-col gap-4">
        <Problem id={`${id}-problem`} errors={form.errors} />
        <TextField field={fields.name} label="Name" className="sm:w-1/2" />
        <KindChoice field={fields.kind} />
        <fieldset
          className={`${box} group-has-[input[value=pool]:checked]/venue:hidden group-has-[input[value=homes]:checked]/venue:hidden`}
          disabled={kind === "pool" || kind === "homes"}
        >
          <legend className={legend}>Hall</legend>
          <Seats fields={fields} />
          <NumberFields fields={fields} of={HALL_NUMBERS} />
          <label className="mt-2 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              name={fields.softFloor.name}
              defaultChecked={fields.softFloor.initialValue === "on"}
              className="size-5 accent-tide-700"
            />
            Mats, foam or grass to stand on
          </label>
        </fieldset>
        <fieldset
          className={`${box} group-has-[input[value=hall]:checked]/venue:hidden group-has-[input[value=homes]:checked]/venue:hidden`}
          disabled={kind === "hall" || kind === "homes"}
        >
          <legend className={legend}>Pool</legend>
          <NumberFields fields={fields} of={POOL_NUMBERS} />
        </fieldset>
        <p className="hidden text-sand-600 group-has-[input[value=homes]:checked]/venue:block">
          Participants join from home. Record what each of them can sit on at home under About on their page. No rail is planned
          for anyone. Have each participant's own address at hand for the emergency service.
        </p>
        <EmergencyCardFields fields={fields} hasPool={kind === "pool" || kind === "both"} />
        <div>
          <Button>{venue ? "Save venue" : "Add venue"}</Button>
        </div>
      </div>
      <VenueDrawing room={roomOf(form.value)} />
    </Form>
  );
}
