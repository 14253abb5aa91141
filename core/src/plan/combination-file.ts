import * as v from "valibot";
import type { FileProblem } from "../files/json.ts";
import { readFileWithMovements, unknownIn } from "../movement/file-with-movements.ts";
import { Movement } from "../movement/format.ts";
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

/** Parts that name a movement which the file does not bring. */
function unknownParts({ combination, movements }: CombinationInFile): FileProblem[] {
  const unknown = unknownIn(movements);
  return combination.parts.flatMap(({ movementId }, i) => unknown(`combination.parts[${i}].movementId`, movementId));
}

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
  const schema = CombinationFile as v.GenericSchema<unknown, CombinationInFile>;
  const { file, problems } = readFileWithMovements(source, schema, unknownParts);
  return { file: file && { combination: file.combination, movements: file.movements }, problems };
}
