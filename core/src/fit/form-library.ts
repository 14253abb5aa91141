import type { Build } from "../body/build.ts";
import { ROW_WIDTH } from "../body/channels.ts";
import { MIDDLING_STATURE } from "../body/segments.ts";
import type { Extremes } from "../caps/broken.ts";
import { type Demand, type DemandSamples, type QuietDemand, readDemand, readQuietDemand } from "../movement/demand.ts";
import { choiceKey, type FormChoice } from "../movement/form.ts";
import type { Movement } from "../movement/format.ts";
import { extremesAtKeys, type FormSamples, sampleTrack } from "../movement/samples.ts";
import { INTERVALS } from "../movement/solved-samples.ts";
import { trackOf } from "../movement/track.ts";
import { BREATH_SECONDS } from "../plan/style.ts";
import { SIDES, type Side } from "../side.ts";
import { type Shape, sizesOf } from "./candidates.ts";
import { type RangeKept, rangeKept, readMeant, readShape } from "./fidelity.ts";

/** Whose form it is: stature in metres and proportions. */
export interface FormDoer {
  readonly stature: number;
  readonly build: Build;
  /** Metres of water where they stand; none on land. */
  readonly depth?: number | null;
}

/** Solved forms, each solved once whoever asks and at whatever pace. Keys hold the movement's content. */
export interface FormLibrary {
  /** A number for a movement, the same for the same content. */
  numberOf(movement: Movement): number;
  /**
   * Demands of a form for one body and seconds of one breath, one reading per leading side in the order asked; null where
   * the movement has no such form or this body cannot do it.
   */
  demands(
    movement: Movement,
    choice: FormChoice,
    doer: FormDoer,
    breathSeconds: number,
    leads: readonly Side[],
  ): readonly Demand[] | null;
  /**
   * Highest and lowest value of every column over the standing key poses of a form, all given sides leading. Never beyond
   * the demand's own, and far quicker to have: enough to turn a form down. Null where there is no such form.
   */
  extremesAtKeys(movement: Movement, choice: FormChoice, build: Build, leads: readonly Side[]): Extremes | null;
  /** What a shape asks at any size, all given sides leading; null where there is no such form. Nothing is solved for it. */
  quiet(
    movement: Movement,
    shape: Shape,
    build: Build,
    breathSeconds: number,
    leads: readonly Side[],
  ): readonly QuietDemand[] | null;
  /** What a shape keeps of the meant ranges and depth, whoever does it and at whatever pace. */
  rankedSizes(movement: Movement, meant: FormChoice, shape: Shape, build: Build, depth: number | null): RankedShape;
}

/** The sizes of a shape, most first by the weights of the movement's purpose, and the depth it keeps, 0 to 1. */
export interface RankedShape {
  readonly sizes: readonly RankedSize[];
  readonly depth: number;
}

/** A size of a shape and what it keeps of the meant ranges. */
export interface RankedSize extends RangeKept {
  readonly choice: FormChoice;
}

/** Samples of a movement with as many key poses as a file may have. */
const MOST_SAMPLES = 24 * (INTERVALS + 1);

/** Where nobody has said how deep it is: water to the lower breastbone, share of stature. */
export const USUAL_DEPTH = 0.7;

/** Sides that lead in turn where nothing else is said: an unsided movement is authored whole and done once. */
export const leadsOf = (movement: Movement): readonly Side[] => (movement.sided ? SIDES : ["right"]);

/** All of them, or null where one is missing or there are none. */
const all = <Value>(values: readonly (Value | null)[]): readonly Value[] | null =>
  values.length > 0 && values.every((value) => value !== null) ? (values as readonly Value[]) : null;

/** Computes a value once per key. */
function remembered<Value>(): (key: string, compute: () => Value) => Value {
  const known = new Map<string, Value>();
  return (key, compute) => {
    if (!known.has(key)) known.set(key, compute());
    return known.get(key) as Value;
  };
}

