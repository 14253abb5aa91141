import { notFound } from "../signed-in.server.ts";

/** Any other address. */
export function loader() {
  throw notFound();
}
