import { writeCsv } from "../../server/files/csv.ts";
import { FILE_COLUMNS, FILE_KINDS, rowsToWrite } from "../files/people-file.server.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/people-file";

/** People, limitations or measured ranges as a file that can be read in again. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const kind = FILE_KINDS.find((name) => `${name}.csv` === params.kind);
  if (!kind) throw notFound();
  const text = writeCsv(FILE_COLUMNS[kind], await rowsToWrite(context.get(scopeContext), kind));
  return new Response(text, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": `attachment; filename="${kind}.csv"`,
      "Cache-Control": "private, no-store",
    },
  });
}
