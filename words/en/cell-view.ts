import type { Cap } from "@able-tide/core/caps/cap";
import { itemAt } from "@able-tide/core/checked-access";
import type { FittedCell } from "@able-tide/core/fit/cell";
import { type CellChange, type CellReading, type PlannedAmount, readCell } from "@able-tide/core/fit/cell-reading";
import type { CellView, Why } from "@able-tide/core/fit/cell-view";
import { type FitPlan, plannedAmount } from "@able-tide/core/fit/fit-plan";
import type { FittedRow } from "@able-tide/core/fit/fitted-row";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import { otherSide } from "@able-tide/core/side";
import { formatHandSupport } from "./body.ts";
import { formatCapLimit, formatCapLimitBriefly, formatCapReason } from "./format-cap.ts";

/** A reason for a variant as a sentence. */
export const formatWhy = ({ limit, reason }: Why): string => (reason === null ? limit : `${limit} (${reason})`);

const BLOCKED_BY: Readonly<Record<NonNullable<CellReading["blockedBy"]>, string>> = {
  rail: "No rail space left for this movement",
  helpers: "No helper free for this movement",
  chairs: "No chair free for this movement",
  held: "You pinned this variant",
  changes: "To avoid extra sitting and standing",
  versions: "So that fewer versions are led at a time",
  room: "Sits and stands with the room",
  runsOn: "Joined movements: no sitting down or standing up between them",
  noVariant: "No variant of this movement suits this participant's body",
};

/** What to look after where one hand carries the other arm. */
export const CARRY_WITH_CARE = "Hold the forearm near the elbow. Never pull the hand or wrist; stop if the shoulder hurts.";

/** One thing that is done differently, in a few words. */
export function formatCellChange(change: CellChange): string {
  switch (change.change) {
    case "slower":
      return change.times === 2 ? "half the pace" : "a third of the pace";
    case "fewer":
      return `${change.rounds} of ${change.planned} repetitions`;
    case "shorterHold":
      return `hold ${change.seconds} of ${change.planned} s`;
    case "noHold":
      return "no hold, move through";
    case "noPause":
      return "breathe without a pause";
    case "seated":
      return "seated";
    case "poolChair":
      return "in the pool chair";
    case "support":
      return formatHandSupport(change.hold);
    case "handRests":
      return `rest the ${change.hand} hand`;
    case "eased":
      return "without the second task, on the even floor";
    case "carries":
      return `${otherSide(change.arm)} hand carries the ${change.arm} forearm from below`;
    case "legsStill":
      return "legs stay still";
    case "toeDown":
      return "keep the toes down";
    case "taller":
      return "stand taller, short step";
    case "higher":
      return "stand higher, shorter step";
    case "weightBack":
      return "weight back on the heels";
    case "smaller":
      return "smaller range";
    case "handHeight":
      return formatCapLimitBriefly(change.limit);
    case "breathesAlong":
      return "sit and breathe along";
    case "inMind":
      return "picture it, breathe along, nothing moves";
    case "rests":
      return "rest, then rejoin";
  }
}

/** Caps as reasons, one each. */
export const whyOfCaps = (caps: readonly Cap[]): Why[] =>
  caps.map((cap) => ({ limit: formatCapLimit(cap.limit), reason: formatCapReason(cap) }));

/**
 * A fitted cell as people read it.
 *
 * @param plannedVariant the planned variant
 * @param planned repetitions planned, or holds and their seconds
 */
export function viewCell(cell: FittedCell, plannedVariant: VariantSpec, planned: PlannedAmount): CellView {
  const { changes, because, blockedBy, ...figures } = readCell(cell, plannedVariant, planned);
  const why = whyOfCaps(because);
  if (blockedBy !== null) why.push({ limit: BLOCKED_BY[blockedBy], reason: null });
  return {
    ...figures,
    ...(figures.choice?.carried && { care: CARRY_WITH_CARE }),
    brief: [...new Set(changes.map(formatCellChange))].join(", "),
    why,
  };
}

/** A whole row, one view a plan item. */
const viewRow = (plan: FitPlan, row: FittedRow): CellView[] =>
  row.cells.map((cell, i) => {
    const block = itemAt(plan.blocks, i);
    return viewCell(cell, block.plannedVariant, plannedAmount(block));
  });

/** A fitted row as it is shown. @param plan the plan that the row was fitted to */
export const showRow = (plan: FitPlan, row: FittedRow): ShownRow => ({
  cells: viewRow(plan, row),
  sums: row.sums,
  fidelity: row.fidelity,
});
