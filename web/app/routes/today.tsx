import { addDays } from "@able-tide/core/calendar";
import { classState } from "@able-tide/core/class/events";
import { effortWords, observationLabel } from "@able-tide/words/class";
import { count, formatMinutes } from "@able-tide/words/text";
import { Link } from "react-router";
import { endedClasses, listEvents, namesInClass, openClasses } from "../../server/classes/classes.ts";
import { notedSince } from "../../server/classes/follow-ups.ts";
import { type Group, listGroups } from "../../server/groups/groups.ts";
import { GUIDE_STEPS, guideOf } from "../../server/guide.ts";
import { type LibraryMovement, listMovements } from "../../server/movements/movements.ts";
import { capNotices } from "../../server/people/cap-notices.ts";
import { openCaps } from "../../server/people/caps.ts";
import { openLimitations } from "../../server/people/limitations.ts";
import { nextDaysAsked } from "../../server/people/newcomers.ts";
import { listPeople, type Person } from "../../server/people/people.ts";
import { fitAhead } from "../../server/plans/fitted-plan.ts";
import { outlineOf } from "../../server/plans/outline.ts";
import { listPlans, type Plan } from "../../server/plans/plans.ts";
import { type TimesAsLed, timesAsLed } from "../../server/plans/session-sheets.ts";
import { type SettingOf, settingsOf } from "../../server/plans/setting.ts";
import { pastRetention } from "../../server/policy/retention.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formatDay, nextMeeting } from "../days.ts";
import { ButtonLink } from "../kit/button.tsx";
import { dotted } from "../kit/dotted.ts";
import { PageHead } from "../kit/shell.tsx";
import { pastWords } from "../organisation/past-words.ts";
import { OutlineTide } from "../plans/outline-picture.tsx";
import { scopeContext } from "../signed-in.server.ts";
import { needsOf } from "../today/needs.server.ts";
import type { Route } from "./+types/today";

export const meta: Route.MetaFunction = () => [{ title: "Today · Able Tide" }];

interface Known {
  readonly day: string;
  readonly plans: readonly Plan[];
  readonly movements: readonly LibraryMovement[];
  readonly people: readonly Person[];
  readonly settingOf: SettingOf;
  readonly times: ReadonlyMap<string, TimesAsLed>;
}

/** An outline is drawn without anyone's caps. */
const NO_CAPS = new Map();

function nextSession(group: Group, { day, plans, movements, people, settingOf, times }: Known) {
  const members = people.filter((person) => person.groupIds.includes(group.id));
  const plan = plans.find((each) => each.groupId === group.id) ?? null;
  return {
    group: { name: group.name, place: group.place, startsAt: group.startsAt, people: members.length },
    day: plan?.day ?? nextMeeting(group.weekday, day),
    plan: plan && {
      id: plan.id,
      revision: plan.revision,
      outline: outlineOf(plan, settingOf(plan, group, NO_CAPS), movements, times.get(plan.id)),
    },
  };
}

async function lastClass(scope: Scope) {
  const [taught] = await endedClasses(scope, 1);
  if (!taught) return null;
  const state = classState(await listEvents(scope, taught.id));
  const nameOf = await namesInClass(scope, taught.id);
  return {
    id: taught.id,
    day: taught.day,
    group: taught.groupName,
    here: state.here.size,
    effort: state.ended && effortWords(state.ended.effort),
    note: state.ended?.note ?? "",
    signs: state.notes.map((note) => ({
      id: note.id,
      words: `${nameOf.get(note.personId) ?? ""}: ${observationLabel(note.sign).toLowerCase()}`,
    })),
  };
}

/** What is past the period it is kept, in words; empty where nothing is. */
async function pastOf(scope: Scope): Promise<string> {
  const { people, classes } = await pastRetention(scope);
  return pastWords({ people: people.length, classes: classes.length });
}

