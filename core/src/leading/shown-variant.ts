import { versionOfVariant } from "../fit/version.ts";
import type { Movement } from "../movement/format.ts";
import { trackOf } from "../movement/track.ts";
import { evenSizes, FULL_SIZE, type VariantSpec } from "../movement/variant.ts";

/** The variants that differ in nothing but what is everyone's own. */
const alike = ({ hold, arms }: VariantSpec): string => JSON.stringify([hold, arms]);

/**
 * The variant in which a figure shows a version: whole, with the support and the arm of most who do it.
 *
 * @param movement that is taught
 * @param planned the planned variant
 * @param choices the variants of those who do the version; at least one
 * @param inWater whether the session is in a pool
 * @returns the planned variant where that is the version, or where no reference body does another one
 */
export function shownVariant(
  movement: Movement,
  planned: VariantSpec,
  choices: readonly VariantSpec[],
  inWater: boolean,
): VariantSpec {
  const { depth } = planned;
  const of = (choice: VariantSpec) => versionOfVariant(choice, { depth, inWater });
  const counts = new Map<string, number>();
  for (const choice of choices) counts.set(alike(choice), (counts.get(alike(choice)) ?? 0) + 1);
  const most = choices.reduce<VariantSpec | null>(
    (best, choice) => (best === null || (counts.get(alike(choice)) ?? 0) > (counts.get(alike(best)) ?? 0) ? choice : best),
    null,
  );
  if (most === null || of(most) === of(planned)) return planned;
  const { kind, hold, arms } = most;
  const sizes = { ...evenSizes(FULL_SIZE), legs: most.sizes.legs === 0 ? 0 : FULL_SIZE };
  const whole: VariantSpec = { kind, hold, depth: most.depth, toeDown: false, arms, sizes, weightBack: false };
  return trackOf(movement, whole, "right") === null ? planned : whole;
}
