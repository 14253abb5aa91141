// Long because candidates, worth and neighbours of a draft belong to one search.
import { type Build, canStand } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import { isOnFeet, violatesCap } from "../caps/cap-violations.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import { type Movement, PHASES, type Phase } from "../movement/format.ts";
import { travels, walkOf } from "../movement/travel.ts";
import { newItemId } from "../plan/change-item.ts";
import type { PlanItem } from "../plan/plan-item.ts";
import type { Content, SessionPurpose } from "../plan/purpose.ts";
import { COUNTED_REPETITIONS, repetitionsIn } from "../plan/style.ts";
import { type PlanItemWithMovement, withMovements } from "../schedule/items-with-movements.ts";
import { outOfOrder, PHASE_RULES, readPhases } from "../schedule/phases.ts";
import { type PlanContext, problemsOf, type ScheduledItem } from "../schedule/schedule-plan.ts";
import type { Familiarity } from "../schedule/time.ts";
import type { TransitionStep } from "../schedule/transition-steps.ts";
import { analyzePlan, type PlanAnalysis } from "./analyze-plan.ts";
import { readContent, strainSequences } from "./content.ts";
import { brokenRules, type DraftRule, type DraftRules, newsMissed, secondsInOtherPosture } from "./draft-rules.ts";
import { fixDuration, ON_TIME, overrunSeconds } from "./fix-duration.ts";
import { analyzeMovement, REFERENCE_REPETITIONS } from "./trains.ts";

/** Someone a plan is proposed for. */
export interface ProposalPerson {
  readonly build: Build;
  /** Caps that hold on the day. */
  readonly caps: readonly Cap[];
}

/** What a plan is drafted for. */
export interface PlanDraftInput extends DraftRules {
  /** What may be used. */
  readonly movements: readonly Movement[];
  readonly context: PlanContext;
  readonly purpose: SessionPurpose | null;
  readonly people: readonly ProposalPerson[];
  readonly variants: VariantCache;
  /** Movements of proposals that this one should differ from. */
  readonly unlike: readonly (readonly string[])[];
}

/** A drafted plan, its analysis, and why each item is there. */
export interface PlanDraft {
  readonly blocks: readonly PlanItem[];
  /** Why each was chosen, a line or more a block, by the block's id. */
  readonly why: Readonly<Record<string, readonly PlacementReason[]>>;
  readonly analysis: PlanAnalysis;
  /** The rules that it breaks, though the search tried: it is none to offer then. */
  readonly broken: readonly DraftRule[];
}

/** What is known of a movement before it is put anywhere. */
interface Candidate {
  readonly movement: Movement;
  /** How it would be planned. */
  readonly how: Pick<PlanItem, "as">;
  /** Share of the seconds moved that train each content. */
  readonly trains: Readonly<Record<Content, number>>;
  /** Share of the people whose caps let them do it as it is shown. */
  readonly doable: number;
  readonly isNew: boolean;
}

/** Points that a plan loses; seconds where nothing else is said. Ours: they rank drafts and mean nothing else. */
const LOSES = {
  impossible: 1000,
  uneven: 300,
  outOfOrder: 300,
  lateSecond: 5,
  earlySecond: 1,
  phaseSecond: 6,
  purposeSecond: 3,
  missingSecond: 1,
  strainRun: 60,
  linkSecond: 1,
  notAsNew: 400,
  postureSecond: 6,
  sharedMovement: 90,
} as const;
/** A draft aims this many seconds before its end, so that it does not end a breath too late. */
const MARGIN = 12;
/** Points for a second that one more of the people can do as shown. */
const DOABLE_SECOND = 0.4;

/** Shares of a session that a draft begins with. */
const FIRST_SHARES: Readonly<Record<Phase, number>> = { arrive: 0.06, loosen: 0.24, flow: 0.54, settle: 0.13 };

const SEATED: Candidate["how"] = { as: "seated" };

/** How a movement may be planned in a session as it is asked for. */
function waysOf(movement: Movement, { posture, context }: PlanDraftInput): readonly Candidate["how"][] {
  const sits = context.seatedOnly || movement.forms.standing === false;
  if (posture === "any" || context.supports.pool) return [{}];
  if (posture === "standing") return sits ? [] : [{}];
  if (sits) return [{}];
  return posture === "seated" ? [SEATED] : [{}, SEATED];
}

function candidateOf(movement: Movement, how: Candidate["how"], { context, people, variants }: PlanDraftInput): Candidate {
  const { block, demands: asked, trains } = analyzeMovement(movement, context, variants, how);
  const able = people.filter(
    ({ build, caps }) =>
      (canStand(build) || !isOnFeet(block.plannedVariant.kind)) &&
      !caps.some((cap) => asked.some((demand) => violatesCap(cap, block.plannedVariant, demand, REFERENCE_REPETITIONS))),
  );
  const doable = people.length === 0 ? 1 : able.length / people.length;
  // A walk needs free floor, which the instructor sees to.
  const left = asked.length === 0 || travels(walkOf(movement, block.plannedVariant.kind));
  return { movement, how, trains, doable: left ? -1 : doable, isNew: context.familiarityWith(movement.id) === "new" };
}

