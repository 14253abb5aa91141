import type { PlanContent } from "./plan.ts";
import { FACINGS, type PlanItem } from "./plan-item.ts";
import { styleDifferences } from "./style.ts";

const FACING_WORDS = ["to the front", "to the right", "to the back", "to the left"] as const;

/** What of a block can differ, in words. */
const PARTS: readonly (readonly [label: string, of: (block: PlanItem) => string])[] = [
  ["repetitions", ({ rounds }) => String(rounds)],
  ["sides", ({ only, first }) => (only ? `${only} only` : first ? `${first} first` : "set by style")],
  ["variant", (block) => (block.hold ? `${block.hold} hand on the rail` : (block.as ?? "same as the group"))],
  ["phase", ({ phase }) => phase ?? "movement's default"],
  ["breath", ({ breathSeconds }) => (breathSeconds ? `${breathSeconds} s` : "same as the plan")],
  ["explanation before", ({ talk = 0 }) => `${talk} s`],
  ["no pause before", ({ straight }) => (straight ? "yes" : "no")],
  ["few words", ({ quiet }) => (quiet ? "yes" : "no")],
  ["facing", ({ facing }) => (facing === undefined ? "as before" : (FACING_WORDS[FACINGS.indexOf(facing)] as string))],
  ["combination", ({ combination }) => combination ?? "none"],
];

/** What differs from one version of a plan to another, a line each. @param nameOf a movement's name by its id */
export function planDifferences(from: PlanContent, to: PlanContent, nameOf: (movementId: string) => string): string[] {
  const before = new Map(from.blocks.map((block) => [block.id, block]));
  const after = new Map(to.blocks.map((block) => [block.id, block]));
  const gone = from.blocks.filter((block) => after.get(block.id)?.movementId !== block.movementId);
  const come = to.blocks.filter((block) => before.get(block.id)?.movementId !== block.movementId);
  const stayed = to.blocks.filter((block) => before.get(block.id)?.movementId === block.movementId);
  const orderBefore = from.blocks.filter(({ id }) => stayed.some((block) => block.id === id)).map(({ id }) => id);
  const moved = stayed.filter(({ id }, i) => orderBefore[i] !== id);
  return [
    ...gone.map((block) => `Removed: ${nameOf(block.movementId)}`),
    ...come.map((block) => `Added: ${nameOf(block.movementId)}, ${block.rounds} repetitions`),
    ...(moved.length > 0 ? [`Reordered: ${moved.map((block) => nameOf(block.movementId)).join(", ")}`] : []),
    ...stayed.flatMap((block) => {
      const old = before.get(block.id) as PlanItem;
      return PARTS.filter(([, of]) => of(old) !== of(block)).map(
        ([label, of]) => `${nameOf(block.movementId)}, ${label}: ${of(old)} → ${of(block)}`,
      );
    }),
    ...(from.purpose === to.purpose ? [] : ["Purpose changed"]),
    ...(from.breathSeconds === to.breathSeconds ? [] : [`Breath length: ${from.breathSeconds} s → ${to.breathSeconds} s`]),
    ...(from.style.name === to.style.name ? [] : [`Style: ${from.style.name} → ${to.style.name}`]),
    ...styleDifferences({ ...from.style, breathSeconds: to.style.breathSeconds }, to.style),
  ];
}
