import type { VariantKind, VariantSpec } from "../movement/variant.ts";
import type { Side } from "../side.ts";

/** Why a variant differs: what limits it, and the reason, which is not for everyone to read. */
export interface Why {
  readonly limit: string;
  readonly reason: string | null;
}

/** A fitted cell as people read it: what its symbol shows and the words next to it. Plain data, fit to be kept or sent. */
export interface CellView {
  readonly form: VariantKind | "rest";
  /** The hand that holds on. */
  readonly hold: Side | "both" | null;
  /** Share of full size, 0 to 1. */
  readonly level: number;
  readonly fidelity: number;
  readonly lighterSide: Side | null;
  /** Whether this is the movement as planned. */
  readonly whole: boolean;
  /** What is done differently, in a few words; empty when whole. */
  readonly brief: string;
  /** What to look after, a sentence or two; absent where there is nothing. */
  readonly care?: string;
  /** Why, one a cap. */
  readonly why: readonly Why[];
  /** Repetitions done of those planned. */
  readonly rounds: number;
  /** Seconds of each hold, 0 without holding; absent where the item is repeated. */
  readonly holdSeconds?: number;
  /** Greatest balance demand, 0 to 10. */
  readonly steadiness: number;
  readonly choice: VariantSpec | null;
  /** At rest: whether they sit and breathe along. */
  readonly breathing: boolean;
  /** At rest: whether they do it in the mind, and whether they stand or sit at ease. */
  readonly inMind?: "standing" | "seated";
}