export function createFormLibrary(): FormLibrary {
  const contentNumbers = new Map<string, number>();
  const numbers = new WeakMap<Movement, number>();
  const solved = remembered<DemandSamples | null>();
  const scratch = new Float64Array(MOST_SAMPLES * ROW_WIDTH);
  const read = remembered<Demand | null>();
  const atKeys = remembered<Extremes | null>();
  const ranked = remembered<RankedShape>();
  const inQuiet = remembered<QuietDemand | null>();

  function numberOf(movement: Movement): number {
    const known = numbers.get(movement);
    if (known !== undefined) return known;
    const content = JSON.stringify(movement);
    const number = contentNumbers.get(content) ?? contentNumbers.size;
    contentNumbers.set(content, number);
    numbers.set(movement, number);
    return number;
  }

  const keyOf = (movement: Movement, choice: FormChoice, build: Build): string =>
    `${numberOf(movement)} ${choiceKey(choice)} ${build.key}`;

  /** Samples of a form; the poses themselves are only kept for water, and take by far the most room. */
  const samplesLed = (movement: Movement, choice: FormChoice, build: Build, lead: Side): DemandSamples | FormSamples | null =>
    solved(`${lead} ${keyOf(movement, choice, build)}`, () => {
      const track = trackOf(movement, choice, lead, build);
      if (track === null) return null;
      const inWater = choice.kind === "water";
      const sampled = sampleTrack(track, inWater ? undefined : scratch);
      if (sampled.problem !== null) return null;
      const { rows: _, segments: __, ...kept } = sampled;
      return inWater ? sampled : kept;
    });

  function demandLed(movement: Movement, choice: FormChoice, doer: FormDoer, breathSeconds: number, lead: Side) {
    const { stature, build } = doer;
    const depth = choice.kind === "water" ? (doer.depth ?? USUAL_DEPTH * stature) : undefined;
    return read(`${lead} ${stature} ${depth} ${breathSeconds} ${keyOf(movement, choice, build)}`, () => {
      const samples = samplesLed(movement, choice, build, lead);
      return samples && readDemand(samples, { stature, depth }, breathSeconds * movement.breaths);
    });
  }

  const demands: FormLibrary["demands"] = (movement, choice, doer, breathSeconds, leads) =>
    all(leads.map((lead) => demandLed(movement, choice, doer, breathSeconds, lead)));

  return {
    numberOf,
    demands,
    extremesAtKeys: (movement, choice, build, leads) =>
      atKeys(`${leads.join()} ${keyOf(movement, choice, build)}`, () => {
        const sides = leads.flatMap((lead) => trackOf(movement, choice, lead, build) ?? []);
        return sides.length > 0 ? extremesAtKeys(sides) : null;
      }),
    quiet: (movement, shape, build, breathSeconds, leads) =>
      all(
        leads.map((lead) =>
          inQuiet(`${lead} ${breathSeconds} ${keyOf(movement, shape, build)}`, () => {
            const track = trackOf(movement, shape, lead, build);
            return track && readQuietDemand(track, breathSeconds * movement.breaths);
          }),
        ),
      ),
    rankedSizes: (movement, meantChoice, shape, build, depth) =>
      ranked(`${choiceKey(meantChoice)} ${keyOf(movement, shape, build)}`, () => {
        // Ranges are the same for every stature, depth and pace; any will do to rank by.
        const doer = { stature: MIDDLING_STATURE, build, depth };
        const leads = leadsOf(movement);
        const meant = readMeant(movement, demands(movement, meantChoice, doer, BREATH_SECONDS.usual, leads) ?? []);
        const keeps = readShape(meant, shape, demands(movement, shape, doer, BREATH_SECONDS.usual, leads));
        const worth = ({ range, sides }: RangeKept): number => meant.weights.range * range + meant.weights.sides * sides;
        const sizes = sizesOf(shape).map((choice) => ({ choice, ...rangeKept(meant, keeps, choice) }));
        return { sizes: sizes.sort((a, b) => worth(b) - worth(a)), depth: keeps.depth };
      }),
  };
}