/** Days for which an observation is listed for follow-up here; the participant's page lists it for longer. */
const FOLLOW_UP_DAYS = 28;

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const day = today(scope);
  const leads = scope.role === "owner" || scope.role === "instructor";
  const [groups, people, plans, movements, caps, limitations, running, guide] = await Promise.all([
    listGroups(scope),
    listPeople(scope),
    listPlans(scope, { from: day }, 20),
    listMovements(scope),
    openCaps(scope),
    openLimitations(scope),
    openClasses(scope),
    leads ? guideOf(scope) : null,
  ]);
  const [noted, notices, nextDays] =
    scope.role === "helper"
      ? [[], [], []]
      : await Promise.all([notedSince(scope, addDays(day, -FOLLOW_UP_DAYS)), capNotices(scope), nextDaysAsked(scope)]);
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const [settingOf, times] = await Promise.all([
    settingsOf(
      scope,
      groups.map(({ id }) => id),
    ),
    timesAsLed(scope, plans),
  ]);
  const sessions =
    scope.role === "clinician"
      ? []
      : groups
          .map((group) => nextSession(group, { day, plans, movements, people, settingOf, times }))
          .sort((a, b) => (a.day === b.day ? (a.group.startsAt < b.group.startsAt ? -1 : 1) : a.day < b.day ? -1 : 1));
  const next = sessions.find(({ plan }) => plan !== null)?.plan;
  if (next) fitAhead(scope, next.id, `${next.revision} ${caps.map(({ id, until }) => `${id} ${until}`).join()}`);
  return {
    day,
    running: running.map(({ id, groupName }) => ({ id, group: groupName })),
    role: scope.role,
    guide: guide && guide.next !== null && !guide.closed ? { done: guide.done.length, of: GUIDE_STEPS.length } : null,
    sessions,
    needs: scope.role === "helper" ? [] : needsOf(day, { caps, limitations, noted, notices, nextDays }, nameOf),
    past: scope.role === "owner" ? await pastOf(scope) : "",
    last: scope.role === "helper" || scope.role === "clinician" ? null : await lastClass(scope),
  };
}

type Session = Route.ComponentProps["loaderData"]["sessions"][number];

function NextSession({ session, leads, today }: { session: Session; leads: boolean; today: string }) {
  const { group, plan, day } = session;
  return (
    <section className="overflow-hidden rounded-soft border border-sand-300 bg-white" aria-label={`Next: ${group.name}`}>
      <div className="flex flex-wrap items-end justify-between gap-4 px-6 pt-5">
        <div>
          <h2 className="text-2xl">{group.name}</h2>
          <p className="text-lg">
            {day === today ? "Today" : formatDay(day)}, {group.startsAt}
          </p>
          <p className="text-sand-600">
            {dotted(group.place, count(group.people, "participant", "participants"))}
            {plan && ` · ${count(plan.outline.movements, "movement", "movements")}, ${formatMinutes(plan.outline.total)} min`}
          </p>
        </div>
        {leads && (
          <ButtonLink to={plan ? `/plans/${plan.id}` : "/plans"}>{plan ? "Open the plan" : "Plan this session"}</ButtonLink>
        )}
      </div>
      {plan ? (
        <OutlineTide outline={plan.outline} height={170} />
      ) : (
        <p className="px-6 py-5 text-lg">No session planned for this day yet.</p>
      )}
    </section>
  );
}

type Loaded = Route.ComponentProps["loaderData"];

/** What waits for someone: reviews, clearances, observations and days after. */
function NeedList({ needs }: { needs: Loaded["needs"] }) {
  return (
    <ul className="flex flex-col gap-3">
      {needs.map((need) => (
        <li
          key={need.id}
          className={`rounded-soft border-[1.5px] px-4 py-3 ${need.pressing ? "border-signal-600 bg-signal-100/50" : "border-sand-300 bg-white"}`}
        >
          <Link to={`/people/${need.personId}`} className="text-lg no-underline hover:underline">
            <strong>{need.name}.</strong> {need.words}.
          </Link>
          <p className={need.pressing ? "font-semibold text-signal-700" : "text-sand-600"}>{need.news}</p>
        </li>
      ))}
    </ul>
  );
}

