import type { Build } from "../body/build.ts";
import { MIDDLING_STATURE } from "../body/segments.ts";
import type { Extremes } from "../caps/broken.ts";
import { type Demand, readDemand } from "../movement/demand.ts";
import { choiceKey, type FormChoice } from "../movement/form.ts";
import type { Movement } from "../movement/format.ts";
import { extremesAtKeys, type FormSamples, sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { BREATH_SECONDS } from "../plan/style.ts";
import { SIDES, type Side } from "../side.ts";
import { type Shape, sizesOf } from "./candidates.ts";
import { rangeKept, readMeant, readShape } from "./fidelity.ts";

/** Whose form it is: stature in metres and proportions. */
export interface FormDoer {
  readonly stature: number;
  readonly build: Build;
}

/** Solved forms, each solved once whoever asks and at whatever pace. Keys hold the movement's content. */
export interface FormLibrary {
  /** Samples of a form for each side that leads; null where the movement has no such form or no body can do it. */
  samples(movement: Movement, choice: FormChoice, build: Build, leads: readonly Side[]): readonly FormSamples[] | null;
  /** Demands of the same, for one body and seconds of one breath; one reading per leading side, in the order asked. */
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
  /** The sizes of a shape with the range that each keeps of the meant form, most first. */
  rankedSizes(movement: Movement, meant: FormChoice, shape: Shape, build: Build): readonly RankedSize[];
}

/** A size of a shape and the share of the meant range that it keeps, 0 to 1. */
export interface RankedSize {
  readonly choice: FormChoice;
  readonly range: number;
}

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
  const solved = remembered<FormSamples | null>();
  const read = remembered<Demand | null>();
  const atKeys = remembered<Extremes | null>();
  const ranked = remembered<readonly RankedSize[]>();

  function keyOf(movement: Movement, choice: FormChoice, build: Build): string {
    let number = numbers.get(movement);
    if (number === undefined) {
      const content = JSON.stringify(movement);
      number = contentNumbers.get(content) ?? contentNumbers.size;
      contentNumbers.set(content, number);
      numbers.set(movement, number);
    }
    return `${number} ${choiceKey(choice)} ${build.key}`;
  }

  const samplesLed = (movement: Movement, choice: FormChoice, build: Build, lead: Side): FormSamples | null =>
    solved(`${lead} ${keyOf(movement, choice, build)}`, () => {
      const track = trackOf(movement, choice, lead, build);
      const sampled = track && sampleTrack(track);
      return sampled?.problem === null ? sampled : null;
    });

  const demandLed = (movement: Movement, choice: FormChoice, { stature, build }: FormDoer, breathSeconds: number, lead: Side) =>
    read(`${lead} ${stature} ${breathSeconds} ${keyOf(movement, choice, build)}`, () => {
      const samples = samplesLed(movement, choice, build, lead);
      return samples && readDemand(samples, { stature }, breathSeconds * movement.breaths);
    });

  const demands: FormLibrary["demands"] = (movement, choice, doer, breathSeconds, leads) =>
    all(leads.map((lead) => demandLed(movement, choice, doer, breathSeconds, lead)));

  return {
    samples: (movement, choice, build, leads) => all(leads.map((lead) => samplesLed(movement, choice, build, lead))),
    demands,
    extremesAtKeys: (movement, choice, build, leads) =>
      atKeys(`${leads.join()} ${keyOf(movement, choice, build)}`, () => {
        const sides = leads.flatMap((lead) => trackOf(movement, choice, lead, build) ?? []);
        return sides.length > 0 ? extremesAtKeys(sides) : null;
      }),
    rankedSizes: (movement, meantChoice, shape, build) =>
      ranked(`${choiceKey(meantChoice)} ${keyOf(movement, shape, build)}`, () => {
        // Ranges are the same for every stature and pace; any will do to rank by.
        const doer = { stature: MIDDLING_STATURE, build };
        const leads = leadsOf(movement);
        const meant = readMeant(demands(movement, meantChoice, doer, BREATH_SECONDS.usual, leads) ?? []);
        const keeps = readShape(meant, shape, demands(movement, shape, doer, BREATH_SECONDS.usual, leads));
        return sizesOf(shape)
          .map((choice) => ({ choice, range: rangeKept(meant, keeps, choice) }))
          .sort((a, b) => b.range - a.range);
      }),
  };
}
