import { formatHandSupport } from "../body/supports.ts";
import type { Cap } from "../caps/cap.ts";
import { formatCapLimit, formatCapLimitBriefly, formatReason } from "../caps/format-cap.ts";
import type { VariantKind, VariantSpec } from "../movement/variant.ts";
import { otherSide, type Side } from "../side.ts";
import type { BlockedBy, FittedCell } from "./cell.ts";
import { type FitBlock, type FitPlan, mostRounds } from "./fit-plan.ts";
import type { FittedRow } from "./fitted-row.ts";

/** Why a form differs: what limits it, and the reason, which is not for everyone to read. */
export interface Why {
  readonly limit: string;
  readonly reason: string | null;
}

/** One why as a sentence. */
export const formatWhy = ({ limit, reason }: Why): string => (reason === null ? limit : `${limit} (${reason})`);

/** A fitted cell as people read it: what the vessel shows and the words beside it. Plain data, fit to be kept or sent. */
export interface CellView {
  readonly form: VariantKind | "rest";
  /** The hand that holds on. */
  readonly hold: Side | "both" | null;
  /** Share of full size, 0 to 1. */
  readonly level: number;
  readonly fidelity: number;
  readonly lighterSide: Side | null;
  /** Whether this is the movement as meant. */
  readonly whole: boolean;
  /** What is done differently, in a few words; empty when whole. */
  readonly brief: string;
  /** Why, one a cap. */
  readonly why: readonly Why[];
  /** Rounds done of those planned. */
  readonly rounds: number;
  /** Greatest steadiness demand, 0 to 10. */
  readonly steadiness: number;
  readonly choice: VariantSpec | null;
  /** At rest: whether they sit and breathe along. */
  readonly breathing: boolean;
}

/** What beside caps keeps someone from their best form, in words. */
const GAVE_WAY_WORDS: Readonly<Record<BlockedBy, string>> = {
  rail: "No rail space left for this movement",
  helpers: "No helper free for this movement",
  chairs: "No chair free for this movement",
  held: "You pinned this variant",
  changes: "To avoid extra sitting and standing",
};

const FULL = 1 - 1e-9;
const NO_FORM = "No variant of this movement suits this participant's body";

/** The hand that neither moves nor holds on. */
const restingHand = ({ arms }: VariantSpec): Side | null => (arms === "both" ? null : otherSide(arms));

function changesInWords(
  { choice, level, rounds, pace }: FittedCell & { choice: VariantSpec },
  meant: VariantSpec,
  planned: number,
): string[] {
  const words: string[] = [];
  if (pace > 1) words.push(pace === 2 ? "half the pace" : "a third of the pace");
  else if (rounds < planned) words.push(`${rounds} of ${planned} repetitions`);
  if (choice.kind === "seated" && meant.kind !== "seated") words.push(meant.kind === "water" ? "in the pool chair" : "seated");
  if (choice.hold) words.push(formatHandSupport(choice.hold));
  const resting = restingHand(choice);
  if (resting) words.push(`rest the ${resting} hand`);
  if (choice.sizes.legs === 0) words.push("legs stay still");
  if (choice.toeDown) words.push("keep the toes down");
  if (choice.depth !== meant.depth && choice.kind !== "seated" && choice.sizes.legs > 0)
    words.push(choice.depth === "high" ? "stand taller, short step" : "stand higher, shorter step");
  if (choice.weightBack) words.push("weight back on the heels");
  if (level < FULL && resting === null && choice.sizes.legs > 0) words.push("smaller range");
  return words;
}

/** The cap's own words say most; the form says the rest. */
function briefOf(cell: FittedCell, meant: VariantSpec, planned: number): string {
  const { choice } = cell;
  if (choice === null) return cell.breathing ? "sit and breathe along" : "rest, then rejoin";
  // A hand that rests or holds on is spoken of already.
  const spoken: readonly (string | null)[] = [restingHand(choice), choice.hold?.hand ?? null];
  const hands = cell.because.flatMap(({ limit }) =>
    limit.channel === "handHeight" && !spoken.includes(limit.side) ? [formatCapLimitBriefly(limit)] : [],
  );
  const changes = changesInWords({ ...cell, choice }, meant, planned).filter(
    (word) => word !== "smaller range" || hands.length === 0,
  );
  return [...new Set([...changes, ...hands])].slice(0, 3).join(", ");
}

/** Caps as reasons, one each. */
export const whyOfCaps = (caps: readonly Cap[]): Why[] =>
  caps.map((cap) => ({ limit: formatCapLimit(cap.limit), reason: formatReason(cap) }));

/** Why a form differs, one a cap, and what else stands in the way. */
function whyOf({ choice, because, gaveWay }: FittedCell): Why[] {
  const why = whyOfCaps(because);
  if (gaveWay !== null) why.push({ limit: GAVE_WAY_WORDS[gaveWay], reason: null });
  return choice === null && why.length === 0 ? [{ limit: NO_FORM, reason: null }] : why;
}

/** @param planned rounds planned */
export function viewCell(cell: FittedCell, meant: VariantSpec, planned: number): CellView {
  const steadiness = Math.max(0, ...cell.demands.map((demand) => demand.steadiness.total));
  // All that a body that sits can do is whole for it, and still another form than the room's.
  const whole = cell.fidelity > FULL && cell.choice?.kind === meant.kind;
  return {
    form: cell.choice?.kind ?? "rest",
    hold: cell.choice?.hold?.hand ?? null,
    level: cell.level,
    fidelity: cell.fidelity,
    lighterSide: cell.lighterSide,
    whole,
    brief: whole ? "" : briefOf(cell, meant, planned),
    why: whyOf(cell),
    breathing: cell.breathing,
    rounds: cell.rounds,
    steadiness,
    choice: cell.choice,
  };
}

/** A whole row, block by block. */
export const viewRow = (plan: FitPlan, row: FittedRow): CellView[] =>
  row.cells.map((cell, i) => {
    const block = plan.blocks[i] as FitBlock;
    return viewCell(cell, block.meant, mostRounds(block));
  });
