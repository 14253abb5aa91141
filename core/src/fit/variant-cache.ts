import type { Build } from "../body/build.ts";
import { ROW_WIDTH } from "../body/channels.ts";
import { REFERENCE_STATURE } from "../body/segments.ts";
import type { Extremes } from "../caps/cap-violations.ts";
import { createMemo, type Memo } from "../memo.ts";
import { type Demand, readDemand } from "../movement/demand.ts";
import type { DemandSamples } from "../movement/demand-samples.ts";
import { type Movement, rises } from "../movement/format.ts";
import { mirrorDemand, mirrorExtremes, mirrorStaticDemand } from "../movement/mirror-demand.ts";
import { extremesAtKeys, sampleTrack, type VariantSamples } from "../movement/samples.ts";
import { readStaticDemand, type StaticDemand } from "../movement/static-demand.ts";
import { movedBy, trackOf } from "../movement/track.ts";
import {
  armMoves,
  mirrorVariant,
  type Sizes,
  uneased,
  VARIANT_CODES,
  type VariantSpec,
  variantCode,
} from "../movement/variant.ts";
import { BREATH_SECONDS } from "../plan/style.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { plainShape, type Shape, sizesOf } from "./candidates.ts";
import {
  type PlannedRanges,
  type PlannedVariant,
  type RangeFidelity,
  rangeFidelity,
  readPlanned,
  readPlannedRanges,
  readShape,
} from "./fidelity.ts";
import { inWater, isWet, MAX_SAMPLES, type Performer, USUAL_DEPTH } from "./performer.ts";

/** Solved variants, each solved once whatever asks for it and at any pace. Keys hold the movement's content. */
export interface VariantCache {
  /** A number for a movement, the same for the same content. */
  numberOf(movement: Movement): number;
  /**
   * Demands of a variant for one body and seconds of one breath, one reading per leading side in the order asked; null
   * where the movement has no such variant or this body cannot do it.
   */
  demands(
    movement: Movement,
    choice: VariantSpec,
    doer: Performer,
    breathSeconds: number,
    leadingSides: readonly Side[],
  ): readonly Demand[] | null;
  /**
   * Highest and lowest value of every range and reading over the standing key poses of a variant, one per leading side.
   * Never beyond the demand's own, and far quicker to have: enough to turn a variant down. Null where there is no such
   * variant.
   */
  extremesAtKeys(
    movement: Movement,
    choice: VariantSpec,
    doer: Performer,
    leadingSides: readonly Side[],
  ): readonly Extremes[] | null;
  /**
   * Static demand of a shape at any size, all given sides leading; null where there is no such variant. Nothing is
   * solved for it.
   */
  quiet(
    movement: Movement,
    shape: Shape,
    doer: Performer,
    breathSeconds: number,
    leadingSides: readonly Side[],
  ): readonly StaticDemand[] | null;
  /** What there is to keep of the planned variant; null where this body cannot do it. */
  plannedVariant(
    movement: Movement,
    choice: VariantSpec,
    doer: Performer,
    breathSeconds: number,
    leadingSides: readonly Side[],
  ): { readonly demands: readonly Demand[]; readonly planned: PlannedVariant } | null;
  /** What a shape keeps of the planned ranges and depth, for any participant at any pace. */
  rankedSizes(movement: Movement, plannedVariant: VariantSpec, shape: Shape, doer: Performer): RankedShape;
}

/** The sizes of a shape, most first by the weights of the movement's purpose, and the depth it keeps, 0 to 1. */
export interface RankedShape {
  readonly sizes: readonly RankedSize[];
  readonly depth: number;
}

/** A size of a shape and what it keeps of the planned ranges. */
export interface RankedSize extends RangeFidelity {
  readonly sizes: Sizes;
}

/** Sides that lead in turn where nothing else is said: an unsided movement is authored whole and done once. */
export const leadingSides = (movement: Movement): readonly Side[] => (movement.sided ? SIDES : ["right"]);

/** All of them, or null where one is missing or there are none. */
const all = <Value>(values: readonly (Value | null)[]): readonly Value[] | null =>
  values.length > 0 && values.every((value) => value !== null) ? (values as readonly Value[]) : null;

/** A movement's content. */
interface Content {
  readonly number: number;
  /** A number for each body that does it, by the key of its build; no other movement's have the same. */
  readonly bodies: Map<string, number>;
}

/**
 * How much a library keeps. A solved variant takes some 29 kB and a demand 2 kB, so that all of it stays under 200 MB;
 * a group of sixteen needs some three thousand variants.
 */
