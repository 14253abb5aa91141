import { armTakesPart, type Build, canStand } from "../body/build.ts";
import {
  barsForm,
  breaks,
  breaksInPose,
  breaksInSize,
  forbidsAtAnySize,
  isOnFeet,
  roundsLeft,
  roundsOfHolding,
} from "../caps/broken.ts";
import { appliesTo, CAP_TOLERANCE, type Cap } from "../caps/cap.ts";
import type { Demand } from "../movement/demand.ts";
import { armMoves, choiceKey, type FormChoice, FULL_SEATED, FULL_SIZE } from "../movement/form.ts";
import type { Movement } from "../movement/format.ts";
import type { Turn } from "../plan/count.ts";
import { type Pair, SIDES, type Side, sideIndex } from "../side.ts";
import { type Shape, shapesOf } from "./candidates.ts";
import { breathingFidelity, fidelity, type Meant, mostFidelity, readMeant, readShape, type ShapeKeeps } from "./fidelity.ts";
import { weightsOf } from "./fidelity-weights.ts";
import type { FormLibrary, RankedShape, RankedSize } from "./form-library.ts";
import { type FitPlace, type OwnAid, offersOf, type Scarce, type Way, wayGroups, wayOf } from "./place.ts";
import { workedCap } from "./working-share.ts";

/** What is fitted: one movement at one pace, for one person in one place. */
export interface CellQuestion {
  readonly movement: Movement;
  readonly breathSeconds: number;
  /** Sides that lead, in their order, with the rounds planned of each. */
  readonly turns: readonly Turn[];
  /** The form that the room is shown. */
  readonly meant: FormChoice;
  /** Metres. */
  readonly stature: number;
  readonly build: Build;
  /** Metres of water where they stand; null on land. */
  readonly depth: number | null;
  readonly aids: readonly OwnAid[];
  readonly place: FitPlace;
  /** What of the place there may not be enough of. */
  readonly scarce: Scarce;
  /** Share of a cap on range or load that forms are worked up to, 0 to 1. */
  readonly workingShare: number;
  /** Caps that hold today. */
  readonly caps: readonly Cap[];
}

/** What a form may spend of the sums over a session. */
export interface Spending {
  /** Whether it may be on one leg at all. */
  readonly oneLeg: boolean;
  /** Share of the block's rounds with a hand above its shoulder. */
  readonly handsUp: number;
}
export const ANY_SPENDING: Spending = { oneLeg: true, handsUp: 1 };

/** A form that breaks no cap, with the rounds that caps leave of it. */
export interface FoundForm {
  readonly choice: FormChoice;
  /** How much of the meant movement is kept, 0 to 1, the rounds left out counted. */
  readonly fidelity: number;
  readonly rounds: number;
  /** One reading per leading side. */
  readonly demands: readonly Demand[];
}

/** The form a body is to do: the room's, or on a chair where it cannot stand. */
export const meantFor = (build: Build, meant: FormChoice): FormChoice =>
  canStand(build) || !isOnFeet(meant.kind) || meant.kind === "water" ? meant : FULL_SEATED;

/** One arm that does less than the other, or rests. */
export function lighterSideOf(choice: FormChoice, build: Build): Side | null {
  if (choice.hold !== null) return null;
  const done = (side: Side, size: number) => (armMoves(choice, side) && armTakesPart(build, side) ? size : 0);
  const left = done("left", choice.sizes.armLeft);
  const right = done("right", choice.sizes.armRight);
  if (left === right) return null;
  return left < right ? "left" : "right";
}

/** A part of a form, as two forms in which the arms that do not belong to it are at their smallest and at their fullest. */
type Part = readonly [FormChoice, FormChoice];

/** The parts of a form: trunk and legs, and either arm. Where neither form of a part is allowed the part is not. */
function partsOf(choice: FormChoice): { readonly body: Part; readonly arms: readonly Part[] } {
  const { armLeft, armRight, body } = choice.sizes;
  const others = (side: Side, own: number, size: number): number => (armMoves(choice, side) ? size : own);
  const sized = (left: number, right: number): FormChoice => ({ ...choice, sizes: { armLeft: left, armRight: right, body } });
  const part = (of: (size: number) => FormChoice): Part => [of(1), of(FULL_SIZE)];
  return {
    body: part((size) => sized(others("left", armLeft, size), others("right", armRight, size))),
    arms: [
      part((size) => sized(armLeft, others("right", armRight, size))),
      part((size) => sized(others("left", armLeft, size), armRight)),
    ],
  };
}

