import type { FeetState } from "../movement/format.ts";
import type { Facing } from "../plan/plan-item.ts";
import { otherSide, type Side } from "../side.ts";

/** Feet that have no front and no foot of their own. */
export const LEVEL_FEET = ["together", "hip", "wide"] as const satisfies readonly FeetState[];

export const HAND_PLACES = [
  "down",
  "belly",
  "front",
  "up",
  "ballLeft",
  "ballRight",
  "railLeft",
  "railRight",
  "railBoth",
] as const;
/** Where the hands are; a ball is held with the named hand on top, a rail with the named hand. */
export type HandPlace = (typeof HAND_PLACES)[number];

export const SUPPORTS_OF_STATE = ["stand", "seat", "pool"] as const;

/** How a body stands or sits between two movements, in the person's own sides. */
export interface BodyState {
  readonly support: (typeof SUPPORTS_OF_STATE)[number];
  readonly feet: FeetState;
  /** The foot in front, off the floor or on its toe; null where the feet are level. */
  readonly foot: Side | null;
  /** The leg that carries: a side over 85 % of the weight, or both. On a chair always both. */
  readonly load: Side | "both";
  readonly facing: Facing;
  readonly hands: HandPlace;
}

/** What a place offers to stand, sit and hold on to. */
export interface VenueSupports {
  readonly chairs: boolean;
  /** Where the rail is for someone who faces the instructor; null without one. */
  readonly rail: Side | null;
  readonly pool: boolean;
}

export const onRailWith = (hands: HandPlace): boolean => hands === "railLeft" || hands === "railRight" || hands === "railBoth";

/** The hand that the rail is beside, both in front of it, or none with the back to it. */
export function railAt(rail: Side | null, facing: Facing): HandPlace | null {
  if (rail === null) return null;
  const beside: readonly (HandPlace | null)[] =
    rail === "right" ? ["railRight", "railBoth", "railLeft", null] : ["railLeft", null, "railRight", "railBoth"];
  return beside[facing] ?? null;
}

const isLevel = (feet: FeetState): boolean => (LEVEL_FEET as readonly FeetState[]).includes(feet);

/** Whether a body can be so at all: a foot that is off carries nothing, and on a chair nothing is turned or leaned. */
export function isPossible({ support, feet, foot, load, facing, hands }: BodyState, place: VenueSupports): boolean {
  if (isLevel(feet) !== (foot === null)) return false;
  if (support === "seat") return place.chairs && load === "both" && facing === 0 && !onRailWith(hands);
  if ((support === "pool") !== place.pool) return false;
  if ((feet === "lift" || feet === "toe") && (foot === null || load !== otherSide(foot))) return false;
  return !onRailWith(hands) || railAt(place.rail, facing) === hands;
}

/** A text that is the same for the same state and differs for any other. */
export const stateKey = ({ support, feet, foot, load, facing, hands }: BodyState): string =>
  `${support} ${feet} ${foot ?? "-"} ${load} ${facing} ${hands}`;

/** A state with parts left open: what a movement needs to begin. */
export interface EntryPattern {
  readonly support: BodyState["support"];
  /** Null leaves the feet open. */
  readonly feet: { readonly kind: FeetState; readonly foot: Side | null } | null;
  readonly load: BodyState["load"] | null;
  readonly facing: Facing | null;
  readonly hands: HandPlace | null;
}

/** What a movement leaves behind: parts that are null stay as they were. */
export type ExitChange = Omit<EntryPattern, "facing">;

export const fits = (state: BodyState, pattern: EntryPattern): boolean =>
  state.support === pattern.support &&
  (pattern.feet === null || (state.feet === pattern.feet.kind && state.foot === pattern.feet.foot)) &&
  (pattern.load === null || state.load === pattern.load) &&
  (pattern.facing === null || state.facing === pattern.facing) &&
  (pattern.hands === null || state.hands === pattern.hands);

/** The state after a movement that was begun in another. */
export const stateAfter = (state: BodyState, exit: ExitChange): BodyState => ({
  ...state,
  support: exit.support,
  feet: exit.feet?.kind ?? state.feet,
  foot: exit.feet ? exit.feet.foot : state.foot,
  load: exit.load ?? state.load,
  hands: exit.hands ?? state.hands,
});

/** A state that a pattern describes, its open parts filled plainly: for going on after a transition that cannot be. */
export const plainState = ({ support, feet, load, facing, hands }: EntryPattern): BodyState => {
  const { kind, foot } = feet ?? { kind: "hip" as const, foot: null };
  const carries = load ?? (foot && (kind === "lift" || kind === "toe") ? otherSide(foot) : "both");
  return { support, feet: kind, foot, load: carries, facing: facing ?? 0, hands: hands ?? "down" };
};
