import { PEOPLE_FILE_KINDS } from "../../forms/people-file-form.ts";
import { recordAction } from "../../server/audit/audit.ts";
import { writeCsv } from "../../server/files/csv.ts";
import { exportRows } from "../../server/files/export-people.ts";
import { FILE_COLUMNS } from "../../server/files/people-columns.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/people-file";

/** People, limitations or measured ranges as a file that can be read in again. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const kind = PEOPLE_FILE_KINDS.find((name) => `${name}.csv` === params.kind);
  if (!kind) throw notFound();
  const scope = context.get(scopeContext);
  await recordAction(scope, "exported", { subject: "organisation", id: scope.organisationId });
  const text = writeCsv(FILE_COLUMNS[kind], await exportRows(scope, kind));
  return new Response(text, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="${kind}.csv"`,
      "Cache-Control": "private, no-store",
    },
  });
}
