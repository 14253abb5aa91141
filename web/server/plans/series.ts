import { randomUUID } from "node:crypto";
import type { Break, Series } from "@able-tide/core/plan/series";
import type { Scope } from "../scope.ts";

/** A series of a group as it is kept. */
export interface StoredSeries extends Series {
  readonly id: string;
  readonly groupId: string;
}

interface SeriesRow {
  id: string;
  group_id: string;
  first_day: string;
  last_day: string;
  breaks: Break[];
}

const seriesOf = (scope: Pick<Scope, "database" | "organisationId">) =>
  scope.database("series").where("organisation_id", scope.organisationId);

/** Series of the organisation, by their first day. */
export async function listSeries(scope: Pick<Scope, "database" | "organisationId">): Promise<StoredSeries[]> {
  const rows = await seriesOf(scope).orderBy(["first_day", "id"]).select<SeriesRow[]>("*");
  return rows.map(({ id, group_id, first_day, last_day, breaks }) => ({
    id,
    groupId: group_id,
    firstDay: first_day,
    lastDay: last_day,
    breaks,
  }));
}

export async function addSeries(scope: Scope, groupId: string, { firstDay, lastDay, breaks }: Series): Promise<string> {
  const id = randomUUID();
  await scope.database("series").insert({
    organisation_id: scope.organisationId,
    id,
    group_id: groupId,
    first_day: firstDay,
    last_day: lastDay,
    breaks: JSON.stringify(breaks),
    created_by: scope.accountId,
    created_at: scope.now(),
  });
  return id;
}

/** Takes a series away; its plans stay. */
export async function removeSeries(scope: Scope, id: string): Promise<void> {
  await seriesOf(scope).where({ id }).delete();
}
