import { randomUUID } from "node:crypto";
import { READY_STYLES, type ReadyStyle, type TeachingStyle } from "@able-tide/core/plan/style";
import type { Scope } from "../scope.ts";

/** A style that an organisation may teach in. */
export interface StoredStyle {
  /** Null for one that ships with the product. */
  readonly id: string | null;
  readonly style: TeachingStyle;
  /** Which of the ready ones it is; null for one of their own. */
  readonly ready: ReadyStyle | null;
}

const stylesOf = (scope: Scope) => scope.database("styles").where("organisation_id", scope.organisationId);

/** The organisation's own styles by name, then the ready ones whose names are not taken. */
export async function listStyles(scope: Scope): Promise<StoredStyle[]> {
  const rows = await stylesOf(scope).select<{ id: string; style: TeachingStyle }[]>("id", "style");
  const own = rows
    .map(({ id, style }): StoredStyle => ({ id, style, ready: null }))
    .toSorted((a, b) => (a.style.name < b.style.name ? -1 : 1));
  const names = new Set(own.map(({ style }) => style.name));
  return [...own, ...READY_STYLES.filter(({ style }) => !names.has(style.name)).map((each) => ({ id: null, ...each }))];
}

/**
 * Keeps a style: under its id, or a new one.
 *
 * @returns its id, or null where another already has the name
 */
export async function saveStyle(scope: Scope, id: string | null, style: TeachingStyle): Promise<string | null> {
  const others = await stylesOf(scope).select<{ id: string; style: TeachingStyle }[]>("id", "style");
  if (others.some((other) => other.id !== id && other.style.name === style.name)) return null;
  const columns = { style: JSON.stringify(style), changed_by: scope.accountId, changed_at: scope.now() };
  if (id !== null) {
    const changed = await stylesOf(scope).where({ id }).update(columns);
    if (changed === 1) return id;
  }
  const added = randomUUID();
  await scope.database("styles").insert({ organisation_id: scope.organisationId, id: added, ...columns });
  return added;
}

/** Takes a style away; plans keep what they were given. */
export const removeStyle = async (scope: Scope, id: string): Promise<void> => {
  await stylesOf(scope).where({ id }).delete();
};
