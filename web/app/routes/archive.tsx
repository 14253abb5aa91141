import { data, Form } from "react-router";
import { ARCHIVED_SUBJECTS, type ArchivedSubject, bringBack, listArchived } from "../../server/archive.ts";
import { formatInstant } from "../days.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/archive";

export const meta: Route.MetaFunction = () => [{ title: "Archive · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const archived = await listArchived(scope);
  return {
    subjects: ARCHIVED_SUBJECTS,
    archived: archived.map(({ at, ...row }) => ({ ...row, since: formatInstant(at, scope.timeZone) })),
    erases: scope.role === "owner",
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const formData = await formDataOf(request);
  const subject = intentOf(formData, ARCHIVED_SUBJECTS);
  // A movement's id is a word of its own.
  const id = subject === "movement" ? String(formData.get("id")) : idOf(formData, "id");
  if (!(await bringBack(context.get(scopeContext), subject, id))) throw notFound();
  return data(null);
}

const TITLES: Readonly<Record<ArchivedSubject, string>> = {
  person: "Participants",
  group: "Groups",
  venue: "Venues",
  movement: "Movements",
};

export default function ArchivePage({ loaderData: { subjects, archived, erases } }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Archive" note="Out of the way, with all that was recorded. Bring back what you need again." />
      {archived.length === 0 && (
        <p className="text-lg">
          Nothing is archived. You archive a participant at the end of their page, a group or venue on its card under Groups, and
          a movement in its editor.
        </p>
      )}
      {subjects
        .map((subject) => ({ subject, rows: archived.filter((row) => row.subject === subject) }))
        .filter(({ rows }) => rows.length > 0)
        .map(({ subject, rows }) => (
          <section key={subject} className="mb-8 max-w-3xl" aria-labelledby={`archived-${subject}`}>
            <h2 id={`archived-${subject}`} className="mb-2 text-2xl">
              {TITLES[subject]}
            </h2>
            <ul className="rounded-soft border border-sand-300 bg-white px-4">
              {rows.map(({ id, name, since }) => (
                <li key={id} className="flex flex-wrap items-center gap-x-4 border-b border-sand-200 py-2 last:border-0">
                  <strong>{name}</strong>
                  <span className="text-sand-600">since {since}</span>
                  <Form method="post" className="ml-auto">
                    <input type="hidden" name="id" value={id} />
                    <Button look="plain" name="intent" value={subject}>
                      Bring back<span className="sr-only"> {name}</span>
                    </Button>
                  </Form>
                  {subject === "person" && erases && (
                    <ButtonLink look="quiet" to={`/people/${id}/erase`}>
                      Erase for good
                    </ButtonLink>
                  )}
                </li>
              ))}
            </ul>
          </section>
        ))}
    </>
  );
}
