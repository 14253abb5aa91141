import { carriedArmOf } from "../body/build.ts";
import { reliefOf } from "../body/supports.ts";
import { movesPart, TAKES_PART, type WholeOrPart } from "../caps/body-parts.ts";
import { barsVariant, isOnFeet, repetitionsAllowedMoving } from "../caps/cap-violations.ts";
import { itemAt, present } from "../checked-access.ts";
import { getOrCompute } from "../memo.ts";
import { type SupportMode, supportModeOf } from "../movement/support-mode.ts";
import { armMoves, FULL_SIZE, type Sizes } from "../movement/variant.ts";
import type { Side } from "../side.ts";
import { type BodyRead, CandidateChecks, type CandidateEvaluation } from "./candidate-checks.ts";
import { plainShape, shapesOf } from "./candidates.ts";
import { type CellInput, type FoundVariant, type SessionUse, UNLIMITED_SESSION_USE } from "./cell-input.ts";
import { CellTerms, type PartOfHold } from "./cell-terms.ts";
import {
  type BodyFidelity,
  balanceFidelity,
  depthFidelity,
  fidelity,
  mostFidelity,
  type PlannedVariant,
  rangeFidelity,
  readShape,
} from "./fidelity.ts";
import { supportModeGroups, supportOptions } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";
import type { VariantSearch } from "./variant-search.ts";
import type { VersionCode } from "./version.ts";

/** A shape on its mode through one search. */
interface CandidateState {
  readonly evaluation: CandidateEvaluation;
  /** Whether its static demand has been checked against caps and session totals. */
  entered: boolean;
  /** What its trunk and legs keep at full size. */
  whole: BodyFidelity | null;
  next: number;
  /** The most that what is left of it can keep. */
  most: number;
}

const EPSILON = 1e-9;

/**
 * Sizes that are tried of one version, most promising first: someone for whom caps leave so little of it does another one.
 * A count and not the clock, so that the answer is always the same.
 */
const MOST_TRIED = 200;

/**
 * Looks for the best variant of one block for one person, mode by mode.
 *
 * Candidates are the same for everyone and caps only filter them, so tightening a cap never makes a cell richer: a
 * variant is in when it breaks none, each of its parts passes in the key poses and its trunk and legs carry it, which
 * spares most of the looking. Candidates are looked at in the order of the most they could keep and a search stops when
 * nothing left can do better, so each answer is the best of them all. Ties go to the variant listed first.
 */
export class CellSearch implements VariantSearch {
  readonly terms: CellTerms;
  readonly holds: readonly number[] = [];
  private readonly checks: CandidateChecks;
  private looks: ReadonlyMap<SupportMode, readonly CandidateEvaluation[]> | null = null;
  private readonly found = new Map<string, FoundVariant | null>();

  /** @param partOf the group's hold and the share of its seconds, where this is a shorter hold */
  constructor(input: CellInput, variants: VariantCache, partOf: PartOfHold | null = null) {
    this.terms = new CellTerms(input, variants, partOf);
    this.checks = new CandidateChecks(this.terms);
  }

  private looksByWay(): ReadonlyMap<SupportMode, readonly CandidateEvaluation[]> {
    if (this.looks) return this.looks;
    const { movement, resources, aids, scarce, build, circumstances } = this.terms.input;
    const byMode = new Map<SupportMode, CandidateEvaluation[]>();
    const declaredBarred = this.terms.worked.some(
      ({ limit }) => limit.channel === "barredFeature" && movement.features?.some((feature) => feature === limit.limit),
    );
    const barred = declaredBarred || this.terms.worked.some((cap) => this.terms.barsWater(cap));
    if (this.terms.planned !== null && !barred)
      for (const shape of shapesOf(
        movement,
        this.terms.full.depth,
        supportOptions(resources, aids, scarce, build),
        carriedArmOf(build),
        circumstances,
      )) {
        if (isOnFeet(shape.kind) && !isOnFeet(this.terms.full.kind)) continue;
        if (this.terms.worked.some((cap) => barsVariant(cap, shape))) continue;
        const mode = supportModeOf(shape);
        const looks = this.terms.paces.map(
          (pace): CandidateEvaluation => ({
            shape,
            pace,
            quiet: null,
            ranked: null,
            keeps: new Map(),
            atKeys: new Map(),
            bodies: new Map(),
            allowed: new Map(),
          }),
        );
        byMode.set(mode, [...(byMode.get(mode) ?? []), ...looks]);
      }
    this.looks = byMode;
    return byMode;
  }

