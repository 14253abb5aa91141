import { addDays } from "@able-tide/core/calendar";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form, Link } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { breaksIn, SeriesForm } from "../../forms/series-form.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { calendarAddressSince, makeCalendarAddress, revokeCalendarAddress } from "../../server/plans/calendar.ts";
import { listPlans } from "../../server/plans/plans.ts";
import { addSeries, listSeries, removeSeries } from "../../server/plans/series.ts";
import { sessionsFrom } from "../../server/plans/sessions.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formatDay, nextMeeting } from "../days.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Problem, SelectField, TextArea, TextField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/calendar";

export const meta: Route.MetaFunction = () => [{ title: "Calendar · Able Tide" }];

const WEEKS_AHEAD = 16;
const MOST_PLANS = 200;

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const day = today(scope);
  const [groups, series, plans, since] = await Promise.all([
    listGroups(scope),
    listSeries(scope),
    listPlans(scope, { from: day }, MOST_PLANS),
    calendarAddressSince(scope),
  ]);
  const until = addDays(day, 7 * WEEKS_AHEAD);
  return {
    day,
    groups: groups.map(({ id, name, startsAt, weekday }) => ({ id, name, startsAt, next: nextMeeting(weekday, day) })),
    series,
    sessions: sessionsFrom(day, groups, series, plans).filter((session) => session.day <= until),
    since,
  };
}

interface Answer {
  readonly result: SubmissionResult<string[]> | null;
  /** The address just made: it is shown once. */
  readonly address: string | null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  switch (intentOf(formData, ["address", "revoke", "remove", "add"])) {
    case "address": {
      const token = await makeCalendarAddress(scope);
      return data<Answer>({ result: null, address: new URL(`/calendar/${token}.ics`, request.url).href });
    }
    case "revoke":
      await revokeCalendarAddress(scope);
      return data<Answer>({ result: null, address: null });
    case "remove":
      await removeSeries(scope, idOf(formData, "seriesId"));
      return data<Answer>({ result: null, address: null });
    case "add":
      return addSeriesFrom(scope, formData);
  }
}

async function addSeriesFrom(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: SeriesForm });
  if (submission.status !== "success") return data<Answer>({ result: submission.reply(), address: null }, { status: 422 });
  const { groupId, firstDay, lastDay, breaks } = submission.value;
  if (!(await listGroups(scope)).some(({ id }) => id === groupId)) {
    const gone = submission.reply({ fieldErrors: { groupId: ["This group no longer exists."] } });
    return data<Answer>({ result: gone, address: null }, { status: 422 });
  }
  await addSeries(scope, groupId, { firstDay, lastDay, breaks: breaksIn(breaks ?? "") });
  return data<Answer>({ result: submission.reply({ resetForm: true }), address: null });
}

type Loaded = Route.ComponentProps["loaderData"];