/** A value computed once per key. */
function remember<Value>(known: Map<string, Value>, key: string, compute: () => Value): Value {
  const before = known.get(key);
  if (before !== undefined) return before;
  const value = compute();
  known.set(key, value);
  return value;
}

/** A shape in a search: more is known of it the nearer it comes to being chosen. */
interface Searched {
  readonly shape: Shape;
  /** What it keeps whoever does it; null until it is looked at. */
  ranked: RankedShape | null;
  /** What it keeps at full size for this person and pace; null until it is read. */
  keeps: ShapeKeeps | null;
  next: number;
  /** The most that what is left of it can keep. */
  most: number;
}

const EPSILON = 1e-9;

/**
 * Share of a block's rounds with a hand above its shoulder, of the hand that is there longer.
 *
 * @param shares by leading side, left and right, shares of a round
 */
export function handsUpShare(shares: readonly Pair[], turns: readonly Turn[]): number {
  const rounds = turns.reduce((sum, turn) => sum + turn.rounds, 0);
  const of = (i: 0 | 1) => shares.reduce((sum, share, turn) => sum + share[i] * (turns[turn]?.rounds ?? 0), 0) / rounds;
  return Math.max(of(0), of(1));
}

/**
 * Looks for the best form of one block for one person, way by way.
 *
 * Candidates are the same for everybody and caps only filter them, so tightening a cap never makes a cell richer: a form is
 * in when it breaks none and each of its parts passes in the key poses and is steady enough, which spares most of the
 * looking. Candidates are looked at in the order of the most they could keep and a search stops when nothing left can do
 * better, so each answer is the best of them all. Ties go to the form listed first.
 */
export class CellSearch {
  /** The form this body is to do, and what it asks; null where this body has no form of it. */
  readonly full: FormChoice;
  readonly meantDemands: readonly Demand[] | null;
  readonly meant: Meant | null;
  readonly question: CellQuestion;
  private readonly library: FormLibrary;
  /** Caps as forms are worked up to them, in the order of the question's. */
  private readonly worked: readonly Cap[];
  private readonly leads: readonly Side[];
  private readonly rounds: number;
  private readonly inTime: boolean;
  private shapes: ReadonlyMap<Way, readonly Shape[]> | null = null;
  private readonly steadiness: readonly Cap[];
  private readonly atKeys = new Map<string, boolean>();
  private readonly steady = new Map<string, boolean>();
  private readonly handsUp = new Map<string, readonly number[] | null>();
  private readonly read = new Map<string, readonly Demand[] | null>();
  private readonly found = new Map<string, FoundForm | null>();

  constructor(question: CellQuestion, library: FormLibrary) {
    this.question = question;
    this.library = library;
    this.leads = question.turns.map(({ lead }) => lead);
    this.rounds = Math.max(0, ...question.turns.map(({ rounds }) => rounds));
    this.worked = question.caps.map((cap) => workedCap(cap, question.workingShare));
    this.steadiness = this.worked.filter(({ limit }) => limit.channel === "steadiness");
    this.inTime = !question.caps.some(
      ({ limit }) => limit.channel === "longestBreath" && limit.limit < question.breathSeconds - CAP_TOLERANCE.share,
    );
    this.full = meantFor(question.build, question.meant);
    this.meantDemands = this.demandsOf(this.full);
    this.meant = this.meantDemands && readMeant(question.movement, this.meantDemands);
  }

  private demandsOf(choice: FormChoice): readonly Demand[] | null {
    const { movement, breathSeconds } = this.question;
    return this.library.demands(movement, choice, this.question, breathSeconds, this.leads);
  }

  private breaksWorked(cap: Cap, choice: FormChoice, demands: readonly Demand[]): boolean {
    return demands.some((demand) => breaks(cap, choice, demand, this.rounds));
  }

