import { answers } from "../../server/entrance.ts";

export async function loader(): Promise<Response> {
  await answers();
  return new Response("ok", { headers: { "Content-Type": "text/plain", "Cache-Control": "no-store" } });
}
