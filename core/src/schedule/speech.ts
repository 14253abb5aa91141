import type { TeachingStyle } from "../plan/style.ts";
import type { ScheduledItem } from "./schedule-plan.ts";

/** How much is said of an item: every phrase, the start of it, or its name and counts. */
export type Speech = "phrases" | "start" | "names";

/** How much is said of an item: by its style, and in a style that fades by how well the group knows the movement. */
export function speechOf({ block, familiarity }: ScheduledItem, { speech }: TeachingStyle): Speech {
  if (block.quiet || speech === "silent") return "names";
  if (speech === "everyPhrase") return "phrases";
  if (speech === "startThenQuiet") return "start";
  if (familiarity === "new" || familiarity === "second") return "phrases";
  return familiarity === "known" ? "start" : "names";
}
