import * as v from "valibot";
import { addDays, daysBetween } from "../calendar.ts";
import { otherSide, type Side } from "../side.ts";
import { levelBelow } from "./balance-levels.ts";
import type { WholeOrPart } from "./body-parts.ts";
import { type Cap, CapLimit } from "./cap.ts";
import type { CapReason } from "./cap-reason.ts";
import type { CapSide } from "./cap-side.ts";
import {
  AFFECTED_FEATURES,
  type AffectedFeature,
  type CapTemplate,
  type LimitationRule,
  type Phase,
  type Proposal,
} from "./limitations/rule.ts";
import type { MeasuredRange } from "./measured.ts";

/** A limitation that a person has. */
export interface Limitation {
  readonly id: string;
  /** The rule's name. */
  readonly rule: string;
  /** Null where the rule has no side. */
  readonly side: CapSide | null;
  /** The rule's kind, where it has kinds. */
  readonly kind: string | null;
  /** When it happened, ISO calendar day; null where it did not begin on a day or no one knows. */
  readonly eventDay: string | null;
}

/** Weeks after which a phase is over. */
const PHASE_ENDS = { acute: 6, healing: 12 } as const;

/**
 * The phase of a limitation on a day. One that began on a day that no one knows is taken as acute; one that no day
 * began is settled.
 */
export function phaseOn(rule: LimitationRule, eventDay: string | null, day: string): Phase {
  if (!rule.timed) return "settled";
  if (eventDay === null) return "acute";
  const weeks = daysBetween(eventDay, day) / 7;
  if (weeks < PHASE_ENDS.acute) return "acute";
  return weeks < PHASE_ENDS.healing ? "healing" : "settled";
}

const speaksOf = (list: readonly string[] | undefined, name: string | null): boolean =>
  list === undefined || (name !== null && list.includes(name));

const ARM_OF = { left: "leftArm", right: "rightArm" } as const;
const LEG_OF = { left: "leftLeg", right: "rightLeg" } as const;

/** Whether a feature that a limit names is one of the affected side, still without left or right. */
export const isOfAffected = (limit: string): limit is AffectedFeature => limit in AFFECTED_FEATURES;

const sidesOfAffected = (side: CapSide | null): readonly Side[] =>
  side === null ? [] : side === "both" ? ["left", "right"] : [side];

/** The caps a template means for a limitation's side; one for each side where a channel has none of its own. */
export function capLimitsFrom(template: CapTemplate, side: CapSide | null): CapLimit[] {
  if (template.channel === "barredFeature" && isOfAffected(template.limit)) {
    const [left, right] = AFFECTED_FEATURES[template.limit];
    return sidesOfAffected(side).map((affected) => ({ channel: "barredFeature", limit: affected === "left" ? left : right }));
  }
  if ("part" in template && (template.part === "affectedArm" || template.part === "affectedLeg")) {
    const of = template.part === "affectedArm" ? ARM_OF : LEG_OF;
    return sidesOfAffected(side).map((affected) => ({ ...template, part: of[affected] as WholeOrPart }));
  }
  if ("side" in template && template.side === "affected") return side === null ? [] : [v.parse(CapLimit, { ...template, side })];
  if ("side" in template && template.side === "other")
    return side === null || side === "both" ? [] : [v.parse(CapLimit, { ...template, side: otherSide(side) })];
  return [template as CapLimit];
}

/** Facts about a participant that a proposed number may depend on. */
export interface ProposalContext {
  readonly day: string;
  /** Last measured pain-free range, degrees; null where no one measured it. */
  readonly measured: (range: MeasuredRange, side: Side) => number | null;
  /** The cap on balance demand now; null without one. */
  readonly steadiness: number | null;
  /** The strictest number that holds on a channel now; null without one. */
  readonly strictest: (channel: CapLimit["channel"]) => number | null;
  /** Seconds of the longest breath that is comfortable, in and out; null where no one has measured it. */
  readonly longestBreath: number | null;
}

/** A cap as it is proposed: not yet anyone's word. */
export type ProposedCap = Omit<Cap, "id"> & { readonly follows: MeasuredRange | null };