/** The days to come, month by month: those planned lead to their board, the others are planned from here. */
function Sessions({ sessions, groups }: Pick<Loaded, "sessions" | "groups">) {
  if (sessions.length === 0) return <p className="text-lg">No upcoming sessions. Add a series to create one every week.</p>;
  return (
    <ol className="divide-y divide-sand-200 rounded-soft border border-sand-300 bg-white">
      {sessions.map(({ groupId, day, planId }) => {
        const group = groups.find(({ id }) => id === groupId);
        return (
          <li key={`${groupId} ${day}`} className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1.5">
            <span className="min-w-52 font-bold">{formatDay(day)}</span>
            <span className="min-w-52">
              {group?.startsAt} {group?.name}
            </span>
            {planId ? (
              <Link to={`/plans/${planId}`} className="flex min-h-11 items-center underline underline-offset-4">
                planned
              </Link>
            ) : (
              <Form method="post" action="/plans" className="flex flex-wrap items-center gap-x-3">
                <input type="hidden" name="groupId" value={groupId} />
                <input type="hidden" name="day" value={day} />
                <span className="text-sand-600">not planned:</span>
                <Button look="quiet" name="start" value="forward" className="px-2">
                  Two new movements and a recap
                </Button>
                <Button look="quiet" name="start" value="last" className="px-2">
                  As last time
                </Button>
                <Button look="quiet" name="start" value="empty" className="px-2">
                  Empty
                </Button>
              </Form>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function SeriesList({ series, groups }: Pick<Loaded, "series" | "groups">) {
  return (
    <ul className="mb-4 flex flex-col gap-2">
      {series.map(({ id, groupId, firstDay, lastDay, breaks }) => (
        <li key={id} className="flex flex-wrap items-center gap-x-4 rounded-[10px] border border-sand-300 bg-white px-4">
          <span>
            <strong>{groups.find((group) => group.id === groupId)?.name}</strong>, weekly from {formatDay(firstDay)} to{" "}
            {formatDay(lastDay)}
            {breaks.length > 0 &&
              `, not ${breaks.map(({ from, to }) => (from === to ? formatDay(from) : `${formatDay(from)} to ${formatDay(to)}`)).join(", ")}`}
          </span>
          <Form method="post" className="ml-auto">
            <input type="hidden" name="seriesId" value={id} />
            <Button look="quiet" name="intent" value="remove">
              Delete series
            </Button>
          </Form>
        </li>
      ))}
    </ul>
  );
}

function Address({ since, address }: { since: string | null; address: string | null }) {
  return (
    <section aria-labelledby="address-head" className="mt-8">
      <h2 id="address-head" className="mb-2 text-2xl">
        In your own calendar
      </h2>
      <p className="mb-3 max-w-2xl">
        Any calendar can subscribe to this address. It shows group, venue and time, and nothing about participants. Anyone with
        the address can read it. A new address replaces the old one.
      </p>
      {address && (
        <p role="status" className="mb-3 rounded-[10px] border-[1.5px] border-tide-600 bg-tide-100 p-3">
          Shown only now: <code className="break-all">{address}</code>
        </p>
      )}
      <Form method="post" className="flex flex-wrap gap-3">
        <Button look="plain" name="intent" value="address">
          {since ? "Create a new address" : "Create an address"}
        </Button>
        {since && (
          <Button look="quiet" name="intent" value="revoke">
            Revoke address
          </Button>
        )}
        <ButtonLink look="quiet" to="/calendar/sessions.ics" reloadDocument>
          Download calendar file
        </ButtonLink>
      </Form>
    </section>
  );
}

export default function Calendar({ loaderData, actionData }: Route.ComponentProps) {
  const { groups, series, sessions, since, day } = loaderData;
  const [first] = groups;
  const [form, fields] = useForm({
    id: "series",
    lastResult: actionData?.result ?? null,
    defaultValue: {
      groupId: first?.id ?? "",
      firstDay: first?.next ?? day,
      lastDay: addDays(first?.next ?? day, 7 * 11),
      breaks: "",
    },
    onValidate: ({ formData }) => parseForm(formData, { schema: SeriesForm }),
  });
  return (
    <>
      <PageHead title="Calendar" note="Every group's sessions, and which are planned." />
      <Sessions sessions={sessions} groups={groups} />
      <h2 className="mt-8 mb-2 text-2xl">Series</h2>
      <SeriesList series={series} groups={groups} />
      <Form
        method="post"
        {...getFormProps(form)}
        className="grid items-start gap-4 rounded-soft border border-sand-300 bg-white p-5 md:grid-cols-4"
      >
        <input type="hidden" name="intent" value="add" />
        <Problem id="series-problem" errors={form.errors} />
        <SelectField field={fields.groupId} label="Group" options={groups.map(({ id, name }) => [id, name] as const)} />
        <TextField field={fields.firstDay} label="First day" type="date" />
        <TextField field={fields.lastDay} label="Last day" type="date" />
        <TextArea field={fields.breaks} label="Breaks" hint="One per line" rows={2} />
        <div>
          <Button>Add series</Button>
        </div>
      </Form>
      <Address since={since} address={actionData?.address ?? null} />
    </>
  );
}
