import { asksOf, type MovementAsks } from "../../server/movements/asks.ts";
import { type LibraryMovement, listMovements } from "../../server/movements/movements.ts";
import type { Scope } from "../../server/scope.ts";
import { type Finding, isFound } from "./finding.ts";

interface Found extends LibraryMovement {
  readonly asks: MovementAsks | null;
}

/** The movements that are looked for, with what each asks, and how many there are in all. */
export async function foundMovements(
  scope: Scope,
  finding: Finding,
): Promise<{ readonly all: number; readonly found: readonly Found[] }> {
  const all = (await listMovements(scope)).map((listed) => ({ ...listed, asks: asksOf(listed.movement) }));
  return { all: all.length, found: all.filter(({ movement, asks }) => isFound(finding, movement, asks)) };
}
