import type { Circumstances } from "@able-tide/core/body/balance-demand";
import { buildOf, type MeasuredBody } from "@able-tide/core/body/build";
import { type Demand, readDemand } from "@able-tide/core/movement/demand";
import type { Movement } from "@able-tide/core/movement/format";
import { sampleTrack, type VariantSamples } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import { SIDES } from "@able-tide/core/side";

/** Who does it. */
export interface VariantBody {
  /** Metres. */
  readonly stature: number;
  /** Kilograms; only drag in water needs it. */
  readonly mass?: number;
  readonly measured: MeasuredBody;
  /** What is done or stood on besides. */
  readonly circumstances?: Circumstances;
}

export interface ChosenVariant {
  /** The right side leading. */
  readonly samples: VariantSamples;
  /** One reading per leading side. */
  readonly demands: readonly Demand[];
}

/**
 * Solves one variant for a picture and its demand: a few milliseconds.
 *
 * @param depth metres of water, for a variant in water or on a chair that stands in it
 * @returns null where the movement or this body has no such variant
 */
export function readChosenVariant(
  movement: Movement,
  choice: VariantSpec,
  { measured, ...body }: VariantBody,
  cycleSeconds: number,
  depth?: number,
): ChosenVariant | null {
  const build = buildOf(measured, body.stature);
  const sides = movement.sided ? SIDES.toReversed() : (["right"] as const);
  const solved = sides.flatMap((lead) => {
    const track = trackOf(movement, choice, lead, build, depth !== undefined);
    return track ? [sampleTrack(track)] : [];
  });
  const [samples] = solved;
  if (!samples) return null;
  return { samples, demands: solved.map((each) => readDemand(each, { ...body, depth }, cycleSeconds)) };
}
