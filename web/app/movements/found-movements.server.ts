import { loadMinimumDemand, type MovementDemand, movementDemandSummary } from "../../server/movements/movement-demand.ts";
import { type LibraryMovement, listMovements } from "../../server/movements/movements.ts";
import type { Scope } from "../../server/scope.ts";
import { figureAddress } from "../kit/figure-address.ts";
import { type Finding, isFound } from "./finding.ts";
import { movementFigureVersion } from "./movement-figure.server.tsx";

interface Found extends LibraryMovement {
  readonly demand: MovementDemand | null;
  /** Address of the picture of its key poses. */
  readonly figure: string;
}

/** The movements that are looked for, with the demand of each, and how many there are in all, archived ones left out. */
export async function foundMovements(
  scope: Scope,
  finding: Finding,
): Promise<{ readonly all: number; readonly found: readonly Found[] }> {
  const listed = (await listMovements(scope)).filter(({ archived }) => !archived);
  const own = listed.flatMap(({ movement, shipped }) => (shipped ? [] : [movement]));
  // Own movements are few and known by their content, so this is mostly nothing; what is not known yet shows next time.
  void loadMinimumDemand(scope.database, own, scope.now).catch(() => undefined);
  const all = listed.map((each) => ({ ...each, demand: movementDemandSummary(each.movement) }));
  const found = all.filter(({ movement, demand }) => isFound(finding, movement, demand));
  return {
    all: all.length,
    found: found.map((each) => ({
      ...each,
      figure: figureAddress(each.movement.id, movementFigureVersion(each.movement)),
    })),
  };
}
