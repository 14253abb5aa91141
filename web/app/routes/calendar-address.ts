import { calendarFileBehind } from "../../server/entrance.ts";
import type { Route } from "./+types/calendar-address";

/** The calendar behind someone's own address: anyone who has the address may read it until it is revoked. */
export async function loader({ params }: Route.LoaderArgs): Promise<Response> {
  const token = params.file.replace(/\.ics$/, "");
  const text = await calendarFileBehind(token);
  if (text === null)
    return new Response("This calendar address has been revoked. Create a new one under Calendar.", { status: 404 });
  return new Response(text, {
    headers: { "Content-Type": "text/calendar; charset=utf-8", "Cache-Control": "private, no-store" },
  });
}
