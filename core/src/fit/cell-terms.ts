import { canStand } from "../body/build.ts";
import { appliesTo, CAP_TOLERANCE, type Cap } from "../caps/cap.ts";
import {
  type Extremes,
  isReadInWater,
  poseViolatesCap,
  repetitionsAllowed,
  repetitionsAllowedInAllVariants,
  repetitionsWithinHold,
  sizeViolatesCap,
  violatesCap,
} from "../caps/cap-violations.ts";
import { itemAt } from "../checked-access.ts";
import type { Demand } from "../movement/demand.ts";
import type { VariantSpec } from "../movement/variant.ts";
import type { Side } from "../side.ts";
import { type CellInput, PACES, type Pace, plannedVariantsFor } from "./cell-input.ts";
import { BREATHING_FIDELITY, type PlannedVariant } from "./fidelity.ts";
import { capsOnArm, isOnBody } from "./part-caps.ts";
import type { VariantCache } from "./variant-cache.ts";
import { type VersionCode, versionOfVariant } from "./version.ts";
import { workedCap } from "./working-range.ts";

/** A shorter hold as part of the group's: its terms, and the share of its seconds. */
export interface PartOfHold {
  readonly terms: CellTerms;
  readonly share: number;
}

/** A cap on the share of the repetitions leaves as many of a shorter hold as come to that share of the group's seconds. */
const ofShorterHold = (cap: Cap, share: number): Cap =>
  cap.limit.channel === "roundsShare" && share < 1
    ? { ...cap, limit: { ...cap.limit, limit: Math.min(100, cap.limit.limit / share) } }
    : cap;

/** Whether the group's breath is too long for someone, or waits longer than theirs may: they then breathe as it comes. */
export function breaksTheBreath({ limit }: Cap, { breathSeconds, pauseSeconds = 0 }: CellInput): boolean {
  if (limit.channel === "longestBreath") return limit.limit < breathSeconds + pauseSeconds - CAP_TOLERANCE.share;
  return limit.channel === "breathPause" && limit.limit < pauseSeconds;
}

/**
 * One cell's input read once: caps as variants are worked up to them, the planned variant with its demands, and the
 * caps that this variant breaks. Candidates are checked and searched by these terms.
 */
export class CellTerms {
  readonly input: CellInput;
  readonly variants: VariantCache;
  /** The planned variant for this body, and its demands; null where this body has no such variant. */
  readonly full: VariantSpec;
  readonly meantDemands: readonly Demand[] | null;
  readonly planned: PlannedVariant | null;
  /** Caps as variants are worked up to them, in the order of the question's. */
  readonly worked: readonly Cap[];
  readonly leadingSides: readonly Side[];
  readonly repetitions: number;
  /** Share of the repetitions that caps leave for any variant. */
  private readonly mostOfRounds: number;
  private readonly inTime: boolean;
  /** A slower pace is only tried where a cap on drag could need it: the match is lower at a slower pace. */
  readonly paces: readonly Pace[];
  /** Caps on trunk and legs, and on either arm: what breaks them depends on these parts, or nearly. */
  readonly bodyCaps: readonly Cap[];
  readonly armCaps: readonly [readonly Cap[], readonly Cap[]];
  /** Caps on the repetitions of variants that move a part of the body. */
  readonly partRounds: readonly Cap[];
  /** Caps on how long an arm is held out that the planned variant goes beyond. */
  readonly holdCaps: readonly Cap[];
  /** Whether the balance demand of the planned variant is over a cap. */
  readonly steadinessPresses: boolean;
  /** Caps that the key poses of the planned variant break. */
  readonly poseCaps: readonly Cap[];

  /** The planned variant of the group's hold, where this is a shorter one: what caps leave of it is a share of that. */
  private readonly whole: CellTerms | null;

  constructor(input: CellInput, variants: VariantCache, partOf: PartOfHold | null = null) {
    this.whole = partOf?.terms ?? null;
    this.input = input;
    this.variants = variants;
    this.leadingSides = input.turns.map(({ lead }) => lead);
    this.repetitions = Math.max(0, ...input.turns.map(({ rounds }) => rounds));
    this.worked = input.caps.map((cap) => ofShorterHold(workedCap(cap, input.workingShare), partOf?.share ?? 1));
    this.mostOfRounds = repetitionsAllowedInAllVariants(this.worked, this.repetitions) / Math.max(1, this.repetitions);
    this.bodyCaps = this.worked.filter(isOnBody);
    this.partRounds = this.worked.filter(({ limit }) => limit.channel === "roundsShare" && limit.part !== "all");
    this.inTime = !input.caps.some((cap) => breaksTheBreath(cap, input));
    const dragCapped = this.worked.some(({ limit }) => limit.channel === "shoulderDrag" || limit.channel === "hipDrag");
    this.paces = input.resources.pool !== null && dragCapped ? PACES : [1];
    const read = (choice: VariantSpec) =>
      variants.plannedVariant(input.movement, choice, input, input.breathSeconds, this.leadingSides);
    const possible = plannedVariantsFor(input.build, input.plannedVariant);
    this.full = possible.find((choice) => read(choice) !== null) ?? itemAt(possible, possible.length - 1);
    const known = read(this.full);
    this.meantDemands = known?.demands ?? null;
    this.planned = known?.planned ?? null;
    // Parts are only looked at for themselves where the whole movement goes beyond a cap on them.
    const pressing = this.worked.filter((cap) => this.meantDemands && this.breaksWorked(cap, this.full, this.meantDemands, 1));
    this.steadinessPresses = pressing.some(({ limit }) => limit.channel === "steadiness");
    this.poseCaps = pressing.filter((cap) => this.beyondInPose(cap, this.full, this.meantDemands ?? []));
    this.holdCaps = this.worked.filter(
      (cap) =>
        cap.limit.channel === "heldOutShare" &&
        this.meantDemands !== null &&
        this.roundsOf(this.full, this.meantDemands, [cap]) < this.repetitions,
    );
    this.armCaps = [capsOnArm(pressing, "left"), capsOnArm(pressing, "right")];
  }

