import { effectiveCaps } from "@able-tide/core/caps/effective";
import { CAP_GROUPS, groupOf } from "@able-tide/core/caps/groups";
import { capGroupLabel } from "@able-tide/words/caps";
import { formatCapLimit, formatCapReason } from "@able-tide/words/format-cap";
import { formatCautionsOf } from "@able-tide/words/limitations";
import { formatFacts, formatTouch } from "@able-tide/words/people";
import { formatDayMonthAndYear, sentenceCase } from "@able-tide/words/text";
import { Printer } from "lucide-react";
import { recordReading } from "../../server/audit/audit.ts";
import { capNotices } from "../../server/people/cap-notices.ts";
import { activeCaps } from "../../server/people/caps.ts";
import { limitationHistory } from "../../server/people/limitations.ts";
import { findPerson } from "../../server/people/people.ts";
import { setUpNumbers } from "../../server/people/set-up-numbers.ts";
import { today } from "../../server/scope.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { LimitsFigure } from "../people/limits-figure.tsx";
import { SetUpList } from "../people/set-up-list.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person-page";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.person.name ?? "A person"}, one page · Able Tide` },
];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  await recordReading(scope, person.id);
  const day = today(scope);
  const [caps, limitations, notices] = await Promise.all([
    activeCaps(scope, [person.id], day),
    limitationHistory(scope, person.id),
    capNotices(scope),
  ]);
  const oldReading = new Set(notices.map(({ cap }) => cap.id));
  const holding = caps.get(person.id) ?? [];
  const reasons = new URL(request.url).searchParams.get("reasons") !== "no";
  const open = limitations.filter(({ ended }) => ended === null);
  const deciding = [...new Set(effectiveCaps(holding).map(({ decides }) => decides))];
  return {
    person: {
      id: person.id,
      name: person.name,
      stature: person.stature,
      measured: person.measured,
      uses: person.uses,
      equipment: person.about.equipment,
      mayTouch: person.about.mayTouch,
    },
    organisation: scope.organisationName,
    day,
    reasons,
    // The reasons stay on the server when they are not asked for.
    lines: deciding
      .filter(({ usual }) => !usual)
      .map(({ id, limit, ...cap }) => ({
        id,
        group: groupOf(limit),
        words: formatCapLimit(limit),
        why: reasons ? formatCapReason({ id, limit, ...cap }) : null,
        oldReading: oldReading.has(id),
      })),
    usual: [...new Set(deciding.filter(({ usual }) => usual).map(({ limit }) => formatCapLimit(limit)))],
    figureCaps: holding.map((cap) => (reasons ? cap : { ...cap, reason: "", source: "" })),
    cautions: [...new Set(open.flatMap(formatCautionsOf))],
    facts: formatFacts(person.about),
    setUp: setUpNumbers(person, holding),
  };
}

type Loaded = Route.ComponentProps["loaderData"];

/** Caps of their own, by group, each with its reason where reasons are wanted. */
function CapLines({ lines }: { lines: Loaded["lines"] }) {
  return (
    <>
      {CAP_GROUPS.filter((group) => lines.some((line) => line.group === group)).map((group) => (
        <section key={group} className="mb-2">
          <h2 className="text-lg">{capGroupLabel(group)}</h2>
          <ul>
            {lines
              .filter((line) => line.group === group)
              .map((line) => (
                <li key={line.id} className="leading-snug">
                  <strong>{line.words}</strong>
                  {line.why !== null && <span className="text-sand-600"> {line.why}</span>}
                  {line.oldReading && (
                    <span className="block font-semibold text-signal-700">
                      This number was set before turning was measured the way clinicians measure it. Check the number.
                    </span>
                  )}
                </li>
              ))}
          </ul>
        </section>
      ))}
    </>
  );
}

/** Long because it is one printed page. */
export default function PersonOnAPage({ loaderData }: Route.ComponentProps) {
  const { person, day, reasons, lines, cautions, facts, setUp, organisation } = loaderData;
  return (
    <main className="mx-auto max-w-4xl p-6 print:p-0">
      <div className="mb-4 flex flex-wrap gap-3 print:hidden">
        <ButtonLink look="plain" to={`/people/${person.id}`}>
          Back to {person.name}
        </ButtonLink>
        <ButtonLink look="plain" to={reasons ? "?reasons=no" : "?"}>
          {reasons ? "Hide reasons" : "Show reasons"}
        </ButtonLink>
        <Button type="button" onClick={() => window.print()}>
          <Printer size={20} aria-hidden="true" /> Print
        </Button>
      </div>
      <header className="mb-3 flex items-baseline justify-between border-b-2 border-tide-800 pb-1">
        <h1 className="text-3xl">{person.name}</h1>
        <p>
          {organisation}, {formatDayMonthAndYear(day)}
        </p>
      </header>
      <div className="grid gap-5 sm:grid-cols-[18rem_minmax(0,1fr)] print:grid-cols-[18rem_1fr]">
        <div>
          <LimitsFigure caps={loaderData.figureCaps} person={person} longestStep={setUp.standing?.longestStep} />
          {facts.length > 0 && (
            <section className="mt-3 rounded-soft border-2 border-signal-600 p-3">
              <h2 className="text-lg">In an emergency</h2>
              {facts.map(({ label, words }) => (
                <p key={label}>
                  <strong>{label}:</strong> {words}
                </p>
              ))}
            </section>
          )}
          <p className="mt-3">
            {formatTouch(person)}. {sentenceCase([person.uses, person.equipment].filter(Boolean).join(", "))}
          </p>
          {cautions.length > 0 && (
            <ul className="mt-2 list-disc pl-5">
              {cautions.map((caution) => (
                <li key={caution}>{caution}</li>
              ))}
            </ul>
          )}
        </div>
        <div>
          <CapLines lines={lines} />
          {lines.length === 0 && <p>No personal caps. Standard caps apply.</p>}
          {loaderData.usual.length > 0 && (
            <section className="mb-2">
              <h2 className="text-lg">Standard caps</h2>
              <p className="leading-snug text-sand-600">{loaderData.usual.join(" · ")}</p>
            </section>
          )}
          <h2 className="mt-3 text-lg">Set-up</h2>
          <SetUpList numbers={setUp} />
        </div>
      </div>
      <Disclaimer className="mt-3 border-t border-sand-300 pt-1 text-sand-600" />
    </main>
  );
}
