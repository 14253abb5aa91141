import { NOTHING_SPECIAL } from "@able-tide/core/caps/screening";
import { classSteps } from "@able-tide/core/class/class-steps";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import { taughtName } from "@able-tide/core/movement/format";
import { agreedFacts } from "@able-tide/core/people/about";
import { formatSheetCause } from "@able-tide/words/class";
import { formatFacts } from "@able-tide/words/people";
import { useMemo } from "react";
import { listClassSheets } from "../../server/classes/class-sheets.ts";
import { findClass, listEvents, type TaughtClass } from "../../server/classes/classes.ts";
import { listCorrections, withdrawalOf } from "../../server/classes/corrections.ts";
import { eventsForHelper, scriptForHelper } from "../../server/classes/for-helpers.ts";
import { usualPains } from "../../server/classes/usual-pains.ts";
import { findGroup } from "../../server/groups/groups.ts";
import { listPeople, listPeopleOfGroup } from "../../server/people/people.ts";
import { screenedPeople } from "../../server/people/screened.ts";
import { findPolicy } from "../../server/policy/policy.ts";
import type { Scope } from "../../server/scope.ts";
import { venueOfGroup } from "../../server/venues/venues.ts";
import { ClassRecord, RecordNotices } from "../class/class-record.tsx";
import { ClassRoom, type Safety } from "../class/class-room.tsx";
import { correctionWords } from "../class/correction-words.ts";
import { formatDay, formatInstant } from "../days.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead, Shell } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.taught.script.groupName ?? "Class"} · Able Tide` },
];

/** What the answers of a group's people are read with. */
async function knownOf(scope: Scope, groupId: string): Promise<Safety["known"]> {
  const members = await listPeopleOfGroup(scope, groupId);
  const [screened, pains] = await Promise.all([
    screenedPeople(
      scope,
      members.map(({ id }) => id),
    ),
    usualPains(scope, groupId),
  ]);
  return Object.fromEntries(
    members.map(({ id }) => [id, { screened: screened.get(id) ?? NOTHING_SPECIAL, usualPains: pains.get(id) ?? {} }]),
  );
}

/** What the class needs in addition to its script: whom to call, what people share for an emergency, what is asked. */
async function safetyOf(scope: Scope, groupId: string): Promise<Safety> {
  const asks = scope.role !== "helper";
  const [policy, group, place, people, known] = await Promise.all([
    findPolicy(scope),
    findGroup(scope, groupId),
    venueOfGroup(scope, groupId),
    listPeople(scope),
    asks ? knownOf(scope, groupId) : {},
  ]);
  return {
    policy: { thresholds: policy.thresholds, questions: group?.questions ?? policy.questions },
    card: place?.emergency ?? null,
    facts: Object.fromEntries(
      people.filter(({ about }) => agreedFacts(about).length > 0).map(({ id, about }) => [id, formatFacts(about)]),
    ),
    asks,
    known,
  };
}

/** What was put right in an ended class, in words. */
async function correctionsOf(scope: Scope, taught: TaughtClass, events: readonly ClassEvent[]) {
  if (taught.endedAt === null || scope.role === "helper") return { withdrawal: null, refits: [], corrections: [] };
  const [withdrawal, corrections, sheets] = await Promise.all([
    withdrawalOf(scope, taught.id),
    listCorrections(scope, taught.id),
    listClassSheets(scope, taught.id),
  ]);
  const nameOf = (item: number): string => {
    const block = item === 0 ? undefined : taught.script.blocks[item];
    return block ? taughtName(block.movement) : "";
  };
  const recorded = { script: taught.script, steps: classSteps(taught.script.blocks), events };
  return {
    withdrawal: withdrawal && {
      words: withdrawal.because,
      by: withdrawal.by,
      at: formatInstant(withdrawal.at, scope.timeZone),
    },
    refits: sheets
      .filter(({ number }) => number > 0)
      .map(({ number, cause, fromItem, by, madeAt }) => ({
        id: String(number),
        words: formatSheetCause(cause, nameOf(fromItem)),
        by,
        at: formatInstant(madeAt, scope.timeZone),
      })),
    corrections: corrections.map(({ event, by, at }) => ({
      id: event.id,
      words: correctionWords(recorded, event),
      by,
      at: formatInstant(at, scope.timeZone),
    })),
  };
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const taught = isId(params.classId) ? await findClass(scope, params.classId) : null;
  if (!taught) throw notFound();
  const [events, safety] = await Promise.all([listEvents(scope, taught.id), safetyOf(scope, taught.groupId)]);
  const corrected = await correctionsOf(scope, taught, events);
  const helper = scope.role === "helper";
  return {
    taught: helper ? { ...taught, script: scriptForHelper(taught.script) } : taught,
    events: helper ? eventsForHelper(events) : events,
    safety,
    ...corrected,
    organisation: scope.organisationName,
    accountId: scope.accountId,
    name: scope.accountName,
    role: scope.role,
    now: scope.now().toISOString(),
  };
}

type Loaded = Route.ComponentProps["loaderData"];

function Ended({ taught, events, withdrawal, refits, corrections, organisation, name, role }: Loaded) {
  const state = useMemo(() => classState(events), [events]);
  const steps = useMemo(() => classSteps(taught.script.blocks), [taught]);
  return (
    <Shell organisation={organisation} name={name} role={role}>
      <PageHead title={`${taught.script.groupName}, ${formatDay(taught.day)}`} note="Class record">
        {role !== "helper" && (
          <>
            <ButtonLink look="plain" to={`/plans/${taught.planId}`}>
              Open the plan
            </ButtonLink>
            <ButtonLink look="plain" to={`/classes/${taught.id}/correct`}>
              Correct the record
            </ButtonLink>
          </>
        )}
      </PageHead>
      <RecordNotices withdrawal={withdrawal} refits={refits} corrections={corrections} />
      <ClassRecord script={taught.script} steps={steps} state={state} />
    </Shell>
  );
}

export default function ClassPage({ loaderData }: Route.ComponentProps) {
  const { taught, events, safety, accountId, name, now } = loaderData;
  if (taught.endedAt !== null) return <Ended {...loaderData} />;
  const recorder = { accountId, name };
  return (
    <ClassRoom
      key={`${taught.id} ${accountId}`}
      classId={taught.id}
      planned={taught}
      recorder={recorder}
      kept={events}
      now={now}
      safety={safety}
    />
  );
}
