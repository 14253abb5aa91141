import { listAudit } from "../../server/audit/audit.ts";
import { formatInstant } from "../days.ts";
import { ButtonLink } from "../kit/button.tsx";
import { ScrollArea } from "../kit/scroll-area.tsx";
import { PageHead } from "../kit/shell.tsx";
import { type AuditedField, auditedFields, auditWords } from "../organisation/audit-words.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/audit";

export const meta: Route.MetaFunction = () => [{ title: "Record of changes · Able Tide" }];

/** Entries of one page. */
const MOST = 100;

const isInstant = (text: string): boolean => /^\d{4}-\d\d-\d\dT/.test(text) && !Number.isNaN(Date.parse(text));

export async function loader({ request, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const asked = new URL(request.url).searchParams.get("before") ?? "";
  const entries = await listAudit(scope, { before: isInstant(asked) ? asked : null, most: MOST });
  return {
    entries: entries.map((entry) => ({
      id: entry.id,
      at: formatInstant(entry.at, scope.timeZone),
      by: entry.by ?? "Able Tide",
      words: auditWords(entry),
      fields: auditedFields(entry),
    })),
    earlier: entries.length === MOST ? (entries.at(-1)?.at ?? null) : null,
  };
}

/** The values of an entry, folded away: they are health data. */
function Values({ fields }: { fields: readonly AuditedField[] }) {
  if (fields.length === 0) return null;
  return (
    <details>
      <summary className="min-h-8 w-fit text-sand-600 underline underline-offset-4">Before and after</summary>
      <dl className="pb-2 pl-4">
        {fields.map(({ field, before, after }) => (
          <div key={field}>
            <dt className="font-semibold">{field}</dt>
            <dd className="break-all">
              {before ?? "nothing"} → {after ?? "nothing"}
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

export default function AuditPage({ loaderData: { entries, earlier } }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Record of changes" note="Who changed or read what. No one can change this record.">
        <ButtonLink look="plain" to="/organisation">
          Back to the organisation
        </ButtonLink>
      </PageHead>
      {entries.length === 0 && <p className="text-lg">No entries yet.</p>}
      {entries.length > 0 && (
        <ScrollArea label="Record of changes" className="rounded-soft border border-sand-300 bg-white">
          <table className="w-full border-collapse text-left">
            <thead>
              <tr>
                {["When", "Who", "What"].map((head) => (
                  <th key={head} scope="col" className="px-4 py-2">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {entries.map(({ id, at, by, words, fields }) => (
                <tr key={id} className="border-t border-sand-200 align-top">
                  <td className="px-4 py-2 whitespace-nowrap">{at}</td>
                  <td className="px-4 py-2 whitespace-nowrap">{by}</td>
                  <td className="px-4 py-2">
                    {words}
                    <Values fields={fields} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollArea>
      )}
      {earlier && (
        <ButtonLink look="plain" className="mt-4" to={`?before=${encodeURIComponent(earlier)}`}>
          Earlier entries
        </ButtonLink>
      )}
    </>
  );
}
