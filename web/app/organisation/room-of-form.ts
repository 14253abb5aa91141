import type { Venue } from "@able-tide/core/venues/venue";
import { parseForm } from "../../forms/parse-form.ts";
import { VenueForm } from "../../forms/venue-form.ts";

/** What is drawn stands for a venue of any name. */
const ANY_NAME = "venue";

/**
 * The room of a venue as its form holds it now. What cannot be read yet is left out, so that the drawing follows the rest.
 *
 * @param typed the fields by name, as the form holds them
 */
export function roomOf(typed: Readonly<Record<string, unknown>> | undefined): Venue {
  const form = new FormData();
  for (const [name, value] of Object.entries(typed ?? {})) if (typeof value === "string") form.set(name, value);
  form.set("name", ANY_NAME);
  const first = parseForm(form, { schema: VenueForm });
  if (first.status === "success") return first.value.place.room;
  for (const name of Object.keys(first.error ?? {})) form.delete(name);
  // Depths that contradict each other are wrong together, and are no field's own error.
  if (first.error?.[""]) for (const depth of ["shallow", "deep"]) form.delete(depth);
  const rest = parseForm(form, { schema: VenueForm });
  return rest.status === "success" ? rest.value.place.room : roomOf(undefined);
}
