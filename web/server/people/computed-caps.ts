import { capsOfAids } from "@able-tide/core/caps/aids";
import type { Cap } from "@able-tide/core/caps/cap";
import { capsOfRising } from "@able-tide/core/caps/rising";
import { About } from "@able-tide/core/people/about";
import * as v from "valibot";
import { handsSeen } from "../classes/hands-seen.ts";
import type { Scope } from "../scope.ts";
import { furthestStages } from "./stand-results.ts";

/**
 * The caps of some people that follow from what is known of them and that no one has to set: of those who walk with an aid,
 * and of those who need a hand to stand up or would have to be lifted.
 *
 * @param day on which they apply
 */
export async function computedCapsOf(
  scope: Scope,
  personIds: readonly string[],
  day: string,
): Promise<{ readonly personId: string; readonly caps: readonly Cap[] }[]> {
  const people = await scope
    .database("people")
    .where({ organisation_id: scope.organisationId })
    .whereIn("id", [...personIds])
    .select<{ id: string; about: unknown }[]>("id", "about");
  const known = people.map(({ id, about }) => ({ id, ...v.parse(About, about) }));
  const aided = known.filter(({ aids }) => aids.length > 0).map(({ id }) => id);
  const stages = aided.length === 0 ? new Map() : await furthestStages(scope, aided);
  const seen = await handsSeen(scope, personIds, day);
  return known.flatMap(({ id, aids, risesFromChair }) => {
    const rising = { risesFromChair, handSeen: seen.get(id) ?? null };
    const caps = [...capsOfAids(id, aids, stages.get(id) ?? null, day), ...capsOfRising(id, rising, day)];
    return caps.length === 0 ? [] : [{ personId: id, caps }];
  });
}
