import { itemAt } from "@able-tide/core/checked-access";
import { type ItemPart, type PlanDifference, planDifferences } from "@able-tide/core/plan/compare-plans";
import type { PlanContent } from "@able-tide/core/plan/plan";
import { FACINGS, type PlanItem } from "@able-tide/core/plan/plan-item";
import type { Content } from "@able-tide/core/plan/purpose";
import { waterEquipmentLabel } from "./body.ts";
import { formatPause } from "./breathing.ts";
import { secondTaskLabel } from "./circumstances.ts";
import { formatCombination } from "./combination.ts";
import { formatHold } from "./repetitions.ts";
import { formatStyleDifference } from "./style.ts";

const CONTENT_LABELS: Readonly<Record<Content, string>> = {
  steadiness: "balance",
  spine: "spine",
  neckAndShoulders: "neck and shoulders",
  hipsAndKnees: "hips and knees",
  anklesAndFeet: "ankles and feet",
  handsAndWrists: "hands and wrists",
  calmBreath: "calm breath",
  memory: "memory and coordination",
};

/** What a session trains is called. */
export const contentLabel = (name: Content): string => CONTENT_LABELS[name];

const FACING = ["to the front", "to the right", "to the back", "to the left"] as const;

/** What of an item differs, with its value before and after. */
const ITEM_PARTS: Readonly<Record<ItemPart, readonly [label: string, of: (item: PlanItem) => string]>> = {
  repetitions: ["repetitions", ({ rounds }) => String(rounds)],
  timedHold: ["timed hold", ({ timedHold }) => (timedHold ? formatHold(timedHold) : "none")],
  sides: ["sides", ({ only, first }) => (only ? `${only} only` : first ? `${first} first` : "set by style")],
  variant: ["variant", (item) => (item.hold ? `${item.hold} hand on the rail` : (item.as ?? "same as the group"))],
  phase: ["phase", ({ phase }) => phase ?? "movement's default"],
  breath: ["breath", ({ breathSeconds }) => (breathSeconds ? `${breathSeconds} s` : "same as the plan")],
  breathsToOne: ["breaths", ({ breathsToOne }) => (breathsToOne === 2 ? "two to one" : "one to one")],
  pause: ["breath pause", ({ pause }) => (pause ? formatPause(pause) : "set by style")],
  grows: ["each repetition further", ({ grows }) => (grows ? "yes" : "no")],
  inMind: ["in the mind only", ({ inMind }) => (inMind ? "yes" : "no")],
  explanation: ["explanation before", ({ talk = 0 }) => `${talk} s`],
  noPause: ["no pause before", ({ straight }) => (straight ? "yes" : "no")],
  fewWords: ["few words", ({ quiet }) => (quiet ? "yes" : "no")],
  facing: ["facing", ({ facing }) => (facing === undefined ? "as before" : itemAt(FACING, FACINGS.indexOf(facing)))],
  secondTask: ["second task", ({ secondTask }) => (secondTask ? secondTaskLabel(secondTask) : "none")],
  softFloor: ["soft surface", ({ softFloor }) => (softFloor ? "yes" : "no")],
  equipment: ["in the hands", ({ equipment }) => waterEquipmentLabel(equipment ?? "bare")],
  combination: ["combination", ({ combination }) => combination ?? "none"],
  combined: ["combination", ({ combined }) => (combined ? formatCombination(combined) : "none")],
};

/** One thing that differs between two revisions of a plan. @param nameOf a movement's name by its id */
function formatDifference(
  difference: PlanDifference,
  from: PlanContent,
  to: PlanContent,
  nameOf: (id: string) => string,
): string {
  switch (difference.differs) {
    case "removed":
      return `Removed: ${nameOf(difference.movementId)}`;
    case "added":
      return `Added: ${nameOf(difference.movementId)}, ${difference.rounds} repetitions`;
    case "reordered":
      return `Reordered: ${difference.movementIds.map(nameOf).join(", ")}`;
    case "item": {
      const [label, of] = ITEM_PARTS[difference.part];
      return `${nameOf(difference.to.movementId)}, ${label}: ${of(difference.from)} → ${of(difference.to)}`;
    }
    case "purpose":
      return "Purpose changed";
    case "breath":
      return `Breath length: ${from.breathSeconds} s → ${to.breathSeconds} s`;
    case "styleName":
      return `Style: ${from.style.name} → ${to.style.name}`;
    case "style":
      return formatStyleDifference(from.style, to.style, difference.part);
  }
}

/** What differs from one revision of a plan to another, a line each. @param nameOf a movement's name by its id */
export const formatPlanDifferences = (from: PlanContent, to: PlanContent, nameOf: (movementId: string) => string): string[] =>
  planDifferences(from, to).map((difference) => formatDifference(difference, from, to, nameOf));
