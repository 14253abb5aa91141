import { canStand } from "../body/build.ts";
import { reliefOf } from "../body/supports.ts";
import { movesPart, TAKES_PART, type WholeOrPart } from "../caps/body-parts.ts";
import { appliesTo, CAP_TOLERANCE, type Cap } from "../caps/cap.ts";
import {
  barsVariant,
  type Extremes,
  forbidsAtAnySize,
  isOnFeet,
  isReadInWater,
  poseViolatesCap,
  roundsLeft,
  roundsLeftMoving,
  roundsLeftOfAll,
  roundsOfHolding,
  sizeViolatesCap,
  violatesCap,
} from "../caps/cap-violations.ts";
import type { Demand } from "../movement/demand.ts";
import { type SupportMode, supportModeOf } from "../movement/support-mode.ts";
import { armMoves, FULL_SIZE, type Sizes, VARIANT_KINDS, type VariantSpec } from "../movement/variant.ts";
import { type Pair, SIDES, type Side, sideIndex } from "../side.ts";
import { plainShape, type Shape, shapesOf } from "./candidates.ts";
import {
  type CellInput,
  type FoundVariant,
  handsUpShare,
  PACES,
  type Pace,
  plannedVariantFor,
  type SessionUse,
  UNLIMITED_SESSION_USE,
} from "./cell-input.ts";
import {
  type BodyKeeps,
  BREATHING_FIDELITY,
  depthKept,
  fidelity,
  mostFidelity,
  type PlannedVariant,
  rangeKept,
  readShape,
  steadinessKept,
} from "./fidelity.ts";
import { capsOnArm, isOnBody } from "./part-caps.ts";
import { supportModeGroups, supportOptions } from "./support-options.ts";
import type { RankedShape, RankedSize, VariantCache } from "./variant-cache.ts";
import { armOnBody, armShape, bodyOf, type Part, partOf, SMALL_LEGS, sizesCode } from "./variant-parts.ts";
import { workedCap } from "./working-range.ts";

/** What the plainest form with some trunk and legs asks, and what it keeps. */
interface BodyRead extends BodyKeeps {
  /** Null where it cannot be done. */
  readonly plain: readonly Demand[] | null;
}

/** What is known of a shape in a search, so far as it has been asked. */
interface Look {
  readonly shape: Shape;
  readonly pace: Pace;
  /** Whether caps forbid it at every size, and whether it is ever on one leg; null until it is looked at. */
  quiet: { readonly forbidden: boolean; readonly oneLeg: boolean } | null;
  /** What it keeps whoever does it. */
  ranked: RankedShape | null;
  /** By sizes of trunk and legs: the most that forms of it keep of the meant steadiness and depth. */
  readonly keeps: Map<number, BodyRead>;
  /** By sizes: whether a form passes in its key poses, whether its trunk and legs do throughout, its demands where it is allowed. */
  readonly atKeys: Map<number, boolean>;
  readonly bodies: Map<number, boolean>;
  readonly allowed: Map<number, readonly Demand[] | null>;
}

/** What one arm does: the share of a round that its hand is above its shoulder, by leading side, and whether caps allow it. */
interface ArmRead {
  readonly up: readonly number[];
  readonly passes: boolean;
}

/** A shape on its way through one search. */
interface Searched {
  readonly look: Look;
  /** Whether what it asks in quiet has been held against caps and spending. */
  entered: boolean;
  /** What its trunk and legs keep at full size. */
  whole: BodyKeeps | null;
  next: number;
  /** The most that what is left of it can keep. */
  most: number;
}

/** A value computed once per key. */
function remember<Key, Value>(known: Map<Key, Value>, key: Key, compute: () => Value): Value {
  const before = known.get(key);
  if (before !== undefined) return before;
  const value = compute();
  known.set(key, value);
  return value;
}

const EPSILON = 1e-9;

