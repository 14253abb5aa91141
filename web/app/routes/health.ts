import { database } from "../../server/database.ts";

export async function loader(): Promise<Response> {
  await database().raw("select 1");
  return new Response("ok", { headers: { "Content-Type": "text/plain", "Cache-Control": "no-store" } });
}
