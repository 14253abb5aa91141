import * as v from "valibot";
import { atLines, type FileProblem, problemsOf, readJson } from "../files/json.ts";
import { type UpgradedValue, upgradeMovementsIn } from "./former-format.ts";

/**
 * A movement that a file names and does not bring.
 *
 * @param movements that it brings
 * @returns what finds it: takes the path to a place, and the id that it names
 */
export function unknownIn(movements: readonly { readonly id: string }[]): (path: string, movementId: string) => FileProblem[] {
  const brought = new Set(movements.map(({ id }) => id));
  return (path, movementId) => (brought.has(movementId) ? [] : [{ path, code: "unknownMovement", requirement: movementId }]);
}

/**
 * Reads a file that brings the movements it names, in this format of movements or the one before; never throws.
 *
 * @param source text of the file
 * @param schema of the whole file
 * @param missing movements that it names and does not bring
 * @param upgrade brings its movements to the present format
 * @returns what the file says, or null and every problem with its place and line
 */
export function readFileWithMovements<File>(
  source: string,
  schema: v.GenericSchema<unknown, File>,
  missing: (file: File) => readonly FileProblem[],
  upgrade: (value: unknown) => UpgradedValue = upgradeMovementsIn,
): { readonly file: File | null; readonly problems: readonly FileProblem[] } {
  const { value, problem } = readJson(source);
  if (problem) return { file: null, problems: [problem] };
  const upgraded = upgrade(value);
  const result = v.safeParse(schema, upgraded.value);
  const found = [...upgraded.problems, ...problemsOf(result.issues ?? [])];
  if (!result.success || found.length > 0) return { file: null, problems: atLines(source, found) };
  const unknown = missing(result.output);
  return unknown.length > 0 ? { file: null, problems: atLines(source, unknown) } : { file: result.output, problems: [] };
}