/**
 * Looks for the best form of one block for one person, way by way.
 *
 * Candidates are the same for everybody and caps only filter them, so tightening a cap never makes a cell richer: a form is
 * in when it breaks none, each of its parts passes in the key poses and its trunk and legs carry it, which spares most of
 * the looking. Candidates are looked at in the order of the most they could keep and a search stops when nothing left can do
 * better, so each answer is the best of them all. Ties go to the form listed first.
 */
export class CellSearch {
  /** The form this body is to do, and what it asks; null where this body has no form of it. */
  readonly full: VariantSpec;
  readonly meantDemands: readonly Demand[] | null;
  readonly meant: PlannedVariant | null;
  readonly question: CellInput;
  private readonly library: VariantCache;
  /** Caps as forms are worked up to them, in the order of the question's. */
  private readonly worked: readonly Cap[];
  private readonly leads: readonly Side[];
  private readonly rounds: number;
  /** Share of the rounds that caps leave whatever is done. */
  private readonly mostOfRounds: number;
  private readonly inTime: boolean;
  /** A slower pace is only looked at where a cap on drag could need it: it keeps less of everything else. */
  private readonly paces: readonly Pace[];
  private looks: ReadonlyMap<SupportMode, readonly Look[]> | null = null;
  /** Caps on trunk and legs, and on either arm: what breaks them hangs on these parts, or nearly. */
  private readonly bodyCaps: readonly Cap[];
  /** Caps on the rounds of forms that move a part of the body. */
  private readonly partRounds: readonly Cap[];
  /** Whether the meant form asks more steadiness than it may. */
  private readonly steadinessPresses: boolean;
  /** Caps that the key poses of the meant form break. */
  private readonly poseCaps: readonly Cap[];
  private readonly armCaps: readonly [readonly Cap[], readonly Cap[]];
  private readonly arms = new Map<number, ArmRead | null>();
  private readonly found = new Map<string, FoundVariant | null>();

  constructor(question: CellInput, library: VariantCache) {
    this.question = question;
    this.library = library;
    this.leads = question.turns.map(({ lead }) => lead);
    this.rounds = Math.max(0, ...question.turns.map(({ rounds }) => rounds));
    this.worked = question.caps.map((cap) => workedCap(cap, question.workingShare));
    this.mostOfRounds = roundsLeftOfAll(this.worked, this.rounds) / Math.max(1, this.rounds);
    this.bodyCaps = this.worked.filter(isOnBody);
    this.partRounds = this.worked.filter(({ limit }) => limit.channel === "roundsShare" && limit.part !== "all");
    this.inTime = !question.caps.some(
      ({ limit }) => limit.channel === "longestBreath" && limit.limit < question.breathSeconds - CAP_TOLERANCE.share,
    );
    const dragCapped = this.worked.some(({ limit }) => limit.channel === "shoulderDrag" || limit.channel === "hipDrag");
    this.paces = question.place.pool !== null && dragCapped ? PACES : [1];
    this.full = plannedVariantFor(question.build, question.meant);
    const known = library.meant(question.movement, this.full, question, question.breathSeconds, this.leads);
    this.meantDemands = known?.demands ?? null;
    this.meant = known?.meant ?? null;
    // Parts are only looked at for themselves where the whole movement goes beyond a cap on them.
    const pressing = this.worked.filter((cap) => this.meantDemands && this.breaksWorked(cap, this.full, this.meantDemands, 1));
    this.steadinessPresses = pressing.some(({ limit }) => limit.channel === "steadiness");
    this.poseCaps = pressing.filter((cap) => this.beyondInPose(cap, this.full, this.meantDemands ?? []));
    this.armCaps = [capsOnArm(pressing, "left"), capsOnArm(pressing, "right")];
  }

  private demandsOf(choice: VariantSpec, pace: Pace): readonly Demand[] | null {
    const { movement, breathSeconds } = this.question;
    return this.library.demands(movement, choice, this.question, pace * breathSeconds, this.leads);
  }