  /** The modes in which there is any variant that no cap bars outright, grouped by the equipment and help they take. */
  modes(): (readonly SupportMode[])[] {
    const there = this.looksByWay();
    return supportModeGroups(this.terms.input.scarce)
      .map((group) => group.filter((mode) => there.has(mode)))
      .filter((group) => group.length > 0);
  }

  /** The most that what is left of a shape can keep, by what is known of it so far. */
  private promise({ evaluation, whole, next }: CandidateState, planned: PlannedVariant): number {
    const head = evaluation.ranked?.sizes[next];
    if (!evaluation.ranked || !head) return Number.NEGATIVE_INFINITY;
    const body = whole ?? { balance: 1, depth: evaluation.ranked.depth };
    return this.terms.mostShare(evaluation) * mostFidelity(planned, body, head, this.terms.isInTime(evaluation));
  }

  /** The most that a shape could keep of which nothing is solved yet. */
  private mostUnsolved(evaluation: CandidateEvaluation, planned: PlannedVariant): number {
    const keeps = readShape(planned, evaluation.shape, null);
    const kept = rangeFidelity(planned, keeps, evaluation.shape);
    return (
      this.terms.mostShare(evaluation) *
      mostFidelity(planned, { balance: 1, depth: keeps.depth }, kept, this.terms.isInTime(evaluation))
    );
  }

  /**
   * The best variant in some modes that spends no more than it may.
   *
   * @param above what it has to keep more than to be of use
   * @param version the only version there may be; any where it is left out
   * @returns null where caps leave none
   */
  best(
    modes: readonly SupportMode[],
    spending: SessionUse = UNLIMITED_SESSION_USE,
    above = 0,
    version?: VersionCode,
  ): FoundVariant | null {
    return getOrCompute(this.found, `${modes.join()} ${spending.oneLeg} ${spending.handsUp} ${above} ${version}`, () => {
      const byMode = this.looksByWay();
      const looks = modes.flatMap((mode) => byMode.get(mode) ?? []);
      const open = version === undefined ? looks : looks.filter(({ shape }) => this.terms.versionOf(shape) === version);
      return this.search(open, spending, above, version === undefined ? Number.POSITIVE_INFINITY : MOST_TRIED);
    });
  }

  /**
   * The repetitions that a variant is credited with at most: an arm counts as moved when its part of the planned ranges
   * at that size is, trunk and legs when they are in the plainest variant of the same trunk and legs.
   */
  private mostRounds(evaluation: CandidateEvaluation, sizes: Sizes, { plain }: BodyRead, planned: PlannedVariant): number {
    const { shape, pace } = evaluation;
    const most = Math.min(this.terms.roundsAt(pace), this.checks.roundsOfArms(evaluation, sizes));
    if (this.terms.partRounds.length === 0 || plain === null) return most;
    const armSpan = (side: Side): number =>
      armMoves(shape, side)
        ? (Math.max(0, ...planned.moving.filter(({ part }) => part === side).map(({ span }) => span)) / FULL_SIZE) *
          (side === "left" ? sizes.armLeft : sizes.armRight)
        : 0;
    const moves = (part: WholeOrPart): boolean => {
      if (part === "leftArm" || part === "rightArm") return armSpan(part === "leftArm" ? "left" : "right") > TAKES_PART;
      return plain.some((demand) => movesPart(part, demand));
    };
    return Math.min(most, repetitionsAllowedMoving(this.terms.partRounds, shape.kind, moves, this.terms.repetitions));
  }

