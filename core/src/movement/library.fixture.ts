import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Movement } from "./format.ts";
import { readMovement } from "./read-file.ts";

const folder = join(import.meta.dirname, "../../../library");

/** Names of the shipped movements' files. */
export const LIBRARY_FILES = readdirSync(folder).filter((name) => name.endsWith(".json") && name !== "movement.schema.json");

/** A shipped movement by its id. @throws {Error} if there is none, or it does not read */
export function load(id: string): Movement {
  const { movement, problems } = readMovement(readFileSync(join(folder, `${id}.json`), "utf8"));
  if (!movement) throw new Error(`${id}: ${problems.map(({ path, code }) => `${path} ${code}`).join("; ")}`);
  return movement;
}

/** Every shipped movement. */
export const loadAll = (): Movement[] => LIBRARY_FILES.map((file) => load(file.replace(/\.json$/, "")));
