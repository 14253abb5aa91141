import * as v from "valibot";
import type { FileProblem } from "../files/json.ts";
import { readFileWithMovements, unknownIn } from "../movement/file-with-movements.ts";
import { Movement } from "../movement/format.ts";
import { type PlanContent, PlanContentSchema } from "./plan.ts";

/**
 * The open plan format, version 1: a plan with the movements it names, so that it can be read elsewhere.
 * docs/formats.md explains it; docs/plan.schema.json is its JSON Schema, made from this file.
 */
export const PlanFile = v.object({
  format: v.literal("able-tide/plan"),
  version: v.literal(1, "wrongVersion"),
  /** What it is called, for people. */
  name: v.pipe(v.string(), v.maxLength(120)),
  plan: PlanContentSchema,
  movements: v.pipe(v.array(Movement), v.maxLength(100)),
});

/** A plan as a file says it. */
export interface PlanInFile {
  readonly name: string;
  readonly plan: PlanContent;
  readonly movements: readonly Movement[];
}

/** The text of a plan's file. Variants held for people, their places and their seats stay at home: a file says nothing of anyone. */
export const planFile = ({ name, plan, movements }: PlanInFile): string =>
  `${JSON.stringify({ format: "able-tide/plan", version: 1, name, plan: { ...plan, holds: [], places: [], seats: [] }, movements }, null, 2)}\n`;

/** Items that name a movement which the file does not bring. */
export function unknownMovements({ plan, movements }: PlanInFile): FileProblem[] {
  const unknown = unknownIn(movements);
  return plan.blocks.flatMap(({ movementId, combined }, i) => [
    ...unknown(`plan.blocks[${i}].movementId`, movementId),
    ...(combined?.parts ?? []).flatMap((part, at) =>
      unknown(`plan.blocks[${i}].combined.parts[${at}].movementId`, part.movementId),
    ),
  ]);
}

/** Reads a plan's file. Returns the plan, or every problem with its place; never throws. */
export const readPlanFile = (source: string): { readonly file: PlanInFile | null; readonly problems: readonly FileProblem[] } =>
  readFileWithMovements<PlanInFile>(source, PlanFile, unknownMovements);
