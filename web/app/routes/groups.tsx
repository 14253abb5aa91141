import { type Seat, seatsOf } from "@able-tide/core/venues/venue";
import { seatLabel } from "@able-tide/words/seats";
import { count, weekdayName } from "@able-tide/words/text";
import { Plus } from "lucide-react";
import { data, Form } from "react-router";
import { archive } from "../../server/archive.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { listPeople } from "../../server/people/people.ts";
import type { Scope } from "../../server/scope.ts";
import { listVenues } from "../../server/venues/venues.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { type FormAnswer, isRefused, resultOf } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { GroupFields } from "../organisation/group-fields.tsx";
import { saveGroup, saveVenue } from "../organisation/save-organised.server.ts";
import { VenueFields } from "../organisation/venue-fields.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/groups";

export const meta: Route.MetaFunction = () => [{ title: "Groups and venues · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [groups, places, people] = await Promise.all([listGroups(scope), listVenues(scope), listPeople(scope)]);
  return {
    groups: groups.map((group) => ({
      ...group,
      newcomers: people.filter(({ groupIds, released }) => groupIds.includes(group.id) && !released).length,
      members: people.filter(({ groupIds }) => groupIds.includes(group.id)).map(({ name }) => name),
    })),
    places,
  };
}

/** The answer to one of the forms: of a group or a venue by its id, or "new-group" and "new-place". */
interface Answer extends FormAnswer {
  readonly movedOn?: boolean;
  /** Why a group or venue cannot be archived. */
  readonly needed?: string;
}

const NEEDED = {
  group: "This group has a class that has not ended. End the class first.",
  venue: "A group meets at this venue. Give the group another venue first, or archive the group.",
} as const;

async function putAway(scope: Scope, subject: keyof typeof NEEDED, id: string) {
  const outcome = await archive(scope, subject, id);
  if (outcome === "unknown") throw notFound();
  const answer: Answer = { form: id, result: {}, ...(outcome === "needed" && { needed: NEEDED[subject] }) };
  return data(answer, { status: outcome === "needed" ? 409 : 200 });
}

const STATUS = { saved: 200, refused: 422, "moved on": 409 } as const;

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const intent = intentOf(formData, ["group", "place", "archive-group", "archive-venue"]);
  if (intent === "archive-group") return putAway(scope, "group", idOf(formData, "id"));
  if (intent === "archive-venue") return putAway(scope, "venue", idOf(formData, "id"));
  const { id, outcome, result } = await (intent === "group" ? saveGroup : saveVenue)(scope, formData);
  const answer: Answer = { form: id ?? `new-${intent}`, result, movedOn: outcome === "moved on" };
  return data(answer, { status: STATUS[outcome] });
}

const box = "rounded-soft border border-sand-300 bg-white p-4";
const head = "flex min-h-11 flex-wrap content-center items-baseline gap-x-4";

type Place = Route.ComponentProps["loaderData"]["places"][number];

/** So many seats of a kind, as "4 chairs with arms". */
function seatsInWords({ kind, count: places }: Seat): string {
  if (kind === "chair") return count(places, "chair", "chairs");
  if (kind === "armchair") return count(places, "chair with arms", "chairs with arms");
  return `${seatLabel(kind)} for ${places}`;
}

function roomInWords({ room }: Place): string {
  const { rail, floorLength, floorWidth, softFloor, shallow, deep, water } = room;
  const seats = seatsOf(room);
  return [
    seats === null
      ? "each participant's own home"
      : seats.map((seat) => `${seatsInWords(seat)} of ${Math.round(100 * (seat.height ?? 0))} cm`).join(", "),
    rail && `rail ${rail} m`,
    floorLength && floorWidth && `clear floor ${floorLength} × ${floorWidth} m`,
    softFloor && "mats, foam or grass",
    shallow && deep && `pool ${shallow.toFixed(2)} to ${deep.toFixed(2)} m deep`,
    water && `${water} °C`,
  ]
    .filter(Boolean)
    .join(" · ");
}

type Loaded = Route.ComponentProps["loaderData"];
type Result = Answer["result"] | null;

