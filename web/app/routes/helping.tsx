import { formatTouch } from "@able-tide/words/people";
import { listGroups } from "../../server/groups/groups.ts";
import { listHelped } from "../../server/people/for-helpers.ts";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/helping";

export const meta: Route.MetaFunction = () => [{ title: "Who needs what · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const [people, groups] = await Promise.all([listHelped(scope), listGroups(scope)]);
  return { people, groups: groups.map(({ id, name }) => ({ id, name })) };
}

type Helped = Route.ComponentProps["loaderData"]["people"][number];

function Person({ person }: { person: Helped }) {
  return (
    <li className="break-inside-avoid rounded-soft border border-sand-300 bg-white p-4">
      <h3 className="text-xl">{person.name}</h3>
      <p className="text-sand-600">{[formatTouch(person), person.uses, person.equipment].filter(Boolean).join(" · ")}</p>
      {person.facts.length > 0 && (
        <dl className="my-2 rounded-[10px] border-2 border-signal-600 px-3 py-2">
          {person.facts.map(({ label, words }) => (
            <div key={label}>
              <dt className="inline font-bold">{label}: </dt>
              <dd className="inline">{words}</dd>
            </div>
          ))}
        </dl>
      )}
      {person.cautions.length > 0 && (
        <ul className="mt-1 list-disc pl-5 font-semibold">
          {person.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
      {person.limits.length > 0 && (
        <ul className="mt-1 list-disc pl-5">
          {person.limits.map((limit) => (
            <li key={limit}>{limit}</li>
          ))}
        </ul>
      )}
      {person.usual.length > 0 && (
        <details>
          <summary className="flex min-h-11 w-fit items-center text-sand-600 underline underline-offset-4">standard caps</summary>
          <p className="text-sand-600">{person.usual.join(" · ")}</p>
        </details>
      )}
    </li>
  );
}

export default function Helping({ loaderData: { people, groups } }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Who needs what" note="Caps and precautions for each participant. The instructor keeps the reasons." />
      {groups.map((group) => {
        const members = people.filter(({ groupIds }) => groupIds.includes(group.id));
        return (
          members.length > 0 && (
            <section key={group.id} className="mb-8">
              <h2 className="mb-3 text-2xl">{group.name}</h2>
              <ul className="grid items-start gap-4 md:grid-cols-2 xl:grid-cols-3">
                {members.map((person) => (
                  <Person key={person.id} person={person} />
                ))}
              </ul>
            </section>
          )
        );
      })}
      {people.length === 0 && <p className="text-lg">No participants yet.</p>}
    </>
  );
}
