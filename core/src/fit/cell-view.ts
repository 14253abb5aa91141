import { USUAL_BUILD } from "../body/build.ts";
import { holdInWords } from "../body/supports.ts";
import type { Cap } from "../caps/cap.ts";
import { capInWords, limitInBrief } from "../caps/words.ts";
import type { FormChoice, FormKind } from "../movement/form.ts";
import { otherSide, type Side } from "../side.ts";
import { type FittedCell, meantForm } from "./cell.ts";
import type { FormLibrary } from "./form-library.ts";
import type { FitPlan, FittedRow } from "./session.ts";

/** A fitted cell as people read it: what the vessel shows and the words beside it. Plain data, fit to be kept or sent. */
export interface CellView {
  readonly form: FormKind | "rest";
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
  /** Why, one sentence a cap. */
  readonly why: readonly string[];
  /** Greatest steadiness demand, 0 to 10. */
  readonly steadiness: number;
  readonly choice: FormChoice | null;
}

const FULL = 1 - 1e-9;
const NO_FORM = "There is no form of this for this body";

/** The hand that neither moves nor holds on. */
const restingHand = ({ arms }: FormChoice): Side | null => (arms === "both" ? null : otherSide(arms));

function changesInWords(choice: FormChoice, meant: FormChoice, level: number): string[] {
  const words: string[] = [];
  if (choice.kind === "seated" && meant.kind !== "seated") words.push("seated");
  if (choice.hold) words.push(holdInWords(choice.hold));
  const resting = restingHand(choice);
  if (resting) words.push(`rest the ${resting} hand`);
  if (choice.toeDown) words.push("toe stays down");
  if (choice.depth === "high" && choice.kind !== "seated") words.push("stand high, short step");
  if (choice.weightBack) words.push("weight over the heels");
  if (level < FULL && resting === null) words.push("smaller");
  return words;
}

/** The cap's own words say most; the form says the rest. */
function briefOf(cell: FittedCell, meant: FormChoice): string {
  if (cell.choice === null) return "rest and rejoin";
  // A hand that rests or holds on is spoken of already.
  const spoken: readonly (string | null)[] = [restingHand(cell.choice), cell.choice.hold?.hand ?? null];
  const hands = cell.because.flatMap(({ limit }) =>
    limit.channel === "handHeight" && !spoken.includes(limit.side) ? [limitInBrief(limit)] : [],
  );
  const changes = changesInWords(cell.choice, meant, cell.level).filter((word) => word !== "smaller" || hands.length === 0);
  return [...new Set([...changes, ...hands])].slice(0, 3).join(", ");
}

export function viewCell(cell: FittedCell, meant: FormChoice): CellView {
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
    brief: whole ? "" : briefOf(cell, meant),
    why: cell.choice === null && cell.because.length === 0 ? [NO_FORM] : cell.because.map((cap: Cap) => capInWords(cap)),
    steadiness,
    choice: cell.choice,
  };
}

/** A whole row, block by block. */
export const viewRow = (plan: FitPlan, row: FittedRow): CellView[] =>
  row.cells.map((cell, i) => viewCell(cell, meantForm((plan.blocks[i] as FitPlan["blocks"][number]).movement, plan.seatedOnly)));

/** Steadiness demand of each block as it is meant, for a person of the given stature in metres. */
export function meantSteadiness(plan: FitPlan, stature: number, library: FormLibrary): number[] {
  const doer = { stature, build: USUAL_BUILD };
  return plan.blocks.map(({ movement }) => {
    const demands = library.demands(movement, meantForm(movement, plan.seatedOnly), doer, plan.breathSeconds);
    return Math.max(0, ...(demands ?? []).map((demand) => demand.steadiness.total));
  });
}
