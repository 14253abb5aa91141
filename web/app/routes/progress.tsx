import { itemAt } from "@able-tide/core/checked-access";
import { classState } from "@able-tide/core/class/events";
import { taughtName } from "@able-tide/core/movement/format";
import { oneLegStandNorm } from "@able-tide/core/reference/one-leg-stand";
import { observationLabel } from "@able-tide/words/class";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";
import { data, NavLink } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { resultForm } from "../../forms/result-form.ts";
import { WithdrawForm } from "../../forms/withdraw-form.ts";
import { recordReading } from "../../server/audit/audit.ts";
import { classesWithEvents } from "../../server/classes/class-records.ts";
import { capHistory, type StoredCap } from "../../server/people/caps.ts";
import { findPerson, listPeople, type Person } from "../../server/people/people.ts";
import { listAllOneLegStands, recordOneLegStand, withdrawResult } from "../../server/results/results.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formDataOf, idOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { ResultFields } from "../progress/result-fields.tsx";
import { Results } from "../progress/results.tsx";
import { VariantsByWeek, type WeekInClass } from "../progress/variants-by-week.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/progress";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.person ? `${loaderData.person.name}, weeks` : "Progress"} · Able Tide` },
];

const MOST_WEEKS = 14;

/** The days a cap held, for the timeline. */
function spanOf(cap: StoredCap, day: string) {
  const lapsed = cap.strength === "comfort" && cap.until !== null && cap.until < day ? cap.until : null;
  const to = cap.ended?.at.slice(0, 10) ?? lapsed ?? day;
  const asks = cap.strength !== "comfort" && cap.until !== null && cap.until < to;
  return { brief: formatCapLimitBriefly(cap.limit), from: cap.from, to, asksFrom: asks ? cap.until : null };
}

type Span = ReturnType<typeof spanOf>;

/** Caps that say the same and follow each other without a gap are one stretch. */
function joined(spans: readonly Span[]): Span[] {
  const told: Span[] = [];
  for (const span of spans) {
    const before = told.findIndex(({ brief, to }) => brief === span.brief && to >= span.from);
    if (before === -1) told.push(span);
    else told[before] = { ...span, from: itemAt(told, before).from };
  }
  return told;
}

async function weeksInClass(scope: Scope, personId: string): Promise<WeekInClass[]> {
  const classes = await classesWithEvents(scope, personId, MOST_WEEKS);
  return classes.map(({ taught, events }) => {
    const state = classState(events);
    const row = taught.script.people.find(({ id }) => id === personId);
    const cells = state.here.has(personId) ? (row?.cells ?? null) : null;
    return {
      classId: taught.id,
      day: taught.day,
      cells:
        cells?.map((cell, i) => {
          const movement = taught.script.blocks[i]?.movement;
          return { movementId: movement?.id ?? "", name: movement ? taughtName(movement) : "", cell };
        }) ?? null,
      signs: state.notes.filter((note) => note.personId === personId).map((note) => observationLabel(note.sign).toLowerCase()),
    };
  });
}

async function weeksOf(scope: Scope, person: Person) {
  const day = today(scope);
  const [all, caps, weeks] = await Promise.all([
    listAllOneLegStands(scope, person.id),
    capHistory(scope, person.id),
    weeksInClass(scope, person.id),
  ]);
  const results = all.filter(({ withdrawn }) => withdrawn === null);
  const firstDay = [...results.map((result) => result.day), ...weeks.map((week) => week.day), day].sort()[0] ?? day;
  const norm = oneLegStandNorm(Number(day.slice(0, 4)) - person.birthYear);
  return {
    weeks,
    results: all,
    chart: {
      results: results.map(({ side, day, value }) => ({ side, day, value })),
      norm,
      // The usual limits hold for everyone and would only fill the picture.
      caps: joined(caps.filter(({ origin }) => origin === "person").map((cap) => spanOf(cap, day))).filter(
        (span) => span.to >= firstDay,
      ),
      firstDay,
      lastDay: day,
    },
  };
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const people = (await listPeople(scope)).map(({ id, name }) => ({ id, name }));
  const shown = { people, today: today(scope) };
  if (params.personId === undefined) return { ...shown, person: null, record: null };
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  await recordReading(scope, person.id);
  return { ...shown, person: { id: person.id, name: person.name }, record: await weeksOf(scope, person) };
}

async function withdraw(scope: Scope, personId: string, formData: FormData) {
  const form = idOf(formData, "resultId");
  const submission = parseForm(formData, { schema: WithdrawForm });
  if (submission.status !== "success") return data<FormAnswer>({ form, result: submission.reply() }, { status: 422 });
  if (!(await withdrawResult(scope, personId, form, submission.value.because))) throw notFound();
  return data<FormAnswer>({ form, result: submission.reply() });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  if (!isId(params.personId)) throw notFound();
  const formData = await formDataOf(request);
  if (formData.get("intent") === "withdraw") return withdraw(scope, params.personId, formData);
  const submission = parseForm(formData, { schema: resultForm(today(scope)) });
  if (submission.status !== "success") return data<FormAnswer>({ form: "record", result: submission.reply() }, { status: 422 });
  if (!(await recordOneLegStand(scope, params.personId, submission.value))) throw notFound();
  return data<FormAnswer>({ form: "record", result: submission.reply({ resetForm: true }) });
}

export default function Weeks({ loaderData: { people, person, record, today }, actionData }: Route.ComponentProps) {
  const answer = (actionData as FormAnswer | undefined) ?? null;
  return (
    <>
      <PageHead
        title={person ? `${person.name}, week by week` : "Progress"}
        note={person ? "One-leg stand test for each leg, with the active caps" : "Choose a participant to see their progress."}
      >
        {person && (
          <ButtonLink look="plain" to={`/people/${person.id}`}>
            Caps with reasons
          </ButtonLink>
        )}
      </PageHead>
      <nav aria-label="Participants" className="mb-5 flex flex-wrap gap-2">
        {people.map(({ id, name }) => (
          <NavLink
            key={id}
            to={`/progress/${id}`}
            preventScrollReset
            className={({ isActive }) =>
              `flex min-h-11 items-center rounded-full border px-4 no-underline ${isActive ? "border-tide-800 bg-tide-800 font-bold text-sand-50" : "border-sand-300 bg-white hover:bg-tide-100"}`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      {person && record && (
        <>
          <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)_22rem]">
            <Results name={person.name} results={record.results} answer={answer} chart={record.chart} />
            <section className="rounded-soft border border-sand-300 bg-white p-5" aria-labelledby="result-head">
              <h2 id="result-head" className="mb-2 text-xl">
                Record a one-leg stand test
              </h2>
              <ResultFields key={`${person.id} ${record.results.length}`} lastResult={resultOf(answer, "record")} today={today} />
            </section>
          </div>
          {record.weeks.length > 0 && (
            <section className="mt-8" aria-labelledby="forms-head">
              <h2 id="forms-head" className="mb-3 text-2xl">
                Variants used by {person.name}
              </h2>
              <VariantsByWeek weeks={record.weeks} name={person.name} />
            </section>
          )}
          {record.weeks.length === 0 && <p className="mt-6 text-lg">No classes yet.</p>}
        </>
      )}
    </>
  );
}
