import type { Movement } from "@able-tide/core/movement/format";
import { readMovement } from "@able-tide/core/movement/read-file";

// The library's files go into the bundle as text and are read like any file a user brings.
const files = import.meta.glob<string>("../../../library/*.json", { query: "?raw", import: "default", eager: true });

function readShipped(): readonly Movement[] {
  return Object.entries(files)
    .filter(([path]) => !path.endsWith(".schema.json"))
    .map(([path, source]) => {
      const { movement, problems } = readMovement(source);
      if (!movement) throw new Error(`${path}: ${problems[0]?.path} ${problems[0]?.code}`);
      return movement;
    });
}

/** The movements that come with the product. */
export const SHIPPED: readonly Movement[] = readShipped();