  /** Rounds that there is time for at a pace. */
  private roundsAt(pace: Pace): number {
    return Math.floor(this.rounds / pace);
  }

  private breaksWorked(cap: Cap, choice: VariantSpec, demands: readonly Demand[], pace: Pace): boolean {
    return demands.some((demand) => violatesCap(cap, choice, demand, this.roundsAt(pace)));
  }

  private roundsOf(kind: VariantSpec["kind"], demands: readonly Demand[], by: readonly Cap[]): number {
    const { rounds } = this;
    return Math.min(
      roundsOfHolding(by, kind, demands, this.meantDemands ?? demands, rounds),
      ...demands.map((demand) => roundsLeft(by, kind, demand, rounds)),
    );
  }

  /** Caps that the meant form goes beyond, that leave fewer rounds of it, or that break its time; in the order given. */
  broken(): Cap[] {
    const { caps, breathSeconds } = this.question;
    const demands = this.meantDemands;
    if (demands === null) return [];
    return caps.filter((cap, i) => {
      const worked = this.worked[i] as Cap;
      return (
        this.breaksWorked(worked, this.full, demands, 1) ||
        this.roundsOf(this.full.kind, demands, [worked]) < this.rounds ||
        this.barsWater(cap) ||
        (cap.limit.channel === "longestBreath" && cap.limit.limit < breathSeconds - CAP_TOLERANCE.share)
      );
    });
  }

  /** What sitting and breathing along keeps; null where there is nowhere to sit. */
  breathing(): number | null {
    const { place, caps, build } = this.question;
    const sits = place.chairs > 0 && (place.pool === null || !canStand(build));
    if (!sits || caps.some((cap) => this.barsWater(cap))) return null;
    if (caps.some(({ limit }) => limit.channel === "barredForm" && limit.limit === "seated")) return null;
    return BREATHING_FIDELITY;
  }

