import { asksOn, holdsOn } from "@able-tide/core/caps/cap";
import { limitInBrief } from "@able-tide/core/caps/words";
import { Plus } from "lucide-react";
import { Link } from "react-router";
import { listGroups } from "../../server/groups/groups.ts";
import { openCaps } from "../../server/people/caps.ts";
import { listPeople } from "../../server/people/people.ts";
import { today } from "../../server/scope.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/people";

export const meta: Route.MetaFunction = () => [{ title: "People · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const day = today(scope);
  const [people, groups, caps] = await Promise.all([listPeople(scope), listGroups(scope), openCaps(scope)]);
  return {
    groups: groups.map(({ id, name }) => ({ id, name })),
    people: people.map((person) => ({
      id: person.id,
      name: person.name,
      age: Number(day.slice(0, 4)) - person.birthYear,
      uses: person.uses,
      groupIds: person.groupIds,
      caps: caps
        .filter((cap) => cap.personId === person.id && holdsOn(cap, day))
        .map((cap) => ({ id: cap.id, brief: limitInBrief(cap.limit), asks: asksOn(cap, day) })),
    })),
  };
}

type Listed = Route.ComponentProps["loaderData"]["people"][number];

function PersonLine({ person }: { person: Listed }) {
  return (
    <li className="border-b border-sand-200 last:border-0">
      <Link
        to={`/people/${person.id}`}
        className="grid min-h-14 grid-cols-[9rem_1fr] items-center gap-x-4 px-3 py-2 no-underline hover:bg-tide-100 md:grid-cols-[10rem_14rem_1fr]"
      >
        <span>
          <span className="font-display text-lg font-bold">{person.name}</span>
          <span className="block text-sand-600">about {person.age}</span>
        </span>
        <span className="text-sand-600 max-md:hidden">{person.uses}</span>
        <span className="flex flex-wrap gap-2">
          {person.caps.map((cap) => (
            <span
              key={cap.id}
              className={`rounded-full px-3 py-0.5 ${cap.asks ? "border-[1.5px] border-signal-600 font-semibold text-signal-700" : "bg-sand-100"}`}
            >
              {cap.brief}
              {cap.asks && " · ask again"}
            </span>
          ))}
          {person.caps.length === 0 && <span className="text-sand-600">no caps written down</span>}
        </span>
      </Link>
    </li>
  );
}

export default function People({ loaderData: { people, groups } }: Route.ComponentProps) {
  const sections = [
    ...groups.map((group) => ({ ...group, people: people.filter((person) => person.groupIds.includes(group.id)) })),
    { id: "none", name: "In no group", people: people.filter((person) => person.groupIds.length === 0) },
  ].filter((section) => section.people.length > 0);
  return (
    <>
      <PageHead title="People" note="What each may do today. Tap a name for the reasons and the dates.">
        <ButtonLink to="/people/new">
          <Plus size={20} aria-hidden="true" /> Add a person
        </ButtonLink>
      </PageHead>
      {sections.map((section) => (
        <section key={section.id} className="mb-8">
          <h2 className="mb-2 text-xl">
            {section.name} <span className="font-sans text-base font-normal text-sand-600">{section.people.length}</span>
          </h2>
          <ul className="rounded-soft border border-sand-300 bg-white">
            {section.people.map((person) => (
              <PersonLine key={person.id} person={person} />
            ))}
          </ul>
        </section>
      ))}
      {people.length === 0 && <p className="text-lg">Nobody yet. Add the first person to see what each movement asks of them.</p>}
    </>
  );
}