  /** The version that a variant is of what the group does. */
  versionOf(choice: VariantSpec): VersionCode {
    const { plannedVariant, resources } = this.input;
    return versionOfVariant(choice, { depth: plannedVariant.depth, inWater: resources.pool !== null });
  }

  demandsOf(choice: VariantSpec, pace: Pace): readonly Demand[] | null {
    const { movement, breathSeconds } = this.input;
    return this.variants.demands(movement, choice, this.input, pace * breathSeconds, this.leadingSides);
  }

  /** Repetitions that there is time for at a pace. */
  roundsAt(pace: Pace): number {
    return Math.floor(this.repetitions / pace);
  }

  breaksWorked(cap: Cap, choice: VariantSpec, demands: readonly Demand[], pace: Pace): boolean {
    return demands.some((demand) => violatesCap(cap, choice, demand, this.roundsAt(pace)));
  }

  roundsOf(choice: VariantSpec, demands: readonly Demand[], by: readonly Cap[]): number {
    const { repetitions } = this;
    return Math.min(
      repetitionsWithinHold(by, choice, demands, this.wholeDemands ?? demands, repetitions),
      ...demands.map((demand) => repetitionsAllowed(by, choice.kind, demand, repetitions)),
    );
  }

  /** Repetitions in which one arm of a variant is held out no longer than caps allow. */
  roundsOfArm(choice: VariantSpec, demands: readonly Demand[], side: Side): number {
    return repetitionsWithinHold(this.holdCaps, choice, demands, this.wholeDemands ?? demands, this.repetitions, [side]);
  }

  /** Demands of the group's whole hold where this is a shorter one; of the planned variant otherwise. */
  private get wholeDemands(): readonly Demand[] | null {
    return this.whole?.meantDemands ?? this.meantDemands;
  }

  beyondInPose(cap: Cap, choice: VariantSpec, extremes: readonly Extremes[]): boolean {
    if (!appliesTo(cap, choice.kind) || isReadInWater(cap, choice.kind)) return false;
    return extremes.some((led) => poseViolatesCap(cap.limit, led) || sizeViolatesCap(cap, choice, led));
  }

  /** Whether the water where the person stands or sits is too deep, too warm or too cool for them. */
  barsWater({ limit }: Cap): boolean {
    const { depth, stature, resources } = this.input;
    const temperature = resources.pool?.temperature ?? null;
    switch (limit.channel) {
      case "waterDepth":
        return depth !== null && (100 * depth) / stature > limit.limit + CAP_TOLERANCE.share;
      case "waterWarmest":
        return temperature !== null && temperature > limit.limit;
      case "waterCoolest":
        return temperature !== null && temperature < limit.limit;
      default:
        return false;
    }
  }

  /**
   * Caps that the planned variant goes beyond, that leave fewer repetitions of it, or that break its time; in the order
   * given.
   */
  broken(): Cap[] {
    const { caps } = this.input;
    const demands = this.meantDemands;
    if (demands === null) return [];
    return caps.filter((cap, i) => {
      const worked = itemAt(this.worked, i);
      return (
        this.breaksWorked(worked, this.full, demands, 1) ||
        this.roundsOf(this.full, demands, [worked]) < this.repetitions ||
        this.barsWater(cap) ||
        breaksTheBreath(cap, this.input)
      );
    });
  }

  /** What sitting and breathing along keeps; null where there is nowhere to sit. */
  breathing(): number | null {
    const { resources, caps, build } = this.input;
    const sits = resources.chairs > 0 && (resources.pool === null || !canStand(build));
    if (!sits || caps.some((cap) => this.barsWater(cap))) return null;
    if (caps.some(({ limit }) => limit.channel === "barredForm" && limit.limit === "seated")) return null;
    return BREATHING_FIDELITY;
  }

  /** The most of the repetitions that there is time for, caps on repetitions counted. */
  mostShare({ pace }: { readonly pace: Pace }): number {
    return Math.min(this.mostOfRounds, this.roundsAt(pace) / Math.max(1, this.repetitions));
  }

  /** Whether breath and timing are the group's. */
  isInTime({ pace }: { readonly pace: Pace }): boolean {
    return this.inTime && pace === 1;
  }
}