  private looksByWay(): ReadonlyMap<SupportMode, readonly Look[]> {
    if (this.looks) return this.looks;
    const { movement, place, aids, scarce, build } = this.question;
    const byWay = new Map<SupportMode, Look[]>();
    const declaredBarred = this.worked.some(
      ({ limit }) => limit.channel === "barredFeature" && movement.features?.some((feature) => feature === limit.limit),
    );
    const barred = declaredBarred || this.worked.some((cap) => this.barsWater(cap));
    if (this.meant !== null && !barred)
      for (const shape of shapesOf(movement, this.full.depth, supportOptions(place, aids, scarce, build))) {
        if (isOnFeet(shape.kind) && !isOnFeet(this.full.kind)) continue;
        if (this.worked.some((cap) => barsVariant(cap, shape))) continue;
        const way = supportModeOf(shape);
        const looks = this.paces.map(
          (pace): Look => ({
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
        byWay.set(way, [...(byWay.get(way) ?? []), ...looks]);
      }
    this.looks = byWay;
    return byWay;
  }

  /** Whether the water where the person stands or sits is too deep, too warm or too cool for them. */
  private barsWater({ limit }: Cap): boolean {
    const { depth, stature, place } = this.question;
    const temperature = place.pool?.temperature ?? null;
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

  /** The ways in which there is any form that no cap bars outright, grouped by what they take of the room. */
  ways(): (readonly SupportMode[])[] {
    const there = this.looksByWay();
    return supportModeGroups(this.question.scarce)
      .map((group) => group.filter((way) => there.has(way)))
      .filter((group) => group.length > 0);
  }

  /** What a shape asks in quiet, held against the caps. */
  private quietOf(look: Look): NonNullable<Look["quiet"]> {
    if (look.quiet) return look.quiet;
    const { movement, breathSeconds } = this.question;
    const { shape, pace } = look;
    const quiet = this.library.quiet(movement, shape, this.question, pace * breathSeconds, this.leads);
    look.quiet = {
      forbidden:
        quiet === null ||
        this.worked.some((cap) => quiet.some((demand) => forbidsAtAnySize(cap, shape, demand, this.roundsAt(pace)))),
      oneLeg: quiet?.some(({ longestOneLeg }) => Math.max(...longestOneLeg) > CAP_TOLERANCE.share) ?? false,
    };
    return look.quiet;
  }

  private beyondInPose(cap: Cap, choice: VariantSpec, extremes: readonly Extremes[]): boolean {
    if (!appliesTo(cap, choice.kind) || isReadInWater(cap, choice.kind)) return false;
    return extremes.some((led) => poseViolatesCap(cap.limit, led) || sizeViolatesCap(cap, choice, led));
  }

  /** Whether a form breaks no cap in its key poses, which are quickly had and enough to turn most forms down. */
  private passesAtKeys({ shape, atKeys }: Look, sizes: Sizes): boolean {
    if (this.poseCaps.length === 0) return true;
    return remember(atKeys, sizesCode(sizes), () => {
      const { movement } = this.question;
      const choice = { ...shape, sizes };
      const extremes = this.library.extremesAtKeys(movement, choice, this.question, this.leads);
      return extremes !== null && !this.poseCaps.some((cap) => this.beyondInPose(cap, choice, extremes));
    });
  }

  /** Whether the trunk and legs of a form break no cap on them. */
  private bodyPasses({ shape, pace, bodies }: Look, sizes: Sizes): boolean {
    if (this.bodyCaps.length === 0) return true;
    return remember(bodies, sizesCode(sizes), () => {
      const choice = { ...shape, sizes };
      const demands = this.demandsOf(choice, pace);
      return demands !== null && !this.bodyCaps.some((cap) => this.breaksWorked(cap, choice, demands, pace));
    });
  }

  /**
   * What one arm of a form does. Where an arm goes over its own body hangs on the trunk and that arm alone, so it is read once
   * for every form that shares both; null where no such form can be solved.
   */
  private armOf(look: Look, sizes: Sizes, side: Side): ArmRead | null {
    const shape = armShape(this.question.movement, look.shape);
    const size = side === "left" ? sizes.armLeft : sizes.armRight;
    const i = sideIndex(side);
    const { pace } = look;
    const key = 2 * (16 * (16 * (VARIANT_KINDS.indexOf(shape.kind) * PACES.length + pace) + sizes.trunk) + size) + i;
    return remember(this.arms, key, () => {
      const choice = { ...shape, sizes: armOnBody(shape, { ...sizes, legs: SMALL_LEGS }, side)[1] };
      const demands = this.demandsOf(choice, pace);
      return (
        demands && {
          up: demands.map(({ handAboveShoulderSeconds, cycleSeconds }) => handAboveShoulderSeconds[i] / cycleSeconds),
          passes: !this.armCaps[i].some((cap) => this.breaksWorked(cap, choice, demands, pace)),
        }
      );
    });
  }

  /** Whether the arms of a form each break no cap on them, and are above the shoulder for no more of the block than they may. */
  private armsPass(look: Look, sizes: Sizes, { handsUp }: SessionUse): boolean {
    const capped = this.armCaps.some((caps) => caps.length > 0);
    if (handsUp >= 1 && !capped) return true;
    const read = SIDES.map((side) => (armMoves(look.shape, side) ? this.armOf(look, sizes, side) : null));
    if (read.some((arm) => arm?.passes === false)) return false;
    if (handsUp >= 1) return true;
    const shares = this.question.turns.map((_, turn): Pair => [read[0]?.up[turn] ?? 0, read[1]?.up[turn] ?? 0]);
    return handsUpShare(shares, this.question.turns) <= handsUp + CAP_TOLERANCE.share;
  }

  /** Whether a form and each of its parts break no cap in their key poses. */
  private partsPassAtKeys(look: Look, sizes: Sizes): boolean {
    if (this.poseCaps.length === 0) return true;
    const { shape } = look;
    const { trunk, legs } = sizes;
    const passes = (part: Part) => part.some((each) => this.passesAtKeys(look, each));
    return (
      passes(partOf(shape, { legs })) &&
      passes(partOf(shape, { trunk })) &&
      passes(bodyOf(shape, sizes)) &&
      SIDES.every((side) => passes(armOnBody(shape, sizes, side))) &&
      this.passesAtKeys(look, sizes)
    );
  }

  /** Demands of a form that breaks no cap; null where it does. */
  private allowed(look: Look, choice: VariantSpec): readonly Demand[] | null {
    return remember(look.allowed, sizesCode(choice.sizes), () => {
      const body = bodyOf(look.shape, choice.sizes);
      if (!body.some((sizes) => this.passesAtKeys(look, sizes) && this.bodyPasses(look, sizes))) return null;
      // Either arm has to be steady enough with the other at its smallest.
      const alone = (side: Side): Sizes => armOnBody(look.shape, choice.sizes, side)[1];
      if (this.steadinessPresses && !SIDES.every((side) => this.bodyPasses(look, alone(side)))) return null;
      const demands = this.demandsOf(choice, look.pace);
      if (!demands || this.worked.some((cap) => this.breaksWorked(cap, choice, demands, look.pace))) return null;
      const drowns = demands.some(({ water }) => water?.outOfDepth || (water?.needsRail && choice.hold === null));
      return drowns ? null : demands;
    });
  }

  /** The most that what is left of a shape can keep, by what is known of it so far. */
  private promise({ look, whole, next }: Searched, meant: PlannedVariant): number {
    const head = look.ranked?.sizes[next];
    if (!look.ranked || !head) return Number.NEGATIVE_INFINITY;
    const body = whole ?? { steadiness: 1, depth: look.ranked.depth };
    return this.mostShare(look) * mostFidelity(meant, body, head, this.isInTime(look));
  }

  /** The most that a shape could keep of which nothing is solved yet. */
  private mostUnsolved(look: Look, meant: PlannedVariant): number {
    const keeps = readShape(meant, look.shape, null);
    const kept = rangeKept(meant, keeps, look.shape);
    return this.mostShare(look) * mostFidelity(meant, { steadiness: 1, depth: keeps.depth }, kept, this.isInTime(look));
  }

  /** The most of the rounds that there is time for, caps on rounds counted. */
  private mostShare({ pace }: Look): number {
    return Math.min(this.mostOfRounds, this.roundsAt(pace) / Math.max(1, this.rounds));
  }

  /** Whether breath and timing are the room's. */
  private isInTime({ pace }: Look): boolean {
    return this.inTime && pace === 1;
  }

  /**
   * The best form in some ways that spends no more than it may.
   *
   * @param above what it has to keep more than to be of use
   * @returns null where caps leave none
   */
  best(ways: readonly SupportMode[], spending: SessionUse = UNLIMITED_SESSION_USE, above = 0): FoundVariant | null {
    return remember(this.found, `${ways.join()} ${spending.oneLeg} ${spending.handsUp} ${above}`, () => {
      const byWay = this.looksByWay();
      return this.search(
        ways.flatMap((way) => byWay.get(way) ?? []),
        spending,
        above,
      );
    });
  }

  /**
   * The rounds that a form is credited with at most: an arm counts as moved when its part of the meant ranges at that size is,
   * trunk and legs when they are in the plainest form of the same trunk and legs.
   */
  private mostRounds({ shape, pace }: Look, sizes: Sizes, { plain }: BodyRead, meant: PlannedVariant): number {
    if (this.partRounds.length === 0 || plain === null) return this.roundsAt(pace);
    const armSpan = (side: Side): number =>
      armMoves(shape, side)
        ? (Math.max(0, ...meant.moving.filter(({ part }) => part === side).map(({ span }) => span)) / FULL_SIZE) *
          (side === "left" ? sizes.armLeft : sizes.armRight)
        : 0;
    const moves = (part: WholeOrPart): boolean => {
      if (part === "leftArm" || part === "rightArm") return armSpan(part === "leftArm" ? "left" : "right") > TAKES_PART;
      return plain.some((demand) => movesPart(part, demand));
    };
    return Math.min(this.roundsAt(pace), roundsLeftMoving(this.partRounds, shape.kind, moves, this.rounds));
  }

  /** The most that a form of a shape is credited with at some size of trunk and legs: what the plainest one asks, less what is held. */
  private readBody({ shape, pace, ranked, keeps }: Look, { trunk, legs }: Sizes, meant: PlannedVariant): BodyRead {
    return remember(keeps, 16 * trunk + legs, () => {
      const plain = plainShape(this.question.movement, shape);
      const done = this.demandsOf({ ...plain, sizes: { ...plain.sizes, trunk, legs } }, pace);
      const depth = ranked?.depth ?? 1;
      if (done === null) return { plain: null, steadiness: 1, depth };
      const relief = shape.hold === null || plain.hold !== null || shape.kind === "water" ? 0 : reliefOf(shape.hold);
      return { plain: done, steadiness: steadinessKept(meant, done, relief), depth: Math.min(depth, depthKept(meant, done)) };
    });
  }

  /** Learns the next thing of a shape that is not known yet. @returns false where all is known */
  private learn(head: Searched, meant: PlannedVariant, spending: SessionUse): boolean {
    const { movement } = this.question;
    const { look } = head;
    if (!head.entered) {
      head.entered = true;
      const { forbidden, oneLeg } = this.quietOf(look);
      if (forbidden || (oneLeg && !spending.oneLeg)) {
        head.most = Number.NEGATIVE_INFINITY;
        return true;
      }
      if (look.ranked === null) {
        head.most = this.mostUnsolved(look, meant);
        return true;
      }
    } else if (look.ranked === null) look.ranked = this.library.rankedSizes(movement, this.full, look.shape, this.question);
    else if (head.whole === null) head.whole = this.readBody(look, look.shape.sizes, meant);
    else return false;
    head.most = this.promise(head, meant);
    return true;
  }

  private search(looks: readonly Look[], spending: SessionUse, above: number): FoundVariant | null {
    const { meant } = this;
    if (meant === null) return null;
    const mostOf = (look: Look) => this.mostShare(look) * (this.isInTime(look) ? 1 : 1 - meant.weights.breath);
    const searched = looks.map((look): Searched => ({ look, entered: false, whole: null, next: 0, most: mostOf(look) }));
    let best: FoundVariant | null = null;
    for (;;) {
      let head: Searched | null = null;
      for (const each of searched) if (head === null || each.most > head.most + EPSILON) head = each;
      if (head === null || head.most === Number.NEGATIVE_INFINITY) break;
      if (head.most <= Math.max(above, best?.fidelity ?? 0) + EPSILON) break;
      if (this.learn(head, meant, spending)) continue;
      const { look } = head;
      const size = (look.ranked as RankedShape).sizes[head.next] as RankedSize;
      head.next += 1;
      head.most = this.promise(head, meant);
      const body = this.readBody(look, size.sizes, meant);
      const rounds = this.mostRounds(look, size.sizes, body, meant);
      const better = Math.max(above, best?.fidelity ?? 0) + EPSILON;
      if ((rounds / this.rounds) * mostFidelity(meant, body, size, this.isInTime(look)) <= better) continue;
      const choice = { ...look.shape, sizes: size.sizes };
      // In the order of what is cheap and turns most down.
      if (!this.partsPassAtKeys(look, choice.sizes) || !this.armsPass(look, choice.sizes, spending)) continue;
      const demands = this.allowed(look, choice);
      if (demands === null) continue;
      const done = Math.min(rounds, this.roundsOf(choice.kind, demands, this.worked));
      if (done === 0) continue;
      const kept = (done / this.rounds) * fidelity(meant, body, size, demands, this.isInTime(look));
      if (kept > better) best = { choice, fidelity: kept, rounds: done, pace: look.pace, demands };
    }
    return best;
  }
}