function ArchiveButton({ subject, id, name }: { subject: keyof typeof NEEDED; id: string; name: string }) {
  return (
    <Form method="post" className="mt-4 flex justify-end">
      <input type="hidden" name="id" value={id} />
      <Button look="quiet" name="intent" value={`archive-${subject}`}>
        Archive {name}
      </Button>
    </Form>
  );
}

/** A group: when it meets, who belongs to it, and the form to change it. */
function OneGroup({ group, places, result }: { group: Loaded["groups"][number]; places: Loaded["places"]; result: Result }) {
  return (
    <details className={box} open={isRefused(result)}>
      <summary className={head}>
        <strong className="text-xl">{group.name}</strong>
        <span>
          {weekdayName(group.weekday)} {group.startsAt}, {group.minutes} min, {group.place}
        </span>
        <span className="text-sand-600">
          {count(group.members.length, "participant", "participants")}
          {group.seatedOnly && ", seated"}
        </span>
      </summary>
      <p className="mb-3 text-sand-600">{group.members.join(", ") || "No participants yet. Add them under Participants."}</p>
      <GroupFields key={JSON.stringify(group)} id={`group-${group.id}`} group={group} venues={places} lastResult={result} />
      {group.newcomers > 0 && (
        <ButtonLink look="quiet" to={`/groups/${group.id}/known`}>
          Participants you know from before
        </ButtonLink>
      )}
      <ArchiveButton subject="group" id={group.id} name={group.name} />
    </details>
  );
}

/** A venue: its equipment, and the form to change it. */
function OneVenue({ place, result, movedOn }: { place: Loaded["places"][number]; result: Result; movedOn: boolean }) {
  return (
    <details className={box} open={isRefused(result) ?? (movedOn || undefined)}>
      <summary className={head}>
        <strong className="text-xl">{place.name}</strong>
        <span>{roomInWords(place)}</span>
        {place.emergency.phone === "" && <span className="font-semibold text-signal-700">no emergency card yet</span>}
      </summary>
      <VenueFields key={place.version} id={`place-${place.id}`} venue={place} version={place.version} lastResult={result} />
      <ArchiveButton subject="venue" id={place.id} name={place.name} />
    </details>
  );
}

export default function Groups({ loaderData: { groups, places }, actionData }: Route.ComponentProps) {
  const answer = (actionData as Answer | undefined) ?? null;
  const of = (form: string) => resultOf(answer, form);
  const failed = (form: string) => isRefused(of(form));
  return (
    <>
      <PageHead title="Groups and venues" note="When and where each group meets, and the venue's equipment.">
        <ButtonLink look="quiet" to="/archive">
          Archive
        </ButtonLink>
      </PageHead>
      {answer?.needed && (
        <p role="alert" className="mb-4 text-lg font-semibold text-signal-700">
          {answer.needed}
        </p>
      )}
      {answer?.movedOn && (
        <p role="alert" className="mb-4 text-lg font-semibold text-signal-700">
          Someone changed this venue while you were editing. Your entries are kept. Save again to use them.
        </p>
      )}
      <section className="mb-8 flex flex-col gap-3" aria-labelledby="groups-head">
        <h2 id="groups-head" className="text-2xl">
          Groups
        </h2>
        {groups.map((group) => (
          <OneGroup key={group.id} group={group} places={places} result={of(group.id)} />
        ))}
        <details className={box} open={failed("new-group")}>
          <summary className="flex min-h-11 items-center gap-2 font-display text-lg font-bold">
            <Plus size={20} aria-hidden="true" /> Add a group
          </summary>
          <GroupFields key={groups.length} id="new-group" group={null} venues={places} lastResult={of("new-group")} />
        </details>
      </section>
      <section className="flex flex-col gap-3" aria-labelledby="places-head">
        <h2 id="places-head" className="text-2xl">
          Venues
        </h2>
        {places.map((place) => (
          <OneVenue
            key={place.id}
            place={place}
            result={of(place.id)}
            movedOn={answer?.movedOn === true && answer.form === place.id}
          />
        ))}
        <details className={box} open={failed("new-place")}>
          <summary className="flex min-h-11 items-center gap-2 font-display text-lg font-bold">
            <Plus size={20} aria-hidden="true" /> Add venue
          </summary>
          <VenueFields key={places.length} id="new-place" venue={null} version={0} lastResult={of("new-place")} />
        </details>
      </section>
    </>
  );
}
