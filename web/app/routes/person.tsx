import { addDays } from "@able-tide/core/calendar";
import { isActiveOn } from "@able-tide/core/caps/cap";
import { changesOf } from "@able-tide/core/caps/history";
import { Pencil, Plus } from "lucide-react";
import { recordReading } from "../../server/audit/audit.ts";
import { lastClassOf } from "../../server/classes/class-records.ts";
import { notedSince } from "../../server/classes/follow-ups.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { capNotices } from "../../server/people/cap-notices.ts";
import { capHistory } from "../../server/people/caps.ts";
import { clearancesOf } from "../../server/people/clearances.ts";
import { computedCapsOf } from "../../server/people/computed-caps.ts";
import { interimCapsOf, limitationHistory } from "../../server/people/limitations.ts";
import { cleanSessions } from "../../server/people/newcomers.ts";
import { findPerson } from "../../server/people/people.ts";
import { setUpNumbers } from "../../server/people/set-up-numbers.ts";
import { today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { AboutLines } from "../people/about-line.tsx";
import { CapNotices } from "../people/cap-notices.tsx";
import { EndNewcomerCaps } from "../people/end-newcomer-caps.tsx";
import { Waiting } from "../people/limitation-list.tsx";
import { LimitsFigure } from "../people/limits-figure.tsx";
import { NotedInClasses } from "../people/noted-in-classes.tsx";
import { type Answer, answerForm } from "../people/person-actions.server.ts";
import { CapsSection, EditPerson, LimitationsSection, SetUpSection } from "../people/person-sections.tsx";
import { ArchivedNote, PutAway } from "../people/put-away.tsx";
import { SinceLastTime } from "../people/since-last-time.tsx";
import { TurningFigure } from "../people/turning-figure.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.person.name ?? "Person"} · Able Tide` }];

/** Days for which what was noted in class stands on the person's page. */
const NOTED_DAYS = 84;

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  await recordReading(scope, person.id);
  const day = today(scope);
  const [groups, caps, limitations, clearances, last, clean, noted, notices, [aid]] = await Promise.all([
    listGroups(scope),
    capHistory(scope, person.id),
    limitationHistory(scope, person.id),
    clearancesOf(scope, person.id),
    lastClassOf(scope, person.id),
    cleanSessions(scope, person.id),
    notedSince(scope, addDays(day, -NOTED_DAYS), person.id),
    capNotices(scope),
    computedCapsOf(scope, [person.id], day),
  ]);
  const holding = caps.filter((cap) => cap.ended === null && isActiveOn(cap, day));
  const computed = [...limitations.flatMap((limitation) => interimCapsOf(limitation, day)), ...(aid?.caps ?? [])];
  const interim = computed.map((cap) => ({ ...cap, setBy: null, usual: false }));
  const since = last?.endedAt ?? null;
  return {
    person,
    groups,
    caps,
    holding: [...interim, ...holding.map((cap) => ({ ...cap, usual: cap.origin !== "person" }))],
    limitations,
    clearances,
    changes: since === null ? [] : changesOf(caps).filter((change) => change.at > since),
    since: last?.day ?? null,
    clean,
    noted,
    notices: notices.filter(({ cap }) => cap.personId === person.id).map(({ cap: { id, limit } }) => ({ id, limit })),
    today: day,
    erases: scope.role === "owner",
    clinician: scope.role === "clinician" ? scope.accountName : null,
    setUp: setUpNumbers(person, [...holding, ...interim]),
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  if (!isId(params.personId) || !(await findPerson(scope, params.personId))) throw notFound();
  return answerForm(scope, params.personId, await formDataOf(request));
}

type Loaded = Route.ComponentProps["loaderData"];

/** What is known of a participant: the figure with its caps, what has changed, notes and details. */
function KnownOf({ person, holding, caps, changes, since, setUp }: Loaded) {
  return (
    <div>
      <LimitsFigure caps={holding} person={person} longestStep={setUp.standing?.longestStep} />
      <TurningFigure caps={holding} person={person} longestStep={setUp.standing?.longestStep} />
      <SinceLastTime changes={changes} since={since} limitOf={(id) => caps.find((cap) => cap.id === id)?.limit ?? null} />
      {person.notes && <p className="mt-4 text-lg">{person.notes}</p>}
      <AboutLines about={person.about} />
      <ButtonLink look="quiet" className="mt-2" to={`/people/${person.id}/about`}>
        <Pencil size={18} aria-hidden="true" /> Edit details
      </ButtonLink>
    </div>
  );
}

/** Name and age, and where to go from here. */
function PersonHead({ person, today, clinician }: Loaded) {
  const age = Number(today.slice(0, 4)) - person.birthYear;
  return (
    <PageHead title={person.name} note={[`About ${age}`, person.uses].filter(Boolean).join(" · ")}>
      <ButtonLink to={`/people/${person.id}/limitation`}>
        <Plus size={20} aria-hidden="true" /> Add limitation
      </ButtonLink>
      <ButtonLink look="plain" to={`/people/${person.id}/page`}>
        Print summary
      </ButtonLink>
      {clinician === null && (
        <ButtonLink look="plain" to={`/progress/${person.id}`}>
          Progress
        </ButtonLink>
      )}
    </PageHead>
  );
}

export default function PersonPage({ loaderData, actionData }: Route.ComponentProps) {
  const { person, groups, caps, holding, limitations, clearances, today, setUp, clinician } = loaderData;
  const answer: Answer = actionData ?? {};
  const row = answer.row ?? null;
  return (
    <>
      <PersonHead {...loaderData} />
      <ArchivedNote person={person} />
      <div className="grid items-start gap-8 lg:grid-cols-[24rem_1fr]">
        <KnownOf {...loaderData} />
        <div>
          <NotedInClasses noted={loaderData.noted} answer={row} />
          <CapNotices notices={loaderData.notices} />
          <Waiting personId={person.id} limitations={limitations} today={today} />
          {!person.released && <EndNewcomerCaps clean={loaderData.clean} today={today} answer={row} />}
          <CapsSection
            caps={holding}
            all={caps}
            today={today}
            answer={row}
            clinician={clinician !== null}
            clinicianName={clinician}
            lastResult={answer.cap ?? null}
          />
          <LimitationsSection
            personId={person.id}
            limitations={limitations}
            clearances={clearances}
            caps={caps}
            today={today}
            answer={row}
          />
          <SetUpSection numbers={setUp} />
        </div>
      </div>
      {answer.saved && (
        <p role="status" className="mt-6 font-semibold text-tide-700">
          Saved.
        </p>
      )}
      <EditPerson
        lastResult={answer.person ?? null}
        movedOn={answer.movedOn ?? null}
        groups={groups}
        version={person.version}
        defaults={person}
      />
      {clinician === null && <PutAway person={person} inClass={answer.inClass ?? false} erases={loaderData.erases} />}
    </>
  );
}