/** Names a movement with how it is planned. */
const wayKey = (movementId: string, { as }: Candidate["how"]): string => `${movementId} ${as ?? ""}`;

/** A draft as it is searched. */
type Draft = readonly PlanItemWithMovement[];

class Search {
  private readonly input: PlanDraftInput;
  private readonly candidates: readonly Candidate[];
  private readonly byWay: ReadonlyMap<string, Candidate>;
  private evaluations = 0;

  constructor(input: PlanDraftInput) {
    this.input = input;
    // Variants that no one can do are left out.
    this.candidates = input.movements
      .flatMap((each) => waysOf(each, input).map((how) => candidateOf(each, how, input)))
      .filter(({ doable }) => doable >= 0);
    this.byWay = new Map(this.candidates.map((candidate) => [wayKey(candidate.movement.id, candidate.how), candidate]));
  }

  look(draft: Draft): PlanAnalysis {
    this.evaluations += 1;
    return analyzePlan(draft, this.input.context, this.input.variants);
  }

  /** What a draft is worth; higher is better. */
  worth(analysis: PlanAnalysis): number {
    const { time, purpose, news, posture, unlike } = this.input;
    const { blocks } = analysis.reading;
    const over = overrunSeconds(analysis, time);
    const phases = readPhases(analysis.reading).reduce((sum, { shortBy, overBy: much }) => sum + shortBy + much, 0);
    const missing = readContent(analysis, purpose).reduce(
      (sum, { content, missing: seconds }) => sum + seconds * (content === purpose ? LOSES.purposeSecond : LOSES.missingSecond),
      0,
    );
    const doable = blocks.reduce((sum, { block, parts }) => sum + parts.repetitions * (this.candidate(block)?.doable ?? 0), 0);
    const links = blocks.reduce((sum, { parts }) => sum + parts.transition, analysis.reading.leavingSeconds);
    const shared = unlike.reduce(
      (sum, others) => sum + blocks.filter(({ phase, movement }) => phase !== "arrive" && others.includes(movement.id)).length,
      0,
    );
    return (
      DOABLE_SECOND * doable -
      LOSES.impossible * problemsOf(analysis.reading).length -
      LOSES.uneven * analysis.uneven.length -
      LOSES.outOfOrder * outOfOrder(analysis.reading).length -
      LOSES.lateSecond * Math.max(0, over + MARGIN) -
      LOSES.earlySecond * Math.max(0, -over - ON_TIME.early / 2) -
      LOSES.phaseSecond * phases -
      missing -
      LOSES.strainRun * strainSequences(analysis).length -
      LOSES.linkSecond * links -
      LOSES.notAsNew * newsMissed(analysis, news) -
      LOSES.postureSecond * secondsInOtherPosture(analysis, posture) -
      LOSES.sharedMovement * shared
    );
  }

  /** Candidates of a phase, what promises most first, before anything is placed. */
  private ranked(phase: Phase): Candidate[] {
    const { purpose, unlike, news } = this.input;
    const promise = ({ movement, trains, doable, isNew }: Candidate): number =>
      doable +
      (purpose === null ? 0 : trains[purpose]) -
      (isNew && news === 0 ? 1 : isNew ? 0.3 : 0) -
      0.3 * unlike.filter((others) => others.includes(movement.id)).length;
    return this.candidates
      .filter(({ movement }) => movement.phase === phase)
      .toSorted((a, b) => promise(b) - promise(a) || (a.movement.id < b.movement.id ? -1 : 1));
  }

  private planned(candidate: Candidate, draft: Draft): PlanItemWithMovement {
    const id = newItemId(draft.map(({ block }) => block));
    const rounds = repetitionsIn(this.input.context.style, candidate.movement.phase).ideal;
    return { block: { id, movementId: candidate.movement.id, rounds, ...candidate.how }, movement: candidate.movement };
  }

  /** A first draft: each phase filled to its share with what promises most, a limited number of them new. */
  begin(): Draft {
    const total = 60 * this.input.time.minutes - this.input.time.changing;
    let draft: PlanItemWithMovement[] = [];
    let fresh = 0;
    for (const phase of PHASES) {
      const wanted = Math.max(PHASE_RULES[phase].leastSeconds, FIRST_SHARES[phase] * total);
      let seconds = 0;
      for (const candidate of this.ranked(phase)) {
        if (seconds >= wanted) break;
        if (
          candidate.isNew &&
          fresh >= (this.input.news ?? Number.POSITIVE_INFINITY) &&
          this.ranked(phase).some(({ isNew }) => !isNew)
        )
          continue;
        const block = this.planned(candidate, draft);
        const added = this.look([block]).reading.blocks[0]?.total ?? 0;
        if (seconds > PHASE_RULES[phase].leastSeconds && seconds + added > 1.3 * wanted) continue;
        draft = [...draft, block];
        seconds += added;
        fresh += candidate.isNew ? 1 : 0;
      }
    }
    return draft;
  }

