import { armTakesPart, type Build, canStand } from "../body/build.ts";
import { handOver, LANDMARK_TOLERANCE, sidedColumn } from "../body/channels.ts";
import {
  barsForm,
  breaks,
  breaksInPose,
  breaksInSize,
  type Extremes,
  forbidsAtAnySize,
  isOnFeet,
  roundsLeft,
  roundsOfHolding,
} from "../caps/broken.ts";
import { appliesTo, CAP_TOLERANCE, type Cap, sidesOf } from "../caps/cap.ts";
import type { Demand } from "../movement/demand.ts";
import { armMoves, type FormChoice, FULL_SEATED } from "../movement/form.ts";
import type { Movement } from "../movement/format.ts";
import { SIDES, type Side } from "../side.ts";
import { shapesOf } from "./candidates.ts";
import { fidelity, levelOf, mostFidelity, readMeant, readShape, type ShapeKeeps } from "./fidelity.ts";
import type { FormLibrary, RankedSize } from "./form-library.ts";

/** What is fitted: one movement at one pace, for one person in one place. */
export interface CellQuestion {
  readonly movement: Movement;
  readonly breathSeconds: number;
  /** Rounds planned: the most that one side has. */
  readonly rounds: number;
  /** Sides that lead, in their order. */
  readonly leads: readonly Side[];
  /** The form that the room is shown. */
  readonly meant: FormChoice;
  /** Metres. */
  readonly stature: number;
  readonly build: Build;
  /** Caps that hold today. */
  readonly caps: readonly Cap[];
}

/** The form chosen for one person in one block, or rest. */
export interface FittedCell {
  /** Null means rest and rejoin. */
  readonly choice: FormChoice | null;
  /** How much of the meant movement is kept, 0 to 1. */
  readonly fidelity: number;
  /** Rounds done, on each side of a sided movement; the rest of those planned is spent at rest. */
  readonly rounds: number;
  /** Share of the full size that is done, 0 to 1: what the vessel shows. */
  readonly level: number;
  /** One arm that does less than the other, or rests. */
  readonly lighterSide: Side | null;
  /** Caps that the meant form would break, in the order given. */
  readonly because: readonly Cap[];
  /** One reading per leading side; empty at rest. */
  readonly demands: readonly Demand[];
}

const REST: Omit<FittedCell, "because"> = {
  choice: null,
  fidelity: 0,
  rounds: 0,
  level: 0,
  lighterSide: null,
  demands: [],
};

/** A cell spent at rest. */
export const restCell = (because: readonly Cap[]): FittedCell => ({ ...REST, because });

/** The form a body is to do: the room's, or on a chair where it cannot stand. */
export const meantFor = (build: Build, meant: FormChoice): FormChoice => (canStand(build) ? meant : FULL_SEATED);

/** Whether a cell is done on the feet. */
export const cellOnFeet = (cell: FittedCell): boolean => cell.choice !== null && isOnFeet(cell.choice.kind);

function lighterSideOf(choice: FormChoice, build: Build): Side | null {
  if (choice.hold !== null) return null;
  const done = (side: Side, size: number) => (armMoves(choice, side) && armTakesPart(build, side) ? size : 0);
  const left = done("left", choice.sizes.armLeft);
  const right = done("right", choice.sizes.armRight);
  if (left === right) return null;
  return left < right ? "left" : "right";
}

/**
 * Hands already seen to break a height cap. Where an arm goes over its own body depends only on the trunk and on
 * that arm, not on the legs nor the other arm, so one reading rules out every candidate that shares both.
 */
function brokenArms(caps: readonly Cap[]) {
  // A cap that holds in some forms only says nothing about an arm elsewhere.
  const heights = caps.flatMap(({ limit, forms }) => (limit.channel === "handHeight" && forms === null ? [limit] : []));
  const seen = new Set<string>();
  const key = (choice: FormChoice, side: Side): string =>
    `${choice.kind === "seated"} ${choice.sizes.body} ${side} ${side === "left" ? choice.sizes.armLeft : choice.sizes.armRight}`;
  return {
    ruleOut: (choice: FormChoice): boolean => SIDES.some((side) => armMoves(choice, side) && seen.has(key(choice, side))),
    learn: (choice: FormChoice, { highest }: Extremes): void => {
      for (const limit of heights)
        for (const side of sidesOf(limit)) {
          const over = highest[sidedColumn(handOver(limit.limit), side)] as number;
          if (armMoves(choice, side) && over > LANDMARK_TOLERANCE + CAP_TOLERANCE.share) seen.add(key(choice, side));
        }
    },
  };
}

/** The candidates of one shape, most promising first. */
interface Ranked {
  readonly keeps: ShapeKeeps;
  readonly choices: readonly RankedSize[];
  next: number;
}

