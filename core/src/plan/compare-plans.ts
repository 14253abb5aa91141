import { dequal } from "dequal";
import { present } from "../checked-access.ts";
import type { PlanContent } from "./plan.ts";
import type { PlanItem } from "./plan-item.ts";
import { differingParts, type StylePart } from "./style.ts";

/** What of an item can differ: each a part or a few that are read together. */
const ITEM_PARTS = {
  repetitions: ["rounds"],
  timedHold: ["timedHold"],
  sides: ["only", "first"],
  variant: ["hold", "as"],
  phase: ["phase"],
  breath: ["breathSeconds"],
  breathsToOne: ["breathsToOne"],
  pause: ["pause"],
  grows: ["grows"],
  inMind: ["inMind"],
  explanation: ["talk"],
  noPause: ["straight"],
  fewWords: ["quiet"],
  facing: ["facing"],
  secondTask: ["secondTask"],
  softFloor: ["softFloor"],
  equipment: ["equipment"],
  combination: ["combination"],
  combined: ["combined"],
} as const satisfies Record<string, readonly (keyof PlanItem)[]>;
/** A part of a plan item that can differ. */
export type ItemPart = keyof typeof ITEM_PARTS;
const PART_NAMES = Object.keys(ITEM_PARTS) as ItemPart[];

/** One thing that differs from one revision of a plan to another, as a code; movements by their ids. */
export type PlanDifference =
  | { readonly differs: "removed"; readonly movementId: string }
  | { readonly differs: "added"; readonly movementId: string; readonly rounds: number }
  | { readonly differs: "reordered"; readonly movementIds: readonly string[] }
  | { readonly differs: "item"; readonly part: ItemPart; readonly from: PlanItem; readonly to: PlanItem }
  | { readonly differs: "purpose" | "breath" | "styleName" }
  | { readonly differs: "style"; readonly part: StylePart };

/** A part that is left out, or switched off, is the same as one that was never set. */
const settingOf = (item: PlanItem, key: keyof PlanItem): unknown => item[key] || (key === "facing" ? item[key] : undefined);

const partDiffers = (from: PlanItem, to: PlanItem, part: ItemPart): boolean =>
  ITEM_PARTS[part].some((key) => !dequal(settingOf(from, key), settingOf(to, key)));

/** What differs from one revision of a plan to another: items, order, purpose, breath length and style. */
export function planDifferences(from: PlanContent, to: PlanContent): PlanDifference[] {
  const before = new Map(from.blocks.map((block) => [block.id, block]));
  const after = new Map(to.blocks.map((block) => [block.id, block]));
  const gone = from.blocks.filter((block) => after.get(block.id)?.movementId !== block.movementId);
  const come = to.blocks.filter((block) => before.get(block.id)?.movementId !== block.movementId);
  const stayed = to.blocks.filter((block) => before.get(block.id)?.movementId === block.movementId);
  const orderBefore = from.blocks.filter(({ id }) => stayed.some((block) => block.id === id)).map(({ id }) => id);
  const moved = stayed.filter(({ id }, i) => orderBefore[i] !== id);
  return [
    ...gone.map(({ movementId }): PlanDifference => ({ differs: "removed", movementId })),
    ...come.map(({ movementId, rounds }): PlanDifference => ({ differs: "added", movementId, rounds })),
    ...(moved.length > 0 ? [{ differs: "reordered" as const, movementIds: moved.map(({ movementId }) => movementId) }] : []),
    ...stayed.flatMap((block) => {
      const old = present(before.get(block.id), "plan item");
      return PART_NAMES.filter((part) => partDiffers(old, block, part)).map(
        (part): PlanDifference => ({ differs: "item", part, from: old, to: block }),
      );
    }),
    ...(from.purpose === to.purpose ? [] : [{ differs: "purpose" as const }]),
    ...(from.breathSeconds === to.breathSeconds ? [] : [{ differs: "breath" as const }]),
    ...(from.style.name === to.style.name ? [] : [{ differs: "styleName" as const }]),
    // The breath length of a plan is its own; that of its style is listed above.
    ...differingParts({ ...from.style, breathSeconds: to.style.breathSeconds }, to.style).map(
      (part): PlanDifference => ({ differs: "style", part }),
    ),
  ];
}
