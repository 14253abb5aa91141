import type { ClassStep } from "@able-tide/core/class/class-steps";
import type { ScriptItem } from "@able-tide/core/class/script";
import { wayLabel } from "./repetitions.ts";
import { variantWords } from "./variant-words.ts";

/**
 * A step of a class as its movement, the side that leads and the way it goes: "Ankle circles, left, the other way".
 *
 * @param blocks of the script
 * @param step null where the class has no such step, which gives no words
 */
export function formatClassStep(
  blocks: readonly Pick<ScriptItem, "movement" | "meant">[],
  step: Pick<ClassStep, "blockIndex" | "side" | "way"> | null,
): string {
  const block = step && blocks[step.blockIndex];
  if (!step || !block) return "";
  const { name } = variantWords(block.movement, block.meant);
  return [name, step.side ?? "", wayLabel(block.movement, step.way)].filter((word) => word !== "").join(", ");
}
