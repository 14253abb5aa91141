import * as v from "valibot";
import { atLines, type FileProblem, problemsOf, readJson } from "../files/json.ts";
import { Movement } from "../movement/format.ts";
import { upgradeMovementsIn } from "../movement/former-format.ts";
import type { Combination } from "./combination.ts";
import { CombinationSchema } from "./combination-schema.ts";

/** The open combination format, version 1: a combination with the movements it names. docs/formats.md explains it. */
const CombinationFile = v.strictObject({
  format: v.literal("able-tide/combination"),
  version: v.literal(1, "wrongVersion"),
  combination: CombinationSchema,
  movements: v.pipe(v.array(Movement), v.maxLength(10)),
});

/** A combination as a file says it. */
export interface CombinationInFile {
  readonly combination: Combination;
  readonly movements: readonly Movement[];
}

/**
 * The text of a combination's file.
 *
 * @param file the combination, and every movement that it names
 */
export const combinationFile = (file: CombinationInFile): string =>
  `${JSON.stringify({ format: "able-tide/combination", version: 1, ...file }, null, 2)}\n`;

/**
 * Reads a combination's file; never throws.
 *
 * @param source text of the file
 * @returns the combination with its movements, or null and every problem with its place
 */
export function readCombinationFile(source: string): {
  readonly file: CombinationInFile | null;
  readonly problems: readonly FileProblem[];
} {
  const { value, problem } = readJson(source);
  if (problem) return { file: null, problems: [problem] };
  const upgraded = upgradeMovementsIn(value);
  const result = v.safeParse(CombinationFile, upgraded.value);
  const found = [...upgraded.problems, ...problemsOf(result.issues ?? [])];
  if (!result.success || found.length > 0) return { file: null, problems: atLines(source, found) };
  const { combination, movements } = result.output;
  const ids = new Set(movements.map(({ id }) => id));
  const missing = combination.parts.flatMap(({ movementId }, i): FileProblem[] =>
    ids.has(movementId) ? [] : [{ path: `combination.parts[${i}].movementId`, code: "unknownMovement", requirement: movementId }],
  );
  if (missing.length > 0) return { file: null, problems: atLines(source, missing) };
  return { file: { combination: combination as Combination, movements }, problems: [] };
}
