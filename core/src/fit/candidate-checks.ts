import { CAP_TOLERANCE } from "../caps/cap.ts";
import { forbidsAtAnySize } from "../caps/cap-violations.ts";
import { getOrCompute } from "../memo.ts";
import type { Demand } from "../movement/demand.ts";
import { armMoves, type Sizes, VARIANT_KINDS, type VariantSpec } from "../movement/variant.ts";
import { type Pair, SIDES, type Side, sideIndex } from "../side.ts";
import type { Shape } from "./candidates.ts";
import { handsUpShare, PACES, type Pace, type SessionUse } from "./cell-input.ts";
import type { CellTerms } from "./cell-terms.ts";
import type { BodyFidelity } from "./fidelity.ts";
import type { RankedShape } from "./variant-cache.ts";
import { armOnBody, armShape, bodyOf, type SizePart, SMALL_LEGS, sizePart, sizesCode } from "./variant-parts.ts";

/** Demand and fidelity of the plainest variant with some size of trunk and legs. */
export interface BodyRead extends BodyFidelity {
  /** Null where it cannot be done. */
  readonly plain: readonly Demand[] | null;
}

/** What is known of a shape in a search, so far as it has been asked. */
export interface CandidateEvaluation {
  readonly shape: Shape;
  readonly pace: Pace;
  /** Whether caps forbid it at every size, and whether it is ever on one leg; null until it is looked at. */
  quiet: { readonly forbidden: boolean; readonly oneLeg: boolean } | null;
  /** What it keeps for any participant. */
  ranked: RankedShape | null;
  /** By sizes of trunk and legs: the most that variants of it keep of the planned balance demand and depth. */
  readonly keeps: Map<number, BodyRead>;
  /**
   * By sizes: whether a variant passes in its key poses, whether its trunk and legs do throughout, its demands where it
   * is allowed.
   */
  readonly atKeys: Map<number, boolean>;
  readonly bodies: Map<number, boolean>;
  readonly allowed: Map<number, readonly Demand[] | null>;
}

/**
 * What one arm does: the share of a repetition that its hand is above its shoulder, by leading side, and whether caps
 * allow it.
 */
interface ArmRead {
  readonly up: readonly number[];
  readonly passes: boolean;
  /** Repetitions in which the arm is held out no longer than caps allow. */
  readonly rounds: number;
}

/** Checks candidates of one cell against its caps, the cheap checks first; every answer is kept. */
export class CandidateChecks {
  private readonly terms: CellTerms;
  private readonly arms = new Map<number, ArmRead | null>();

  constructor(terms: CellTerms) {
    this.terms = terms;
  }

  /** The static demand of a shape, checked against the caps. */
  quietOf(evaluation: CandidateEvaluation): NonNullable<CandidateEvaluation["quiet"]> {
    if (evaluation.quiet) return evaluation.quiet;
    const { movement, breathSeconds } = this.terms.input;
    const { shape, pace } = evaluation;
    const quiet = this.terms.variants.quiet(movement, shape, this.terms.input, pace * breathSeconds, this.terms.leadingSides);
    evaluation.quiet = {
      forbidden:
        quiet === null ||
        this.terms.worked.some((cap) => quiet.some((demand) => forbidsAtAnySize(cap, shape, demand, this.terms.roundsAt(pace)))),
      oneLeg: quiet?.some(({ longestOneLeg }) => Math.max(...longestOneLeg) > CAP_TOLERANCE.share) ?? false,
    };
    return evaluation.quiet;
  }

  /** Whether a variant breaks no cap in its key poses, which are quickly had and enough to turn most variants down. */
  passesAtKeys({ shape, atKeys }: CandidateEvaluation, sizes: Sizes): boolean {
    if (this.terms.poseCaps.length === 0) return true;
    return getOrCompute(atKeys, sizesCode(sizes), () => {
      const { movement } = this.terms.input;
      const choice = { ...shape, sizes };
      const extremes = this.terms.variants.extremesAtKeys(movement, choice, this.terms.input, this.terms.leadingSides);
      return extremes !== null && !this.terms.poseCaps.some((cap) => this.terms.beyondInPose(cap, choice, extremes));
    });
  }

  /** Whether the trunk and legs of a variant break no cap on them. */
  bodyPasses({ shape, pace, bodies }: CandidateEvaluation, sizes: Sizes): boolean {
    if (this.terms.bodyCaps.length === 0) return true;
    return getOrCompute(bodies, sizesCode(sizes), () => {
      const choice = { ...shape, sizes };
      const demands = this.terms.demandsOf(choice, pace);
      return demands !== null && !this.terms.bodyCaps.some((cap) => this.terms.breaksWorked(cap, choice, demands, pace));
    });
  }