/** The shape whose next candidate promises most; the first listed among equals. */
function mostPromising(shapes: readonly Ranked[]): { ranked: Ranked; most: number } | null {
  let best: { ranked: Ranked; most: number } | null = null;
  for (const ranked of shapes) {
    const head = ranked.choices[ranked.next];
    if (!head) continue;
    const most = mostFidelity(ranked.keeps, head.range);
    if (best === null || most > best.most + 1e-9) best = { ranked, most };
  }
  return best;
}

/**
 * The richest form and size whose computed demands break no cap, or rest; rest too where this body has no form of it.
 *
 * Candidates are the same for everybody and caps only filter them, so tightening a cap never makes a cell richer.
 * They are looked at in the order of the most they could keep and the search stops when nothing left can do better,
 * so the answer is the best of them all. Ties go to the form listed first.
 *
 * @param onFeet false leaves out the forms on the feet, as when the minutes standing are spent
 */
export function fitCell(question: CellQuestion, library: FormLibrary, onFeet = true): FittedCell {
  const { movement, caps, build, breathSeconds, rounds, leads } = question;
  const demandsOf = (choice: FormChoice) => library.demands(movement, choice, question, breathSeconds, leads);
  const full = meantFor(build, question.meant);
  const meantDemands = demandsOf(full);
  if (!meantDemands) return { ...REST, because: [] };
  const meant = readMeant(meantDemands);
  const brokenBy = (choice: FormChoice, demands: readonly Demand[]): Cap[] =>
    caps.filter((cap) => demands.some((demand) => breaks(cap, choice, demand, rounds)));
  const roundsOf = (kind: FormChoice["kind"], demands: readonly Demand[], by: readonly Cap[] = caps): number =>
    Math.min(
      roundsOfHolding(by, kind, demands, meantDemands, rounds),
      ...demands.map((demand) => roundsLeft(by, kind, demand, rounds)),
    );
  /** Caps that leave fewer rounds of the meant form than were planned. */
  const shorteningCaps = (): Cap[] => caps.filter((cap) => roundsOf(full.kind, meantDemands, [cap]) < rounds);

  const mayStand = onFeet && isOnFeet(full.kind);
  const declaredBarred = caps.some(
    ({ limit }) => limit.channel === "barredFeature" && movement.features?.some((feature) => feature === limit.limit),
  );
  const shapes = shapesOf(movement, full.depth)
    .filter((shape) => !declaredBarred && (mayStand || !isOnFeet(shape.kind)) && !caps.some((cap) => barsForm(cap, shape)))
    .flatMap((shape) => {
      const whole = demandsOf(shape);
      const forbidden = caps.some((cap) => whole?.some((demand) => forbidsAtAnySize(cap, shape, demand, rounds)));
      if (forbidden) return [];
      const ranked: Ranked = {
        keeps: readShape(meant, shape, whole),
        choices: library.rankedSizes(movement, full, shape, build),
        next: 0,
      };
      return [ranked];
    });
  const arms = brokenArms(caps);
  let best: { choice: FormChoice; kept: number; rounds: number; demands: readonly Demand[] } | null = null;
  for (let head = mostPromising(shapes); head !== null; head = mostPromising(shapes)) {
    if (best && head.most <= best.kept + 1e-9) break;
    const { keeps, choices, next } = head.ranked;
    head.ranked.next += 1;
    const { choice, range } = choices[next] as Ranked["choices"][number];
    if (arms.ruleOut(choice)) continue;
    const extremes = library.extremesAtKeys(movement, choice, build, leads);
    const beyond = (cap: Cap): boolean =>
      extremes === null || (appliesTo(cap, choice.kind) && (breaksInPose(cap, extremes) || breaksInSize(cap, choice, extremes)));
    if (extremes === null || caps.some(beyond)) {
      if (extremes) arms.learn(choice, extremes);
      continue;
    }
    const demands = demandsOf(choice);
    if (!demands || brokenBy(choice, demands).length > 0) continue;
    const done = roundsOf(choice.kind, demands);
    if (done === 0) continue;
    const kept = (done / rounds) * fidelity(meant, keeps, range, demands);
    if (best === null || kept > best.kept + 1e-9) best = { choice, kept, rounds: done, demands };
  }
  const because = [...new Set([...brokenBy(full, meantDemands), ...shorteningCaps()])];
  if (best === null) return { ...REST, because };
  return {
    choice: best.choice,
    fidelity: best.kept,
    rounds: best.rounds,
    level: levelOf(meant, best.choice),
    lighterSide: lighterSideOf(best.choice, build),
    because,
    demands: best.demands,
  };
}