  /**
   * The most that a variant of a shape is credited with at some size of trunk and legs: the demand of the plainest one,
   * less what is held.
   */
  private readBody(
    { shape, pace, ranked, keeps }: CandidateEvaluation,
    { trunk, legs }: Sizes,
    planned: PlannedVariant,
  ): BodyRead {
    return getOrCompute(keeps, 16 * trunk + legs, () => {
      const plain = plainShape(this.terms.input.movement, shape);
      const done = this.terms.demandsOf({ ...plain, sizes: { ...plain.sizes, trunk, legs } }, pace);
      const depth = ranked?.depth ?? 1;
      if (done === null) return { plain: null, balance: 1, depth };
      const relief = shape.hold === null || plain.hold !== null || shape.kind === "water" ? 0 : reliefOf(shape.hold);
      return {
        plain: done,
        balance: balanceFidelity(planned, done, relief),
        depth: Math.min(depth, depthFidelity(planned, done)),
      };
    });
  }

  /** Learns the next thing of a shape that is not known yet. @returns false where all is known */
  private learn(head: CandidateState, planned: PlannedVariant, spending: SessionUse): boolean {
    const { movement } = this.terms.input;
    const { evaluation } = head;
    if (!head.entered) {
      head.entered = true;
      const { forbidden, oneLeg } = this.checks.quietOf(evaluation);
      if (forbidden || (oneLeg && !spending.oneLeg)) {
        head.most = Number.NEGATIVE_INFINITY;
        return true;
      }
      if (evaluation.ranked === null) {
        head.most = this.mostUnsolved(evaluation, planned);
        return true;
      }
    } else if (evaluation.ranked === null)
      evaluation.ranked = this.terms.variants.rankedSizes(movement, this.terms.full, evaluation.shape, this.terms.input);
    else if (head.whole === null) head.whole = this.readBody(evaluation, evaluation.shape.sizes, planned);
    else return false;
    head.most = this.promise(head, planned);
    return true;
  }

  /** @param most sizes that are tried */
  private search(looks: readonly CandidateEvaluation[], spending: SessionUse, above: number, most: number): FoundVariant | null {
    const { planned } = this.terms;
    if (planned === null) return null;
    const mostOf = (evaluation: CandidateEvaluation) =>
      this.terms.mostShare(evaluation) * (this.terms.isInTime(evaluation) ? 1 : 1 - planned.weights.breath);
    const searched = looks.map(
      (evaluation): CandidateState => ({ evaluation, entered: false, whole: null, next: 0, most: mostOf(evaluation) }),
    );
    let best: FoundVariant | null = null;
    let tried = 0;
    for (;;) {
      let head: CandidateState | null = null;
      for (const each of searched) if (head === null || each.most > head.most + EPSILON) head = each;
      if (head === null || head.most === Number.NEGATIVE_INFINITY) break;
      if (head.most <= Math.max(above, best?.fidelity ?? 0) + EPSILON) break;
      if (this.learn(head, planned, spending)) continue;
      const { evaluation } = head;
      const size = itemAt(present(evaluation.ranked, "ranked sizes").sizes, head.next);
      head.next += 1;
      head.most = this.promise(head, planned);
      const body = this.readBody(evaluation, size.sizes, planned);
      const rounds = this.mostRounds(evaluation, size.sizes, body, planned);
      const better = Math.max(above, best?.fidelity ?? 0) + EPSILON;
      if ((rounds / this.terms.repetitions) * mostFidelity(planned, body, size, this.terms.isInTime(evaluation)) <= better)
        continue;
      const choice = { ...evaluation.shape, sizes: size.sizes };
      tried += 1;
      if (tried > most) break;
      // In the order of what is cheap and turns most down.
      if (!this.checks.partsPassAtKeys(evaluation, choice.sizes) || !this.checks.armsPass(evaluation, choice.sizes, spending))
        continue;
      const demands = this.checks.allowed(evaluation, choice);
      if (demands === null) continue;
      const done = Math.min(rounds, this.terms.roundsOf(choice, demands, this.terms.worked));
      if (done === 0) continue;
      const kept = (done / this.terms.repetitions) * fidelity(planned, body, size, demands, this.terms.isInTime(evaluation));
      if (kept > better) best = { choice, fidelity: kept, repetitions: done, pace: evaluation.pace, holdSeconds: null, demands };
    }
    return best;
  }
}