  /** Drafts one change away: another movement in a place, repetitions, two places swapped, one more or one less. */
  private *neighbours(draft: Draft): Generator<Draft> {
    const used = new Set(draft.map(({ movement }) => movement.id));
    for (const [i, { block, movement }] of draft.entries()) {
      const at = COUNTED_REPETITIONS.findIndex((rounds) => rounds >= block.rounds);
      for (const rounds of [COUNTED_REPETITIONS[at + 1], COUNTED_REPETITIONS[at - 1]])
        if (rounds !== undefined && rounds >= repetitionsIn(this.input.context.style, movement.phase).least)
          yield draft.toSpliced(i, 1, { block: { ...block, rounds }, movement });
      for (const candidate of this.ranked(movement.phase))
        if (!used.has(candidate.movement.id) || (candidate.movement.id === movement.id && candidate.how.as !== block.as))
          yield draft.toSpliced(i, 1, {
            block: { id: block.id, movementId: candidate.movement.id, rounds: block.rounds, ...candidate.how },
            movement: candidate.movement,
          });
      const next = draft[i + 1];
      if (next && next.movement.phase === movement.phase) yield draft.toSpliced(i, 2, next, { block, movement });
      if (draft.filter((each) => each.movement.phase === movement.phase).length > 1) yield draft.toSpliced(i, 1);
    }
    for (const phase of PHASES) {
      const last = draft.findLastIndex(({ movement }) => movement.phase === phase);
      for (const candidate of this.ranked(phase))
        if (!used.has(candidate.movement.id)) yield draft.toSpliced(last + 1, 0, this.planned(candidate, draft));
    }
  }

  /** Takes the first better neighbour until none is, or the evaluations are spent. Yields between them. */
  *improve(draft: Draft, most: number): Generator<undefined, Draft> {
    let now = draft;
    let worth = this.worth(this.look(now));
    for (let better = true; better && this.evaluations < most; ) {
      better = false;
      for (const next of this.neighbours(now)) {
        if (this.evaluations >= most) break;
        const found = this.worth(this.look(next));
        yield;
        if (found <= worth + 1e-6) continue;
        now = next;
        worth = found;
        better = true;
        break;
      }
    }
    return now;
  }

  candidate({ movementId, ...how }: Pick<PlanItem, "movementId" | "as">): Candidate | undefined {
    return this.byWay.get(wayKey(movementId, how));
  }
}

/** Why an item is in a draft, as a code. */
export type PlacementReason =
  | { readonly reason: "trains"; readonly content: Content; readonly seconds: number }
  | { readonly reason: "doable"; readonly able: number; readonly of: number }
  | { readonly reason: "familiarity"; readonly familiarity: Familiarity }
  | { readonly reason: "transition"; readonly steps: readonly TransitionStep[] };

/** Why a block is where it is. */
function whyOf(block: ScheduledItem, candidate: Candidate | undefined, { people, purpose }: PlanDraftInput): PlacementReason[] {
  if (!candidate) return [];
  const [most] = (Object.entries(candidate.trains) as [Content, number][]).toSorted((a, b) => b[1] - a[1]);
  const forPurpose = purpose !== null && candidate.trains[purpose] >= 0.3 ? purpose : null;
  const content = forPurpose ?? most?.[0];
  const seconds = content ? Math.round(candidate.trains[content] * block.parts.repetitions) : 0;
  const able = Math.round(candidate.doable * people.length);
  return [
    ...(content && seconds > 0 ? [{ reason: "trains" as const, content, seconds }] : []),
    ...(people.length > 0 ? [{ reason: "doable" as const, able, of: people.length }] : []),
    { reason: "familiarity", familiarity: block.familiarity },
    { reason: "transition", steps: block.transition.steps },
  ];
}

/** A draft with the repetitions by which it ends on time, where the search ended before it did; its movements stay. */
function inTime(draft: Draft, { context, variants, time }: PlanDraftInput): Draft {
  const keeps = new Set(draft.map(({ block }) => block.id));
  const fix = fixDuration({ blocks: draft, context, variants, keeps }, analyzePlan(draft, context, variants), time).at(-1);
  return fix === undefined
    ? draft
    : withMovements(
        fix.blocks,
        draft.map(({ movement }) => movement),
      );
}

/** Drafts that are looked at before a proposal is given. */
const MOST_EVALUATIONS = 700;

/**
 * Drafts a whole plan: a first draft from the most promising movements, then the first better change, again and again.
 * Judges transitions, phases, sides, minutes, content against the purpose, strain, new movements and how many
 * participants can do each item. Stops by a count of drafts, never by the clock, so the same input gives the same
 * draft.
 *
 * @param input group, purpose, time, posture and movements
 * @returns yields between drafts
 */
export function* draftPlanIncrementally(input: PlanDraftInput): Generator<undefined, PlanDraft> {
  const search = new Search(input);
  const draft = inTime(yield* search.improve(search.begin(), MOST_EVALUATIONS), input);
  const analysis = search.look(draft);
  const why = Object.fromEntries(
    analysis.reading.blocks.map((block) => [block.id, whyOf(block, search.candidate(block.block), input)]),
  );
  return { blocks: draft.map(({ block }) => block), why, analysis, broken: brokenRules(analysis, input) };
}
