import type { HandsState, LoadState, Movement } from "../movement/format.ts";
import { type MovementState, statesOf } from "../movement/start-and-end.ts";
import { mirrorVariant, type VariantSpec, variantCode } from "../movement/variant.ts";
import type { Facing } from "../plan/plan-item.ts";
import { otherSide, type Side } from "../side.ts";
import type { EntryPattern, ExitChange, HandPlace } from "./body-state.ts";

/** What a variant needs to begin and what it leaves behind. */
export interface EntryAndExit {
  readonly entry: EntryPattern;
  readonly exit: ExitChange;
}

const sideOf = (role: "lead" | "trail", lead: Side): Side => (role === "lead" ? lead : otherSide(lead));

function loadOf({ support, feet, foot, load }: MovementState, lead: Side): Side | "both" {
  if (support === "seat") return "both";
  if (foot && (feet === "lift" || feet === "toe")) return otherSide(sideOf(foot, lead));
  return load === "both" ? "both" : sideOf(load as Exclude<LoadState, "both">, lead);
}

function handsOf(hands: HandsState, lead: Side): HandPlace {
  const onSide = (side: Side, left: HandPlace, right: HandPlace): HandPlace => (side === "left" ? left : right);
  switch (hands) {
    case "ballLead":
      return onSide(lead, "ballLeft", "ballRight");
    case "ballTrail":
      return onSide(otherSide(lead), "ballLeft", "ballRight");
    case "holdLead":
      return onSide(lead, "railLeft", "railRight");
    case "holdTrail":
      return onSide(otherSide(lead), "railLeft", "railRight");
    case "holdBoth":
      return "railBoth";
    default:
      return hands;
  }
}

const PARTS = ["feet", "load", "hands"] as const;

function withSides(state: MovementState, lead: Side, open: ReadonlySet<string>): ExitChange {
  const { support, feet, foot, hands } = state;
  return {
    support,
    feet: open.has("feet") ? null : { kind: feet, foot: foot && sideOf(foot, lead) },
    load: open.has("load") ? null : loadOf(state, lead),
    hands: open.has("hands") ? null : handsOf(hands, lead),
  };
}

const openParts = (stated: Partial<Record<string, string>> | undefined, word: string): ReadonlySet<string> =>
  new Set(PARTS.filter((part) => stated?.[part] === word));

function computeJoins(movement: Movement, choice: VariantSpec, lead: Side, facing: Facing | null): EntryAndExit | null {
  const states = statesOf(movement, lead === "right" ? choice : mirrorVariant(choice));
  if (!states) return null;
  const holds = choice.hold !== null;
  const without = (parts: ReadonlySet<string>) => new Set([...parts].filter((part) => !(holds && part === "hands")));
  const begins = without(openParts(movement.entry, "any"));
  const ends = movement.exit === "entry" ? begins : without(openParts(movement.exit, "keep"));
  return { entry: { ...withSides(states.entry, lead, begins), facing }, exit: withSides(states.exit, lead, ends) };
}

/** Joins already worked out: solving two poses each time would be too slow while something is being pulled. */
const known = new WeakMap<Movement, Map<string, EntryAndExit | null>>();

/**
 * What a variant needs to begin and what it leaves behind, from its first and last key pose; parts that its file leaves
 * open stay open. Hands that hold are never open.
 *
 * @returns null where there is no such variant
 */
export function entryAndExit(movement: Movement, choice: VariantSpec, lead: Side, facing: Facing | null): EntryAndExit | null {
  const ofMovement = known.get(movement) ?? new Map<string, EntryAndExit | null>();
  known.set(movement, ofMovement);
  const key = `${lead} ${facing} ${variantCode(choice)}`;
  const joins = ofMovement.get(key) ?? computeJoins(movement, choice, lead, facing);
  ofMovement.set(key, joins);
  return joins;
}
