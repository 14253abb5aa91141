import type { HandSupport } from "../body/supports.ts";
import type { Cap, CapLimit } from "../caps/cap.ts";
import type { VariantSpec } from "../movement/variant.ts";
import { otherSide, type Side } from "../side.ts";
import type { BlockedBy, FittedCell } from "./cell.ts";
import type { CellView } from "./cell-view.ts";

/** How much of a movement is planned: repetitions, or holds, and the seconds of each hold; null where it is repeated. */
export interface PlannedAmount {
  readonly repetitions: number;
  readonly hold: number | null;
  /** Whether each breath waits. */
  readonly paused: boolean;
}

/** One thing that is done differently from the planned variant, as a code. */
export type CellChange =
  | { readonly change: "slower"; readonly times: number }
  | { readonly change: "fewer"; readonly rounds: number; readonly planned: number }
  | { readonly change: "shorterHold"; readonly seconds: number; readonly planned: number }
  | { readonly change: "noHold" | "noPause" }
  | { readonly change: "seated" | "poolChair" | "legsStill" | "toeDown" | "taller" | "higher" | "weightBack" | "smaller" }
  | { readonly change: "support"; readonly hold: HandSupport }
  | { readonly change: "handRests"; readonly hand: Side }
  | { readonly change: "carries"; readonly arm: Side }
  | { readonly change: "eased" }
  | { readonly change: "handHeight"; readonly limit: CapLimit }
  | { readonly change: "breathesAlong" | "inMind" | "rests" };

/** A fitted cell as its figures and codes: a `CellView` before its sentences are made. */
export interface CellReading extends Omit<CellView, "brief" | "care" | "why"> {
  /** What is done differently, most important first, three at most; empty when whole. */
  readonly changes: readonly CellChange[];
  /** Caps that the planned variant would break. */
  readonly because: readonly Cap[];
  /** What other than caps stands in the way; "noVariant" where no variant suits the body. */
  readonly blockedBy: BlockedBy | "noVariant" | null;
}

const FULL = 1 - 1e-9;
/** Changes of one cell that are shown. */
const MOST_CHANGES = 3;

/** The hand that neither moves nor is supported. */
const restingHand = ({ arms }: VariantSpec): Side | null => (arms === "both" ? null : otherSide(arms));

function variantChanges(
  { choice, level, rounds, pace, holdSeconds }: FittedCell & { choice: VariantSpec },
  plannedVariant: VariantSpec,
  { repetitions: planned, hold }: PlannedAmount,
): CellChange[] {
  const changes: CellChange[] = [];
  if (hold !== null && holdSeconds === 0) changes.push({ change: "noHold" });
  else if (hold !== null && holdSeconds !== null && holdSeconds < hold)
    changes.push({ change: "shorterHold", seconds: holdSeconds, planned: hold });
  if (pace > 1) changes.push({ change: "slower", times: pace });
  else if (rounds < planned) changes.push({ change: "fewer", rounds, planned });
  if (choice.kind === "seated" && plannedVariant.kind !== "seated")
    changes.push({ change: plannedVariant.kind === "water" ? "poolChair" : "seated" });
  if (choice.eased) changes.push({ change: "eased" });
  if (choice.carried) changes.push({ change: "carries", arm: choice.carried });
  if (choice.hold) changes.push({ change: "support", hold: choice.hold });
  const resting = restingHand(choice);
  if (resting) changes.push({ change: "handRests", hand: resting });
  if (choice.sizes.legs === 0) changes.push({ change: "legsStill" });
  if (choice.toeDown) changes.push({ change: "toeDown" });
  if (choice.depth !== plannedVariant.depth && choice.kind !== "seated" && choice.sizes.legs > 0)
    changes.push({ change: choice.depth === "high" ? "taller" : "higher" });
  if (choice.weightBack) changes.push({ change: "weightBack" });
  if (level < FULL && resting === null && choice.sizes.legs > 0) changes.push({ change: "smaller" });
  return changes;
}

/** The cap on a hand's height says most; the variant says the rest. */
function changesOf(cell: FittedCell, plannedVariant: VariantSpec, planned: PlannedAmount): CellChange[] {
  const { choice } = cell;
  if (choice === null) return [{ change: cell.inMind ? "inMind" : cell.breathing ? "breathesAlong" : "rests" }];
  // A hand that rests or is supported is spoken of already.
  const spoken: readonly (string | null)[] = [restingHand(choice), choice.hold?.hand ?? null];
  const hands = cell.because.flatMap(({ limit }): CellChange[] =>
    limit.channel === "handHeight" && !spoken.includes(limit.side) ? [{ change: "handHeight", limit }] : [],
  );
  const changes = variantChanges({ ...cell, choice }, plannedVariant, planned).filter(
    ({ change }) => change !== "smaller" || hands.length === 0,
  );
  const breath = cell.because.some(({ limit }) => limit.channel === "longestBreath" || limit.channel === "breathPause");
  const breathes: CellChange[] = breath && planned.paused ? [{ change: "noPause" }] : [];
  return [...changes, ...hands, ...breathes].slice(0, MOST_CHANGES);
}

/**
 * Reads a fitted cell: its figures, what is done differently and why, as codes.
 *
 * @param plannedVariant the planned variant
 * @param planned repetitions planned, or holds and their seconds
 */
export function readCell(cell: FittedCell, plannedVariant: VariantSpec, planned: PlannedAmount): CellReading {
  // A seated body may do everything it can and still do another variant than the group's, and so does one that carries an arm.
  const whole =
    cell.fidelity > FULL && cell.choice?.kind === plannedVariant.kind && cell.choice.carried === undefined && !cell.choice.eased;
  const lacking = cell.choice === null && cell.because.length === 0 && cell.gaveWay === null;
  return {
    form: cell.choice?.kind ?? "rest",
    hold: cell.choice?.hold?.hand ?? null,
    level: cell.level,
    fidelity: cell.fidelity,
    lighterSide: cell.lighterSide,
    whole,
    changes: whole ? [] : changesOf(cell, plannedVariant, planned),
    because: cell.because,
    blockedBy: lacking ? "noVariant" : cell.gaveWay,
    breathing: cell.breathing,
    ...(cell.inMind && { inMind: cell.inMind }),
    rounds: cell.rounds,
    ...(cell.holdSeconds !== null && { holdSeconds: cell.holdSeconds }),
    steadiness: Math.max(0, ...cell.demands.map((demand) => demand.balance.total)),
    choice: cell.choice,
  };
}
