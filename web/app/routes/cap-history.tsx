import { type CapChange, capsAt, changesOf } from "@able-tide/core/caps/history";
import { formatCap, formatCapLimit } from "@able-tide/words/format-cap";
import { formatDayMonthAndYear } from "@able-tide/words/text";
import { Form } from "react-router";
import { isDay } from "../../forms/calendar-day.ts";
import { capHistory } from "../../server/people/caps.ts";
import { findPerson } from "../../server/people/people.ts";
import { endOfDay, today } from "../../server/scope.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { LimitsFigure } from "../people/limits-figure.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/cap-history";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Caps of ${loaderData?.person.name ?? "a person"} over time · Able Tide` },
];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const caps = await capHistory(scope, person.id);
  const asked = new URL(request.url).searchParams.get("on") ?? "";
  const day = isDay(asked) ? asked : today(scope);
  return {
    person: { id: person.id, name: person.name, stature: person.stature, measured: person.measured },
    day,
    wrong: asked !== "" && !isDay(asked),
    held: capsAt(caps, endOfDay(scope, day).toISOString(), day),
    changes: changesOf(caps),
    limits: caps.map(({ id, limit }) => [id, limit] as const),
  };
}

function inWords(change: CapChange, limits: ReadonlyMap<string, Parameters<typeof formatCapLimit>[0]>): string {
  if (change.kind === "set") return `${change.cap.setBy} set: ${formatCap(change.cap)}`;
  const limit = limits.get(change.capId);
  return `${change.by} ended: ${limit ? formatCapLimit(limit) : ""}. ${change.because}`;
}

export default function CapHistory({ loaderData: { person, day, wrong, held, changes, limits } }: Route.ComponentProps) {
  const byId = new Map(limits);
  return (
    <>
      <PageHead title={`Caps: ${person.name}, ${formatDayMonthAndYear(day)}`} note="As active at the end of that day.">
        <ButtonLink look="plain" to={`/people/${person.id}`}>
          Back to {person.name}
        </ButtonLink>
      </PageHead>
      <Form method="get" className="mb-6 flex flex-wrap items-end gap-3">
        <div>
          <label htmlFor="on" className="mb-1 block font-semibold">
            Another day
          </label>
          <input id="on" name="on" type="date" defaultValue={day} className="field-box" aria-describedby="on-problem" />
          {wrong && (
            <p id="on-problem" className="mt-1 font-semibold text-signal-700">
              Enter a date.
            </p>
          )}
        </div>
        <Button look="plain">Show day</Button>
      </Form>
      <div className="grid items-start gap-8 lg:grid-cols-[24rem_1fr]">
        <LimitsFigure caps={held} person={person} />
        <div>
          <section aria-labelledby="held-head">
            <h2 id="held-head" className="mb-2 text-xl">
              Active caps
            </h2>
            {held.length === 0 && <p className="text-lg">No active caps on that day.</p>}
            <ul className="list-disc pl-6 text-lg">
              {held.map((cap) => (
                <li key={cap.id}>{formatCap(cap)}</li>
              ))}
            </ul>
          </section>
          <section className="mt-6" aria-labelledby="changes-head">
            <h2 id="changes-head" className="mb-2 text-xl">
              All changes
            </h2>
            <ol className="flex flex-col gap-1">
              {changes.toReversed().map((change) => (
                <li key={`${change.kind} ${change.kind === "set" ? change.cap.id : change.capId}`}>
                  <span className="text-sand-600">{formatDayMonthAndYear(change.at.slice(0, 10))}</span> {inWords(change, byId)}
                </li>
              ))}
            </ol>
          </section>
        </div>
      </div>
    </>
  );
}
