import * as v from "valibot";
import { atLines, type FileProblem, problemsOf, readJson } from "../files/json.ts";
import { Movement } from "./format.ts";
import { upgradeMovement, upgradeMovementsIn } from "./former-format.ts";

export type MovementFileProblem = FileProblem;

/** A file that holds several movements. */
export const COLLECTION = { format: "able-tide/movements", version: 1 } as const;

const Collection = v.strictObject({
  format: v.literal(COLLECTION.format),
  version: v.literal(COLLECTION.version, "wrongVersion"),
  movements: v.pipe(v.array(Movement), v.minLength(1), v.maxLength(500)),
});

/** Reads a movement file. Returns the movement, or every problem with its place; never throws. */
export function readMovement(
  source: string,
): { movement: Movement; problems: readonly [] } | { movement: null; problems: readonly MovementFileProblem[] } {
  const { value, problem } = readJson(source);
  if (problem) return { movement: null, problems: [problem] };
  const { document, problems } = upgradeMovement(value);
  const result = v.safeParse(Movement, document);
  if (result.success && problems.length === 0) return { movement: result.output, problems: [] };
  return { movement: null, problems: atLines(source, [...problems, ...problemsOf(result.issues ?? [])]) };
}

const isCollection = (value: unknown): boolean =>
  typeof value === "object" && value !== null && "format" in value && value.format === COLLECTION.format;

/** Reads a file of one movement or of several. Returns all of them with their paths in the file, or every problem; never throws. */
export function readMovements(source: string): {
  readonly movements: readonly { readonly path: string; readonly movement: Movement }[];
  readonly problems: readonly MovementFileProblem[];
} {
  const { value, problem } = readJson(source);
  if (problem) return { movements: [], problems: [problem] };
  if (!isCollection(value)) {
    const { movement, problems } = readMovement(source);
    return { movements: movement ? [{ path: "", movement }] : [], problems };
  }
  const upgraded = upgradeMovementsIn(value);
  const result = v.safeParse(Collection, upgraded.value);
  if (!result.success || upgraded.problems.length > 0)
    return { movements: [], problems: atLines(source, [...upgraded.problems, ...problemsOf(result.issues ?? [])]) };
  return { movements: result.output.movements.map((movement, i) => ({ path: `movements[${i}]`, movement })), problems: [] };
}

/** The text of a movement's file. */
export const movementFile = (movement: Movement): string => `${JSON.stringify(movement, null, 2)}\n`;

/** The text of one file with several movements. */
export const movementsFile = (movements: readonly Movement[]): string =>
  `${JSON.stringify({ ...COLLECTION, movements }, null, 2)}\n`;
