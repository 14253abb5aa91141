import { listGroups } from "../../server/groups/groups.ts";
import type { Scope } from "../../server/scope.ts";

/** Whether every group named is one of the organisation's. */
export async function knownGroups(scope: Scope, groupIds: readonly string[]): Promise<boolean> {
  const known = new Set((await listGroups(scope)).map((group) => group.id));
  return groupIds.every((id) => known.has(id));
}