/** The last class, in a few lines. */
function LastClass({ id, group, day, here, effort, note, signs }: NonNullable<Loaded["last"]>) {
  return (
    <section aria-labelledby="last-head">
      <h2 id="last-head" className="mb-2 text-xl">
        Last class
      </h2>
      <div className="rounded-soft border border-sand-300 bg-white p-4 text-lg">
        <p>
          <Link to={`/classes/${id}`} className="font-semibold underline underline-offset-4">
            {group}, {formatDay(day)}
          </Link>
          : {here} here{effort && `, effort ${effort}`}.
        </p>
        {note && <p className="mt-2">{note}</p>}
        {signs.length > 0 && <p className="mt-2 text-signal-700">{signs.map(({ words }) => words).join(" · ")}</p>}
      </div>
    </section>
  );
}

/** Leads on with the first steps of an organisation. */
function GuideCard({ done, of }: NonNullable<Loaded["guide"]>) {
  return (
    <section
      className="mb-6 flex flex-wrap items-center justify-between gap-4 rounded-soft border-[1.5px] border-tide-800 bg-white px-6 py-5"
      aria-label="First steps"
    >
      <p className="text-lg">
        <strong>First steps.</strong> Venue, group, participants, first plan: {done} of {of} done.
      </p>
      <ButtonLink to="/start">{done === 0 ? "Begin" : "Go on"}</ButtonLink>
    </section>
  );
}

function NoGroups({ leads }: { leads: boolean }) {
  return (
    <p className="mb-6 text-lg">
      No groups yet.{" "}
      {leads ? (
        <Link to="/groups" className="font-semibold underline underline-offset-4">
          Add a group
        </Link>
      ) : (
        "An instructor adds them."
      )}
    </p>
  );
}

export default function Today({ loaderData: { day, role, guide, running, sessions, needs, past, last } }: Route.ComponentProps) {
  return (
    <>
      <PageHead title={formatDay(day)} />
      {guide && <GuideCard {...guide} />}
      {past !== "" && (
        <p className="mb-6 text-lg">
          Past the period you keep them: {past}.{" "}
          <Link to="/organisation/retention" className="font-semibold underline underline-offset-4">
            Review
          </Link>
        </p>
      )}
      {role !== "clinician" &&
        running.map(({ id, group }) => (
          <section
            key={id}
            className="mb-6 flex flex-wrap items-center justify-between gap-4 rounded-soft bg-tide-800 px-6 py-5 text-sand-50"
          >
            <p className="text-xl">
              <strong>{group}</strong> is in progress.
            </p>
            <ButtonLink to={`/classes/${id}`} look="light">
              Return to class
            </ButtonLink>
          </section>
        ))}
      <div className="mb-6 grid items-start gap-4 lg:grid-cols-3">
        {sessions.map((session) => (
          <NextSession key={session.group.name} session={session} leads={role !== "helper"} today={day} />
        ))}
      </div>
      {sessions.length === 0 && !guide && role !== "clinician" && <NoGroups leads={role !== "helper"} />}
      <div className="grid items-start gap-6 lg:grid-cols-2">
        {role === "helper" && (
          <p className="text-lg">
            <Link to="/helping" className="font-semibold underline underline-offset-4">
              Who needs what
            </Link>{" "}
            lists each participant's caps.
          </p>
        )}
        <section aria-labelledby="asks-head" className={role === "helper" ? "hidden" : ""}>
          <h2 id="asks-head" className="mb-2 text-xl">
            Needs your attention
          </h2>
          {needs.length === 0 && <p className="text-lg">Nothing to review. No cap is due in the next two weeks.</p>}
          <NeedList needs={needs} />
        </section>
        {last && <LastClass {...last} />}
      </div>
    </>
  );
}
