import { calendarOf } from "../../server/plans/calendar.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/calendar-file";

/** The sessions of the organisation as an iCalendar file, for the signed-in user. */
export async function loader({ context }: Route.LoaderArgs): Promise<Response> {
  return new Response(await calendarOf(context.get(scopeContext)), {
    headers: {
      "Content-Type": "text/calendar; charset=utf-8",
      "Content-Disposition": 'attachment; filename="sessions.ics"',
      "Cache-Control": "private, no-store",
    },
  });
}