function withNumbers(limit: CapLimit, proposal: Proposal, context: ProposalContext): CapLimit[] {
  const { follows, rungDown, halves } = proposal;
  const { measured, steadiness, strictest, longestBreath } = context;
  if (halves && "limit" in limit && typeof limit.limit === "number")
    return [{ ...limit, limit: Math.floor(Math.min(limit.limit, strictest(limit.channel) ?? limit.limit) / 2) } as CapLimit];
  if (limit.channel === "longestBreath") return [{ ...limit, limit: longestBreath ?? limit.limit }];
  if (rungDown && limit.channel === "steadiness")
    return [{ ...limit, limit: steadiness === null ? limit.limit : levelBelow(steadiness) }];
  if (follows === undefined || !("limit" in limit) || typeof limit.limit !== "number") return [limit];
  if (!("side" in limit)) return [{ ...limit, limit: measured(follows, "right") ?? limit.limit }] as CapLimit[];
  // Each side has its own measured number.
  const sides = limit.side === "both" ? (["left", "right"] as const) : [limit.side];
  const numbers = sides.map((side) => measured(follows, side) ?? (limit.limit as number));
  if (numbers.every((number) => number === numbers[0])) return [{ ...limit, limit: numbers[0] } as CapLimit];
  return sides.map((side, i) => ({ ...limit, side, limit: numbers[i] }) as CapLimit);
}

const because = ({ name }: LimitationRule, { side, kind }: Pick<Limitation, "side" | "kind">, waiting: boolean): CapReason => ({
  because: "limitation",
  rule: name,
  side,
  kind,
  waiting,
});

function dateOf({ date }: Proposal, eventDay: string | null, day: string): string {
  const end = addDays(date.after === "event" && eventDay !== null ? eventDay : day, 7 * date.weeks);
  return end < day ? day : end;
}

/**
 * The caps that a limitation proposes on a day: usual starting points, for a person to accept, tighten or decline.
 *
 * @returns none for a phase or kind without precautions: a note and no cap
 */
export function proposedCaps(
  rule: LimitationRule,
  limitation: Omit<Limitation, "id" | "rule">,
  context: ProposalContext,
): ProposedCap[] {
  const phase = phaseOn(rule, limitation.eventDay, context.day);
  return rule.proposals
    .filter(({ phases, kinds }) => speaksOf(phases, phase) && speaksOf(kinds, limitation.kind))
    .flatMap((proposal) =>
      capLimitsFrom(proposal.limit, limitation.side)
        .flatMap((limit) => withNumbers(limit, proposal, context))
        .map((limit) => ({
          limit,
          forms: null,
          reason: because(rule, limitation, false),
          source: { standard: rule.source },
          strength: proposal.strength,
          from: context.day,
          until: dateOf(proposal, limitation.eventDay, context.day),
          dateKind: proposal.date.kind,
          follows: proposal.follows ?? null,
        })),
    );
}

/** Whether a limitation waits, on a day, for limits that only a clinician sets. */
export function waitsForClinician(
  rule: LimitationRule,
  { kind, eventDay }: Pick<Limitation, "kind" | "eventDay">,
  day: string,
): boolean {
  return rule.waits?.phases.includes(phaseOn(rule, eventDay, day)) === true && speaksOf(rule.waits.kinds, kind);
}

/** What holds while a limitation waits for a clearance. */
export function interimCaps(rule: LimitationRule, limitation: Limitation, day: string): Cap[] {
  if (!rule.waits || !waitsForClinician(rule, limitation, day)) return [];
  return rule.waits.interim
    .flatMap((template) => capLimitsFrom(template, limitation.side))
    .map((limit, i) => ({
      id: `waits-${limitation.id}-${i}`,
      limit,
      forms: null,
      reason: because(rule, limitation, true),
      source: { standard: rule.source },
      strength: "absolute",
      from: limitation.eventDay !== null && limitation.eventDay < day ? limitation.eventDay : day,
      until: null,
      dateKind: "review",
    }));
}
