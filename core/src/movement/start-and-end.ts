import { column, handOver, LANDMARK_TOLERANCE, sidedColumn, sidedColumns } from "../body/channels.ts";
import { isOff, isOnSupport, type PoseFrame, sidedSlots, slot } from "../body/pose.ts";
import { SHARE } from "../body/segments.ts";
import { solvePose } from "../body/solve.ts";
import { numberAt } from "../checked-access.ts";
import { pairOf, SIDES, type Side, sideIndex } from "../side.ts";
import type { EntryState, ExitState, FeetState, HandsState, LoadState, Movement } from "./format.ts";
import type { MovementFileProblem } from "./read-file.ts";
import { type Track, trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

/** How a body stands or sits where a repetition begins or ends; roles, not sides. */
export interface MovementState {
  readonly support: "stand" | "seat" | "pool";
  readonly feet: FeetState;
  /** The foot in front, or the one that is off or rests on its toe; null where the feet are level. */
  readonly foot: "lead" | "trail" | null;
  readonly load: LoadState;
  readonly hands: HandsState;
}

const LEAD: Side = "right";
const role = (side: Side): "lead" | "trail" => (side === LEAD ? "lead" : "trail");

/** Over this share on one foot the other is free to move. */
const LOADED = 0.85;
/** Ankle distances, shares of stature, up to which feet count as close together, in line and hip wide. */
const CLOSE = 0.08;
const IN_LINE = 0.035;
const HIP_WIDE = 0.2;
/** Fore-aft distances from which one foot counts as ahead, and from which it is a stride. */
const AHEAD = SHARE.footLength / 3;
const STRIDE = 0.11;
const WEIGHT_LEFT = slot("weightLeft");
const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");

function feetOf(values: Float64Array): Pick<MovementState, "feet" | "foot"> {
  const width = Math.abs(numberAt(values, FOOT_Z[1]) - numberAt(values, FOOT_Z[0]));
  const ahead = numberAt(values, FOOT_X[1]) - numberAt(values, FOOT_X[0]);
  if (Math.abs(ahead) < AHEAD) {
    const feet = width < CLOSE ? "together" : width < HIP_WIDE ? "hip" : "wide";
    return { feet, foot: null };
  }
  const foot = ahead > 0 ? "lead" : "trail";
  if (width < IN_LINE) return { feet: "tandem", foot };
  // A short step with the feet apart is a bow all the same.
  return { feet: Math.abs(ahead) < STRIDE && width < CLOSE ? "semi" : "bow", foot };
}

/**
 * Hands one over the other in front, as if round a ball: at least this much higher, shares of stature and of shoulder
 * breadth.
 */
const BALL = { height: 0.08, apart: 0.6 } as const;

/** The hand on top where both hold a ball between them, with nothing in it or a real one. */
function upperHandOfBall(row: Float64Array): Side | null {
  const [left, right] = pairOf((side) => numberAt(row, sidedColumn("handOverChest", side)));
  const low = sidedColumns("handOverLap").map((index) => numberAt(row, index));
  const apart = Math.abs(numberAt(row, column("handSeparation")));
  if (apart > BALL.apart || Math.abs(left - right) < BALL.height || Math.min(...low) <= LANDMARK_TOLERANCE) return null;
  const lowerOverShoulder = Math.min(...sidedColumns("handOverShoulder").map((index) => numberAt(row, index)));
  if (Math.max(left, right) <= LANDMARK_TOLERANCE || lowerOverShoulder > LANDMARK_TOLERANCE) return null;
  return left > right ? "left" : "right";
}

/** A hand no higher over the lap rests on it, share of H. */
const ON_LAP = 0.05;

function handsOf({ seating, hands, support }: PoseFrame, row: Float64Array): HandsState {
  // Hands on the arms of a chair are free to go anywhere: nothing has to be let go of first.
  if (support === "armrests") return "down";
  const [held, other] = SIDES.filter((side) => isOnSupport(hands[sideIndex(side)]));
  if (held) return other ? "holdBoth" : role(held) === "lead" ? "holdLead" : "holdTrail";
  const over = (landmark: "navel" | "shoulder") =>
    SIDES.map((side) => numberAt(row, sidedColumn(handOver(landmark), side)) > LANDMARK_TOLERANCE);
  const upper = upperHandOfBall(row);
  if (upper) return role(upper) === "lead" ? "ballLead" : "ballTrail";
  if (over("shoulder").some(Boolean)) return "up";
  if (over("navel").some(Boolean)) return "front";
  const apart = numberAt(row, column("handSeparation"));
  // Hands on the thighs of a body that sits are as far down as they go.
  const onLap = seating.kind === "seated" && SIDES.every((side) => numberAt(row, sidedColumn("handOverLap", side)) < ON_LAP);
  if (onLap) return "down";
  const low = SIDES.every((side) => numberAt(row, sidedColumn("elbow", side)) < 60);
  return low || apart > 1 ? "down" : "belly";
}

function stateAt({ segments, build }: Track, choice: VariantSpec, end: "start" | "end"): MovementState {
  const here = end === "start" ? segments[0] : segments[segments.length - 1];
  const beyond = end === "start" ? segments[segments.length - 1] : segments[0];
  if (!here || !beyond) throw new RangeError("a movement has at least two key poses");
  const values = end === "start" ? here.start : here.end;
  const { row } = solvePose({ frame: here.frame, values }, undefined, undefined, build);
  // A foot is off at a key pose only if it is off on both sides of it.
  const off = SIDES.find((side) => isOff(here.frame.feet[sideIndex(side)]) && isOff(beyond.frame.feet[sideIndex(side)]));
  const toe = SIDES.find((side) => [here, beyond].every(({ frame }) => frame.feet[sideIndex(side)] === "restingToe"));
  const left = numberAt(values, WEIGHT_LEFT);
  const one = off ?? toe;
  const seated = here.frame.seating.kind === "seated";
  return {
    support: seated ? "seat" : choice.kind === "water" ? "pool" : "stand",
    ...(one ? { feet: off ? ("lift" as const) : ("toe" as const), foot: role(one) } : feetOf(values)),
    load: seated ? "both" : left > LOADED ? "trail" : left < 1 - LOADED ? "lead" : "both",
    hands: handsOf(here.frame, row),
  };
}

/**
 * Where a variant of a movement begins and ends, from its first and last key pose; null where there is no such variant.
 */
export function statesOf(
  movement: Movement,
  choice: VariantSpec,
): { readonly entry: MovementState; readonly exit: MovementState } | null {
  const track = trackOf(movement, choice, LEAD);
  return track && { entry: stateAt(track, choice, "start"), exit: stateAt(track, choice, "end") };
}

/** The variant whose states a file states: standing, or the first it has. */
const statedForm = (movement: Movement): VariantSpec =>
  [FULL_STANDING_VARIANT, FULL_SEATED_VARIANT].find(({ kind }) => (movement.forms[kind] ?? false) !== false) ?? {
    ...FULL_STANDING_VARIANT,
    kind: "water",
  };

const PARTS = ["feet", "load", "hands"] as const;

/** The entry and the exit that follow from the key poses, what the file leaves open kept open. */
export function withStates(movement: Movement): Movement {
  const states = statesOf(movement, statedForm(movement));
  if (!states) return movement;
  const open = <Word extends string>(stated: Partial<Record<string, string>> | undefined, word: Word, state: MovementState) =>
    Object.fromEntries(PARTS.map((part) => [part, stated?.[part] === word ? word : state[part]]));
  const entry = open(movement.entry, "any", states.entry) as EntryState;
  const stated = movement.exit === "entry" ? undefined : movement.exit;
  const exit = open(stated, "keep", states.exit) as Exclude<ExitState, "entry">;
  const alike = PARTS.every((part) => states.entry[part] === exit[part]);
  return { ...movement, entry, exit: alike ? "entry" : exit };
}

/** What an entry or exit says, and what the key pose has that it speaks of. */
export interface Contradiction {
  readonly said: string;
  readonly key: "first" | "last";
  readonly has: string;
}

/** Parts of a stated entry or exit that the key poses contradict; empty where nothing is stated or all agrees. */
export function stateProblems(movement: Movement): MovementFileProblem[] {
  const states = statesOf(movement, statedForm(movement));
  if (!states) return [];
  const check = (name: "entry" | "exit", stated: Partial<Record<string, string>>, open: string, key: Contradiction["key"]) =>
    PARTS.flatMap((part): MovementFileProblem[] => {
      const said = stated[part];
      if (said === undefined || said === open || said === states[name][part]) return [];
      return [
        {
          path: `${name}.${part}`,
          code: "contradictsKeyPose",
          requirement: { said, key, has: states[name][part] } satisfies Contradiction,
        },
      ];
    });
  const exit = movement.exit === "entry" ? states.entry : movement.exit;
  return [
    ...check("entry", movement.entry ?? {}, "any", "first"),
    ...check("exit", (exit ?? {}) as Partial<Record<string, string>>, "keep", "last"),
  ];
}