  /**
   * What one arm of a variant does. Where an arm goes over its own body depends on the trunk and that arm alone, so it
   * is read once for every variant that shares both; null where no such variant can be solved.
   */
  armOf(evaluation: CandidateEvaluation, sizes: Sizes, side: Side): ArmRead | null {
    const shape = armShape(this.terms.input.movement, evaluation.shape);
    const size = side === "left" ? sizes.armLeft : sizes.armRight;
    const i = sideIndex(side);
    const { pace } = evaluation;
    const carried = shape.carried === undefined ? 0 : 1;
    const ofShape = (VARIANT_KINDS.indexOf(shape.kind) * PACES.length + pace) * 16 + sizes.trunk;
    const key = 4 * (16 * ofShape + size) + 2 * carried + i;
    return getOrCompute(this.arms, key, () => {
      const choice = { ...shape, sizes: armOnBody(shape, { ...sizes, legs: SMALL_LEGS }, side)[1] };
      const demands = this.terms.demandsOf(choice, pace);
      return (
        demands && {
          up: demands.map(({ handAboveShoulderSeconds, cycleSeconds }) => handAboveShoulderSeconds[i] / cycleSeconds),
          passes: !this.terms.armCaps[i].some((cap) => this.terms.breaksWorked(cap, choice, demands, pace)),
          rounds: this.terms.roundsOfArm(choice, demands, side),
        }
      );
    });
  }

  /**
   * Whether the arms of a variant each break no cap on them, and are above the shoulder for no more of the block than
   * they may.
   */
  armsPass(evaluation: CandidateEvaluation, sizes: Sizes, { handsUp }: SessionUse): boolean {
    const capped = this.terms.armCaps.some((caps) => caps.length > 0);
    if (handsUp >= 1 && !capped) return true;
    const read = SIDES.map((side) => (armMoves(evaluation.shape, side) ? this.armOf(evaluation, sizes, side) : null));
    if (read.some((arm) => arm?.passes === false)) return false;
    if (handsUp >= 1) return true;
    const shares = this.terms.input.turns.map((_, turn): Pair => [read[0]?.up[turn] ?? 0, read[1]?.up[turn] ?? 0]);
    return handsUpShare(shares, this.terms.input.turns) <= handsUp + CAP_TOLERANCE.share;
  }

  /** Repetitions in which no arm of a variant is held out longer than caps allow. */
  roundsOfArms(evaluation: CandidateEvaluation, sizes: Sizes): number {
    const { holdCaps, repetitions } = this.terms;
    const moving = holdCaps.length === 0 ? [] : SIDES.filter((side) => armMoves(evaluation.shape, side));
    return Math.min(repetitions, ...moving.map((side) => this.armOf(evaluation, sizes, side)?.rounds ?? repetitions));
  }

  /** Whether a variant and each of its parts break no cap in their key poses. */
  partsPassAtKeys(evaluation: CandidateEvaluation, sizes: Sizes): boolean {
    if (this.terms.poseCaps.length === 0) return true;
    const { shape } = evaluation;
    const { trunk, legs } = sizes;
    const passes = (part: SizePart) => part.some((each) => this.passesAtKeys(evaluation, each));
    return (
      passes(sizePart(shape, { legs })) &&
      passes(sizePart(shape, { trunk })) &&
      passes(bodyOf(shape, sizes)) &&
      SIDES.every((side) => passes(armOnBody(shape, sizes, side))) &&
      this.passesAtKeys(evaluation, sizes)
    );
  }

  /** Demands of a variant that breaks no cap; null where it does. */
  allowed(evaluation: CandidateEvaluation, choice: VariantSpec): readonly Demand[] | null {
    return getOrCompute(evaluation.allowed, sizesCode(choice.sizes), () => {
      const body = bodyOf(evaluation.shape, choice.sizes);
      if (!body.some((sizes) => this.passesAtKeys(evaluation, sizes) && this.bodyPasses(evaluation, sizes))) return null;
      // Either arm has to be steady enough with the other at its smallest.
      const alone = (side: Side): Sizes => armOnBody(evaluation.shape, choice.sizes, side)[1];
      if (this.terms.steadinessPresses && !SIDES.every((side) => this.bodyPasses(evaluation, alone(side)))) return null;
      const demands = this.terms.demandsOf(choice, evaluation.pace);
      if (!demands || this.terms.worked.some((cap) => this.terms.breaksWorked(cap, choice, demands, evaluation.pace)))
        return null;
      const drowns = demands.some(({ water }) => water?.outOfDepth || (water?.needsRail && choice.hold === null));
      return drowns ? null : demands;
    });
  }
}
