import { movementProblems } from "@able-tide/core/movement/check-movement";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { readMovements } from "@able-tide/core/movement/read-file";
import { withStates } from "@able-tide/core/movement/start-and-end";
import { formatFileProblems, type SaidProblem } from "@able-tide/words/file-problem";
import type { Scope } from "../scope.ts";
import { listMovements, saveMovements } from "./movements.ts";
import { SHIPPED } from "./shipped.ts";

/** A file as someone chose it. */
export interface ChosenFile {
  readonly name: string;
  readonly source: string;
}

const under = (...places: readonly string[]): string => places.filter(Boolean).join(" ");

/** Whether a movement is one that comes with the product, as it came. */
function isShippedAsItIs(movement: Movement): boolean {
  const shipped = SHIPPED.find(({ id }) => id === movement.id);
  // What another organisation calls it is no change.
  return shipped !== undefined && JSON.stringify({ ...movement, name: shipped.name }) === JSON.stringify(shipped);
}

/** What stands against taking a movement in. */
function problemsOf(movement: Movement, seen: ReadonlySet<string>): SaidProblem[] {
  if (seen.has(movement.id)) return [{ path: "id", message: `"${movement.id}" is there twice` }];
  if (SHIPPED.some(({ id }) => id === movement.id))
    return [{ path: "id", message: `"${movement.id}" is a movement that comes with Able Tide; give yours another id` }];
  return formatFileProblems(movementProblems(movement));
}

/**
 * Takes in the movements of some files as the organisation's own, all of them or none. Those that come with the product
 * and are unchanged are passed over.
 *
 * @returns names of the imported movements, or every problem by file and place
 */
export async function importMovements(
  scope: Scope,
  files: readonly ChosenFile[],
): Promise<{ readonly taken: readonly string[]; readonly problems: readonly SaidProblem[] }> {
  const taken: Movement[] = [];
  const problems: SaidProblem[] = [];
  const seen = new Set<string>();
  for (const { name, source } of files) {
    const file = files.length > 1 ? name : "";
    const read = readMovements(source);
    problems.push(...formatFileProblems(read.problems).map(({ path, message }) => ({ path: under(file, path), message })));
    for (const { path, movement } of read.movements) {
      if (isShippedAsItIs(movement)) continue;
      problems.push(
        ...problemsOf(movement, seen).map((problem) => ({ path: under(file, path, problem.path), message: problem.message })),
      );
      seen.add(movement.id);
      taken.push(withStates(movement));
    }
  }
  if (problems.length > 0) return { taken: [], problems };
  await saveMovements(scope, taken);
  return { taken: taken.map(taughtName), problems: [] };
}

/**
 * Takes in those movements of a file that are not here yet; those that are here are used as they are.
 *
 * @returns every problem by movement and place; empty where all of them are here now
 */
export async function importMissing(scope: Scope, movements: readonly Movement[]): Promise<readonly SaidProblem[]> {
  const known = new Set((await listMovements(scope)).map(({ movement }) => movement.id));
  const missing = movements.filter(({ id }) => !known.has(id));
  const files = missing.map((movement) => ({ name: movement.id, source: JSON.stringify(movement) }));
  return files.length === 0 ? [] : (await importMovements(scope, files)).problems;
}
