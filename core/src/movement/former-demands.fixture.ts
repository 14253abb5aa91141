import { column, MIDLINE_RANGES, SIDED_RANGES, sidedColumn } from "../body/channels.ts";
import { ON_ARMRESTS, onRail } from "../body/supports.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { type Demand, readDemand } from "./demand.ts";
import { type Movement, rises } from "./format.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantKind } from "./variant.ts";

const STATURE = 1.65;
const MASS = 70;
const BREATH_SECONDS = 8;
/** Metres: water at the lower breastbone. */
const DEPTH = 0.6 * STATURE;

/** Columns of every range of the body, by name. */
const RANGES: readonly (readonly [name: string, column: number])[] = [
  ...MIDLINE_RANGES.map(({ name }) => [name, column(name)] as const),
  ...SIDED_RANGES.flatMap(({ name }) => SIDES.map((side) => [`${name} ${side}`, sidedColumn(name, side)] as const)),
];

const byName = (values: Float64Array): Record<string, number> =>
  Object.fromEntries(RANGES.map(([name, at]) => [name, numberAt(values, at)]));

/** A demand as it is stored: ranges by their names, so that new columns change nothing, and everything else as it is. */
const stored = ({ highest, lowest, mean, ...rest }: Demand): unknown =>
  JSON.parse(JSON.stringify({ ...rest, highest: byName(highest), lowest: byName(lowest), mean: byName(mean) }));

/** What is read from the whole movement in each variant that it has, the right side leading, as JSON. */
export function storedDemands(movement: Movement): Partial<Record<VariantKind, unknown>> {
  return Object.fromEntries(
    VARIANT_KINDS.flatMap((kind) => {
      const hold = kind === "supported" ? (rises(movement) ? ON_ARMRESTS : onRail("right")) : null;
      const track = trackOf(movement, { ...FULL_STANDING_VARIANT, kind, hold }, "right");
      if (!track) return [];
      const person = { stature: STATURE, mass: MASS, ...(kind === "water" && { depth: DEPTH }) };
      return [[kind, stored(readDemand(sampleTrack(track), person, BREATH_SECONDS * movement.breaths))]];
    }),
  );
}
