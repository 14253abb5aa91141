import { randomUUID } from "node:crypto";
import type { Combination } from "@able-tide/core/plan/combination";
import type { Scope } from "../scope.ts";

/** A combination that an organisation has saved under its name. */
export interface StoredCombination {
  readonly id: string;
  readonly combination: Combination;
}

const combinationsOf = (scope: Scope) => scope.database("combinations").where("organisation_id", scope.organisationId);

/** The organisation's combinations, by name. */
export async function listCombinations(scope: Scope): Promise<StoredCombination[]> {
  const rows = await combinationsOf(scope).select<StoredCombination[]>("id", "combination");
  return rows.toSorted((a, b) => (a.combination.name < b.combination.name ? -1 : 1));
}

/** A combination by its id; null where there is none. */
export async function findCombination(scope: Scope, id: string): Promise<Combination | null> {
  const row = await combinationsOf(scope).where({ id }).first<Pick<StoredCombination, "combination">>("combination");
  return row?.combination ?? null;
}

/** Combinations that an organisation may save. */
const MOST_COMBINATIONS = 200;

/** Saves a combination under its name, unless there is one of that name, or there are too many. */
export async function saveCombination(scope: Scope, combination: Combination): Promise<"saved" | "taken" | "full"> {
  const saved = await listCombinations(scope);
  if (saved.some((each) => each.combination.name === combination.name)) return "taken";
  if (saved.length >= MOST_COMBINATIONS) return "full";
  const added = await scope
    .database("combinations")
    .insert({
      organisation_id: scope.organisationId,
      id: randomUUID(),
      combination: JSON.stringify(combination),
      changed_by: scope.accountId,
      changed_at: scope.now(),
    })
    .onConflict(scope.database.raw("(organisation_id, (combination->>'name'))"))
    .ignore()
    .returning("id");
  return added.length === 1 ? "saved" : "taken";
}

/** Removes a combination; plans keep what they have of it. */
export const removeCombination = async (scope: Scope, id: string): Promise<void> => {
  await combinationsOf(scope).where({ id }).delete();
};
