import { WEEKDAYS } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { GroupForm, type GroupFormInput } from "../../forms/group-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { venueKindOf } from "../../forms/venue-form.ts";
import type { Group } from "../../server/groups/groups.ts";
import type { StoredVenue } from "../../server/venues/venues.ts";
import { Button } from "../kit/button.tsx";
import { CheckBoxes, Problem, SelectField, TextField } from "../kit/field.tsx";
import { QUESTION_OPTIONS } from "./question-options.ts";

const WEEKDAY_OPTIONS = WEEKDAYS.map(([weekday, name]) => [String(weekday), name] as const);

interface Props {
  readonly id: string;
  readonly group: Group | null;
  readonly venues: readonly Pick<StoredVenue, "id" | "name" | "room">[];
  readonly lastResult: SubmissionResult<string[]> | null;
}

/**
 * A group: when and where it meets, and what its check-in asks.
 *
 * Long because it is one form.
 */
export function GroupFields({ id, group, venues, lastResult }: Props) {
  // Where there is one venue, a new group most often meets there.
  const venue = venues.length === 1 ? venues[0] : undefined;
  const [form, fields] = useForm<GroupFormInput, v.InferOutput<typeof GroupForm>>({
    id,
    lastResult,
    defaultValue: group
      ? {
          name: group.name,
          place: group.place,
          placeId: group.placeId ?? "",
          weekday: group.weekday,
          startsAt: group.startsAt,
          minutes: group.minutes,
          helpers: group.helpers,
        }
      : { weekday: 1, startsAt: "10:00", minutes: 45, helpers: 0, placeId: venue?.id ?? "" },
    onValidate: ({ formData }) => parseForm(formData, { schema: GroupForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-4 sm:grid-cols-2">
      <input type="hidden" name="intent" value="group" />
      <input type="hidden" name="groupId" value={group?.id ?? ""} />
      <Problem id={`${id}-problem`} errors={form.errors} />
      <TextField field={fields.name} label="Name" />
      <SelectField field={fields.weekday} label="Meets on" options={WEEKDAY_OPTIONS} />
      <TextField field={fields.startsAt} label="From" hint="10:30" />
      <TextField field={fields.minutes} label="Minutes" inputMode="numeric" />
      <SelectField
        field={fields.placeId}
        label="Venue"
        options={[["", "Not given"], ...venues.map((place) => [place.id, place.name] as const)]}
      />
      <TextField field={fields.place} label="Room or area" hint="The hall, rail along one wall" />
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" name="seatedOnly" defaultChecked={group?.seatedOnly ?? false} className="size-5 accent-tide-700" />
        Seated session throughout
      </label>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          name="inWater"
          defaultChecked={group?.inWater ?? (venue ? venueKindOf(venue.room) === "pool" : false)}
          className="size-5 accent-tide-700"
        />
        Aquatic session throughout
      </label>
      <TextField
        field={fields.helpers}
        label="Number of helpers"
        hint="One helper can support one participant at a time"
        inputMode="numeric"
      />
      <details className="sm:col-span-2" open={group !== null && group.questions !== null}>
        <summary className="flex min-h-11 w-fit items-center underline underline-offset-4">Check-in questions</summary>
        <label className="flex min-h-11 items-center gap-2 font-semibold">
          <input
            type="checkbox"
            name="ownQuestions"
            defaultChecked={group?.questions !== null && group !== null}
            className="size-5 accent-tide-700"
          />
          Use different check-in questions for this group
        </label>
        <div className="pl-7">
          <CheckBoxes
            name="questions"
            options={QUESTION_OPTIONS}
            checked={(name) => group?.questions?.some((question) => question === name) ?? false}
          />
        </div>
      </details>
      <div className="sm:col-span-2">
        <Button>{group ? "Save group" : "Add group"}</Button>
      </div>
    </Form>
  );
}