  private roundsOf(kind: FormChoice["kind"], demands: readonly Demand[], by: readonly Cap[]): number {
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
        this.breaksWorked(worked, this.full, demands) ||
        this.roundsOf(this.full.kind, demands, [worked]) < this.rounds ||
        (this.full.kind === "water" && this.barsWater(cap)) ||
        (cap.limit.channel === "longestBreath" && cap.limit.limit < breathSeconds - CAP_TOLERANCE.share)
      );
    });
  }

  /** What sitting and breathing along keeps; null where there is nowhere to sit. */
  breathing(): number | null {
    const { movement, place, caps } = this.question;
    const sits = place.chairs > 0 && place.pool === null;
    if (!sits || caps.some(({ limit }) => limit.channel === "barredForm" && limit.limit === "seated")) return null;
    return breathingFidelity(weightsOf(movement), this.inTime);
  }

  private shapesByWay(): ReadonlyMap<Way, readonly Shape[]> {
    if (this.shapes) return this.shapes;
    const { movement, place, aids, scarce } = this.question;
    const byWay = new Map<Way, Shape[]>();
    const declaredBarred = this.worked.some(
      ({ limit }) => limit.channel === "barredFeature" && movement.features?.some((feature) => feature === limit.limit),
    );
    if (this.meant !== null && !declaredBarred)
      for (const shape of shapesOf(movement, this.full.depth, offersOf(place, aids, scarce))) {
        if (isOnFeet(shape.kind) && !isOnFeet(this.full.kind)) continue;
        if (this.worked.some((cap) => barsForm(cap, shape) || (shape.kind === "water" && this.barsWater(cap)))) continue;
        const way = wayOf(shape);
        byWay.set(way, [...(byWay.get(way) ?? []), shape]);
      }
    this.shapes = byWay;
    return byWay;
  }

  /** Whether the water where the person stands is too deep, too warm or too cool for them. */
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
  ways(): (readonly Way[])[] {
    const there = this.shapesByWay();
    return wayGroups(this.question.scarce)
      .map((group) => group.filter((way) => there.has(way)))
      .filter((group) => group.length > 0);
  }

  /** Whether caps, or what may be spent, forbid a shape at every size. */
  private isForbidden(shape: Shape, spending: Spending): boolean {
    const { movement, build, breathSeconds } = this.question;
    const quiet = this.library.quiet(movement, shape, build, breathSeconds, this.leads);
    if (quiet === null) return true;
    if (!spending.oneLeg && quiet.some(({ longestOneLeg }) => Math.max(...longestOneLeg) > CAP_TOLERANCE.share)) return true;
    return this.worked.some((cap) => quiet.some((demand) => forbidsAtAnySize(cap, shape, demand, this.rounds)));
  }

  /** Whether a form breaks no cap in its key poses, which are quickly had and enough to turn most forms down. */
  private passesAtKeys(choice: FormChoice): boolean {
    return remember(this.atKeys, choiceKey(choice), () => {
      const { movement, build } = this.question;
      const extremes = this.library.extremesAtKeys(movement, choice, build, this.leads);
      const beyond = (cap: Cap): boolean =>
        extremes !== null &&
        appliesTo(cap, choice.kind) &&
        (breaksInPose(cap.limit, extremes) || breaksInSize(cap, choice, extremes));
      return extremes !== null && !this.worked.some(beyond);
    });
  }

  /** Whether a form asks no more steadiness than caps allow. */
  private isSteady(choice: FormChoice): boolean {
    if (this.steadiness.length === 0) return true;
    return remember(this.steady, choiceKey(choice), () => {
      const demands = this.demandsOf(choice);
      return demands !== null && !this.steadiness.some((cap) => this.breaksWorked(cap, choice, demands));
    });
  }

  /**
   * Share of a round that one arm's hand is above its shoulder, by leading side. Where an arm goes over its own body hangs on
   * the trunk and that arm alone, so it is read once for every form that shares both; null where no such form can be solved.
   */
  private handUp(choice: FormChoice, side: Side): readonly number[] | null {
    const { movement, build } = this.question;
    const size = side === "left" ? choice.sizes.armLeft : choice.sizes.armRight;
    return remember(this.handsUp, `${choice.kind === "seated"} ${choice.sizes.body} ${side} ${size}`, () => {
      const [left, right] = partsOf(choice).arms;
      const [alone] = (side === "left" ? left : right) as Part;
      return this.library.handsUp(movement, alone, build, this.leads)?.map((pair) => pair[sideIndex(side)]) ?? null;
    });
  }

  /** Whether the hands of a form are above the shoulder for no more of the block than they may. */
  private handsAreWithin(choice: FormChoice, { handsUp }: Spending): boolean {
    if (handsUp >= 1) return true;
    const [left, right] = SIDES.map((side) => (armMoves(choice, side) ? this.handUp(choice, side) : null));
    const shares = this.question.turns.map((_, turn): Pair => [left?.[turn] ?? 0, right?.[turn] ?? 0]);
    return handsUpShare(shares, this.question.turns) <= handsUp + CAP_TOLERANCE.share;
  }

  /** Demands of a form that breaks no cap; null where it does. */
  private allowed(choice: FormChoice): readonly Demand[] | null {
    return remember(this.read, choiceKey(choice), () => {
      const { body, arms } = partsOf(choice);
      const inKeys = (part: Part) => part.some((form) => this.passesAtKeys(form));
      const isSteady = (part: Part) => part.some((form) => this.passesAtKeys(form) && this.isSteady(form));
      // In the order of what is cheap and turns most down.
      if (!inKeys(body) || !isSteady(body) || !arms.every(inKeys) || !this.passesAtKeys(choice) || !arms.every(isSteady))
        return null;
      const demands = this.demandsOf(choice);
      if (!demands || this.worked.some((cap) => this.breaksWorked(cap, choice, demands))) return null;
      const drowns = demands.some(({ water }) => water?.outOfDepth || (water?.needsRail && choice.hold === null));
      return drowns ? null : demands;
    });
  }

  /** The most that what is left of a shape can keep, by what is known of it so far. */
  private promise({ ranked, keeps, next }: Searched, meant: Meant): number {
    const head = ranked?.sizes[next];
    if (!ranked || !head) return Number.NEGATIVE_INFINITY;
    return mostFidelity(meant, keeps ?? { steadiness: 1, depth: ranked.depth }, head, this.inTime);
  }

  /**
   * The best form in some ways that spends no more than it may.
   *
   * @returns null where caps leave none
   */
  best(ways: readonly Way[], spending: Spending = ANY_SPENDING): FoundForm | null {
    const key = `${ways.join()} ${spending.oneLeg} ${spending.handsUp}`;
    return remember(this.found, key, () => {
      const byWay = this.shapesByWay();
      return this.search(
        ways.flatMap((way) => byWay.get(way) ?? []),
        spending,
      );
    });
  }

  private search(shapes: readonly Shape[], spending: Spending): FoundForm | null {
    const { meant } = this;
    if (meant === null) return null;
    const { movement, build, depth } = this.question;
    const most = this.inTime ? 1 : 1 - meant.weights.breath;
    const searched = shapes.map((shape): Searched => ({ shape, ranked: null, keeps: null, next: 0, most }));
    let best: FoundForm | null = null;
    for (;;) {
      let head: Searched | null = null;
      for (const each of searched) if (head === null || each.most > head.most + EPSILON) head = each;
      if (head === null || head.most === Number.NEGATIVE_INFINITY) break;
      if (best !== null && head.most <= best.fidelity + EPSILON) break;
      if (head.ranked === null) {
        if (!this.isForbidden(head.shape, spending))
          head.ranked = this.library.rankedSizes(movement, this.full, head.shape, build, depth);
        head.most = this.promise(head, meant);
        continue;
      }
      if (head.keeps === null) {
        head.keeps = readShape(meant, head.shape, this.demandsOf(head.shape));
        head.most = this.promise(head, meant);
        continue;
      }
      const { keeps } = head;
      const { sizes } = head.ranked;
      const size = sizes[head.next] as RankedSize;
      head.next += 1;
      head.most = this.promise(head, meant);
      const { choice } = size;
      if (!this.handsAreWithin(choice, spending)) continue;
      const demands = this.allowed(choice);
      if (demands === null) continue;
      const done = this.roundsOf(choice.kind, demands, this.worked);
      if (done === 0) continue;
      const kept = (done / this.rounds) * fidelity(meant, keeps, size, demands, this.inTime);
      if (best === null || kept > best.fidelity + EPSILON) best = { choice, fidelity: kept, rounds: done, demands };
    }
    return best;
  }
}