export interface CacheBounds {
  readonly forms: number;
  /** Demands of one stature at one pace, and how many such are kept. */
  readonly demands: number;
  readonly doers: number;
}

const USUAL_BOUNDS: CacheBounds = { forms: 4000, demands: 2000, doers: 24 };

/** Small numbers that everything else is found by. */
const MOST_CONTENTS = 2000;
const MOST_SHAPES = 20_000;

/** Numbers of movements, and of variants of movements by the bodies that do them: the keys of the cache. */
function createCodes() {
  const contents = createMemo<string, Content>(MOST_CONTENTS);
  const contentOf = new WeakMap<Movement, Content>();
  let contentCount = 0;
  let bodyCount = 0;

  /** What is known of a movement by its content: its number, and one for each body that does it. */
  function known(movement: Movement): Content {
    const before = contentOf.get(movement);
    if (before !== undefined) return before;
    const content = contents(JSON.stringify(movement), () => ({ number: contentCount++, bodies: new Map() }));
    contentOf.set(movement, content);
    return content;
  }

  /** A number for one variant of one movement by one body, the same for no other. */
  function codeOf(movement: Movement, choice: VariantSpec, doer: Performer, lead: Side): number {
    const { build } = doer;
    const { bodies } = known(movement);
    let body = bodies.get(build.key);
    if (body === undefined) {
      body = bodyCount++;
      bodies.set(build.key, body);
    }
    return (4 * body + 2 * sideIndex(lead) + (isWet(choice, doer) ? 1 : 0)) * VARIANT_CODES + variantCode(choice);
  }

  return { known, codeOf };
}

/**
 * Ranks the sizes of a shape by what they keep of the planned ranges, most first.
 *
 * @param whole demands of the shape at its full size; null where no body does it
 */
function rankSizes(
  movement: Movement,
  planned: PlannedVariant,
  shape: Shape,
  doer: Performer,
  whole: readonly Demand[] | null,
): RankedShape {
  const keeps = readShape(planned, shape, whole);
  const worth = ({ range, sides }: RangeFidelity): number => planned.weights.range * range + planned.weights.sides * sides;
  const plain = plainShape(movement, shape);
  const track = trackOf(movement, plain, "right", doer.build, isWet(plain, doer));
  // Rising from a chair is done whole or not at all.
  const isWhole = rises(movement) && shape.kind !== "seated";
  const sizes = (isWhole ? [shape.sizes] : sizesOf(shape, track ? movedBy(track) : { trunk: true, legs: true }))
    .map((each) => ({ sizes: each, ...rangeFidelity(planned, keeps, { ...shape, sizes: each }) }))
    // To stand still and do nothing else is no variant.
    .filter(({ range, sizes: { legs } }) => legs > 0 || range > 0);
  return { sizes: sizes.sort((a, b) => worth(b) - worth(a)), depth: keeps.depth };
}

/**
 * Makes a cache of solved variants and their demands: solving is slow, and fits, plans and pictures ask for the same
 * ones.
 *
 * Long because its parts share the memos: a demand is read from samples, both from codes, and each from its mirror
 * image.
 *
 * @param bounds how much it keeps; the least recently used goes first, and gives the same when it is solved again
 */
