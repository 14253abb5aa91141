import type { SubmissionResult } from "@conform-to/react";
import { GroupForm } from "../../forms/group-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { VenueForm } from "../../forms/venue-form.ts";
import { addGroup, changeGroup } from "../../server/groups/groups.ts";
import type { Scope } from "../../server/scope.ts";
import { addVenue, changeVenue, listVenues } from "../../server/venues/venues.ts";
import { optionalIdOf } from "../form-data.server.ts";
import { notFound } from "../signed-in.server.ts";

/** What became of a form of a group or a venue. */
export interface Saved {
  /** The id of what was changed; null for what was new. */
  readonly id: string | null;
  readonly outcome: "saved" | "refused" | "moved on";
  readonly result: SubmissionResult<string[]>;
}

/** Adds a group, or changes the one that the form names. @throws a 404 answer for an unknown group or venue */
export async function saveGroup(scope: Scope, formData: FormData): Promise<Saved> {
  const id = optionalIdOf(formData, "groupId");
  const submission = parseForm(formData, { schema: GroupForm });
  if (submission.status !== "success") return { id, outcome: "refused", result: submission.reply() };
  const { placeId } = submission.value;
  if (placeId !== null && !(await listVenues(scope)).some((place) => place.id === placeId)) throw notFound();
  if (id === null) await addGroup(scope, submission.value);
  else if (!(await changeGroup(scope, id, submission.value))) throw notFound();
  return { id, outcome: "saved", result: submission.reply({ resetForm: id === null }) };
}

/** Adds a venue, or changes the one that the form names. @throws a 404 answer for an unknown venue */
export async function saveVenue(scope: Scope, formData: FormData): Promise<Saved> {
  const id = optionalIdOf(formData, "venueId");
  const submission = parseForm(formData, { schema: VenueForm });
  if (submission.status !== "success") return { id, outcome: "refused", result: submission.reply() };
  const { version, place } = submission.value;
  if (id === null) {
    await addVenue(scope, place);
    return { id, outcome: "saved", result: submission.reply({ resetForm: true }) };
  }
  const outcome = await changeVenue(scope, id, version, place);
  if (outcome === "unknown") throw notFound();
  return { id, outcome: outcome === "moved on" ? "moved on" : "saved", result: submission.reply() };
}
