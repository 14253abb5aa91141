import { isActiveOn, isReviewDue } from "@able-tide/core/caps/cap";
import { effectiveCaps } from "@able-tide/core/caps/effective";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";
import { Plus } from "lucide-react";
import { useState } from "react";
import { listGroups } from "../../server/groups/groups.ts";
import { openCaps, type StoredCap } from "../../server/people/caps.ts";
import { interimCapsOf, openLimitations, type StoredLimitation } from "../../server/people/limitations.ts";
import { listPeople, type Person } from "../../server/people/people.ts";
import { today } from "../../server/scope.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { GroupPortrait } from "../people/group-portrait.tsx";
import { isFound } from "../people/search-people.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/people";

export const meta: Route.MetaFunction = () => [{ title: "Participants · Able Tide" }];

/** What a person's portrait says of their limits. */
function portrayed(person: Person, day: string, caps: readonly StoredCap[], limitations: readonly StoredLimitation[]) {
  const holding = caps.filter((cap) => cap.personId === person.id && isActiveOn(cap, day));
  const interim = limitations.filter(({ personId }) => personId === person.id).flatMap((each) => interimCapsOf(each, day));
  const own = new Set(holding.filter(({ origin }) => origin === "person"));
  const deciding = [...new Set(effectiveCaps(holding).map(({ decides }) => decides))].filter((cap) => own.has(cap));
  return {
    id: person.id,
    name: person.name,
    age: Number(day.slice(0, 4)) - person.birthYear,
    stature: person.stature,
    measured: person.measured,
    uses: person.uses,
    aid: person.about.aids[0] ?? null,
    groupIds: person.groupIds,
    waits: interim.length > 0,
    isNew: !person.released,
    sits: [...holding, ...interim].some(({ limit }) => limit.channel === "noStanding"),
    caps: deciding.map((cap) => ({ ...cap, brief: formatCapLimitBriefly(cap.limit), reviewDue: isReviewDue(cap, day) })),
  };
}

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const day = today(scope);
  const [people, groups, caps, limitations] = await Promise.all([
    listPeople(scope),
    listGroups(scope),
    openCaps(scope),
    openLimitations(scope),
  ]);
  return {
    leads: scope.role !== "clinician",
    groups: groups.map(({ id, name }) => ({ id, name })),
    people: people.map((person) => portrayed(person, day, caps, limitations)),
  };
}

export default function People({ loaderData: { people, groups, leads } }: Route.ComponentProps) {
  const [searched, setSearched] = useState("");
  const found = people.filter(({ name }) => isFound(name, searched));
  const known = new Set(groups.map(({ id }) => id));
  const sections = [
    ...groups.map((group) => ({ ...group, people: found.filter((person) => person.groupIds.includes(group.id)) })),
    { id: "none", name: "Not in a group", people: found.filter(({ groupIds }) => !groupIds.some((id) => known.has(id))) },
  ].filter((section) => section.people.length > 0);
  return (
    <>
      <PageHead title="Participants">
        {people.length > 0 && (
          <input
            type="search"
            aria-label="Search"
            value={searched}
            onChange={({ currentTarget }) => setSearched(currentTarget.value)}
            placeholder="Search by first letters"
            className="field-box w-60"
          />
        )}
        {leads && (
          <>
            <ButtonLink to="/people/new">
              <Plus size={20} aria-hidden="true" /> Add participant
            </ButtonLink>
            <ButtonLink look="plain" to="/people/files">
              Import and export
            </ButtonLink>
            <ButtonLink look="quiet" to="/archive">
              Archive
            </ButtonLink>
          </>
        )}
        <ButtonLink look="quiet" to="/table">
          Limitation guide
        </ButtonLink>
      </PageHead>
      {people.length > 0 && found.length === 0 && (
        <p role="status" className="text-lg">
          No participant found. Try other letters, or look in the archive.
        </p>
      )}
      {sections.map((section) => (
        <section key={section.id} className="mb-8">
          <h2 className="mb-2 text-xl">
            {section.name} <span className="font-sans text-base font-normal text-sand-600">{section.people.length}</span>
          </h2>
          <GroupPortrait people={section.people} />
        </section>
      ))}
      {people.length === 0 && <p className="text-lg">No participants yet. Add the first one, or import a file.</p>}
    </>
  );
}