export function createVariantCache(bounds: CacheBounds = USUAL_BOUNDS): VariantCache {
  const { known, codeOf } = createCodes();
  const solved = createMemo<number, DemandSamples | null>(bounds.forms);
  const scratch = new Float64Array(MAX_SAMPLES * ROW_WIDTH);
  const readFor = createMemo<string, Memo<number, Demand | null>>(bounds.doers);
  const quietFor = createMemo<number, Memo<number, StaticDemand | null>>(bounds.doers);
  const atKeys = createMemo<number, Extremes | null>(MOST_SHAPES);
  const ranging = createMemo<string, PlannedRanges>(MOST_SHAPES);
  const ranked = createMemo<string, RankedShape>(MOST_SHAPES);

  /** Samples of a variant; the poses themselves are only kept for water, and take by far the most room. */
  const samplesLed = (
    movement: Movement,
    choice: VariantSpec,
    doer: Performer,
    lead: Side,
  ): DemandSamples | VariantSamples | null =>
    solved(codeOf(movement, uneased(choice), doer, lead), () => {
      const wet = isWet(choice, doer);
      const track = trackOf(movement, choice, lead, doer.build, wet);
      if (track === null) return null;
      const sampled = sampleTrack(track, wet ? undefined : scratch);
      if (sampled.problem !== null) return null;
      const { rows: _, segments: __, ...kept } = sampled;
      return wet ? sampled : kept;
    });

  /** Whether a body does a movement that the left leads as the mirror image of one that the right leads. */
  const isMirrored = (movement: Movement, build: Build, lead: Side): boolean => lead === "left" && movement.sided && build.even;

  function demandLed(movement: Movement, choice: VariantSpec, doer: Performer, breathSeconds: number, lead: Side): Demand | null {
    const { stature, build } = doer;
    const depth = isWet(choice, doer) ? (doer.depth ?? USUAL_DEPTH * stature) : undefined;
    const wet = depth === undefined ? {} : inWater(doer, depth);
    const circumstances = choice.eased ? undefined : doer.circumstances;
    const met = { stature, ...wet, ...(circumstances && { circumstances }) };
    const read = readFor(`${breathSeconds} ${JSON.stringify(met)}`, () => createMemo<number, Demand | null>(bounds.demands));
    return read(codeOf(movement, choice, doer, lead), () => {
      if (isMirrored(movement, build, lead)) {
        const image = demandLed(movement, mirrorVariant(choice), doer, breathSeconds, "right");
        return image && mirrorDemand(image);
      }
      const samples = samplesLed(movement, choice, doer, lead);
      return samples && readDemand(samples, met, breathSeconds * movement.breaths);
    });
  }

  const keysLed = (movement: Movement, choice: VariantSpec, doer: Performer, lead: Side): Extremes | null =>
    atKeys(codeOf(movement, uneased(choice), doer, lead), () => {
      if (isMirrored(movement, doer.build, lead)) {
        const image = keysLed(movement, mirrorVariant(choice), doer, "right");
        return image && mirrorExtremes(image);
      }
      const track = trackOf(movement, choice, lead, doer.build, isWet(choice, doer));
      return track && extremesAtKeys(track);
    });

  const quietLed = (movement: Movement, shape: Shape, doer: Performer, breathSeconds: number, lead: Side): StaticDemand | null =>
    quietFor(breathSeconds, () => createMemo<number, StaticDemand | null>(MOST_SHAPES))(
      codeOf(movement, shape, doer, lead),
      () => {
        if (isMirrored(movement, doer.build, lead)) {
          const image = quietLed(movement, mirrorVariant(shape), doer, breathSeconds, "right");
          return image && mirrorStaticDemand(image);
        }
        const track = trackOf(movement, shape, lead, doer.build, isWet(shape, doer));
        return track && readStaticDemand(track, breathSeconds * movement.breaths);
      },
    );

  const demands: VariantCache["demands"] = (movement, choice, doer, breathSeconds, leadingSides) =>
    all(leadingSides.map((lead) => demandLed(movement, choice, doer, breathSeconds, lead)));

  const plannedVariant: VariantCache["plannedVariant"] = (movement, choice, doer, breathSeconds, leadingSides) => {
    const own = demands(movement, choice, doer, breathSeconds, leadingSides);
    if (own === null) return null;
    const ranges = ranging(`${leadingSides} ${codeOf(movement, choice, doer, "right")}`, () =>
      readPlannedRanges(choice, demands(movement, plainShape(movement, choice), doer, breathSeconds, leadingSides) ?? own),
    );
    return { demands: own, planned: readPlanned(movement, ranges, own) };
  };

  return {
    numberOf: (movement) => known(movement).number,
    demands,
    plannedVariant,
    extremesAtKeys: (movement, choice, doer, leadingSides) =>
      all(leadingSides.map((lead) => keysLed(movement, choice, doer, lead))),
    quiet: (movement, shape, doer, breathSeconds, leadingSides) => {
      // Arms and where the weight is kept say nothing of the bases.
      const plain: Shape = { ...uneased(shape), arms: "both", weightBack: false };
      return all(leadingSides.map((lead) => quietLed(movement, plain, doer, breathSeconds, lead)));
    },
    rankedSizes: (movement, spec, shape, { build, depth }) => {
      // Ranges are the same for every stature, depth and pace; any will do to rank by.
      const doer: Performer = { stature: REFERENCE_STATURE, build, depth: depth ?? null };
      const plain = plainShape(movement, uneased(shape));
      const moves = SIDES.map((side) => armMoves(shape, side));
      return ranked(`${variantCode(spec)} ${moves} ${codeOf(movement, plain, doer, "right")}`, () => {
        const sides = leadingSides(movement);
        const planned = plannedVariant(movement, spec, doer, BREATH_SECONDS.usual, sides)?.planned;
        return planned === undefined
          ? { sizes: [], depth: 0 }
          : rankSizes(movement, planned, shape, doer, demands(movement, plain, doer, BREATH_SECONDS.usual, sides));
      });
    },
  };
}
