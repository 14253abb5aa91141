import { buildOf, type MeasuredBody } from "../body/build.ts";
import { type FurnitureName, isLyingOn, positionOn, type SeatUse, seatNamed } from "../body/seats.ts";
import type { Cap } from "../caps/cap.ts";
import { USUAL_PRACTICE } from "../caps/limitations/rule.ts";
import type { Seat } from "../venues/venue.ts";
import { seatHeights } from "./seat.ts";
import { seatedBody, seatRaise } from "./seat-raise.ts";

/** Who needs a seat: body, stature in metres and the caps of the day. */
export interface Sitter {
  readonly id: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  readonly caps: readonly Cap[];
  /** What the instructor chose for them; null where the seat is found. */
  readonly chosen: SeatUse | null;
  /** The seats of their own home; used instead of the venue's where everyone is at home. */
  readonly home: readonly Seat[];
}

/** Why a seat does not suit someone: lower than their caps ask, by metres, or without arms. */
export type SeatProblem = { readonly wrong: "tooLow"; readonly by: number } | { readonly wrong: "noArms" };

/** What someone sits on. */
export interface AssignedSeat extends SeatUse {
  /** Metres over the floor; null where a chair is chosen for them. */
  readonly height: number | null;
}

/** The seat of someone and, where there was none that suits, why the first one does not. */
export interface Seated {
  /** Null for a wheelchair, and for a chair of the usual kind. */
  readonly seat: AssignedSeat | null;
  readonly problem: SeatProblem | null;
}

/** Seats in the order in which they are given out: nobody is put to bed unless that was chosen. */
const USUAL_ORDER: readonly FurnitureName[] = ["chair", "armchair", "bench", "lowWall", "sofa", "bedEdge", "bed"];

/** A seat that is lower than asked by no more than this suits, metres. */
const LOW_BY = 0.01;

/** How high someone sits on a seat over the floor, metres; a chair without a height suits everyone. */
const sitsAt = ({ kind, height }: Pick<Seat, "kind" | "height">): number | null => {
  const { usualHeight, gives } = seatNamed(kind);
  return usualHeight === null ? null : (height ?? usualHeight) - gives;
};

/** How much higher than usual someone sits on a seat with a height of its own, metres. */
function raiseOn(
  seat: Pick<Seat, "kind" | "height">,
  { measured, stature }: Pick<Sitter, "measured" | "stature">,
): number | null {
  const at = sitsAt(seat);
  return at === null ? null : at - seatHeights(stature, buildOf(measured, stature)).sitting;
}

/**
 * Why a seat does not suit someone with their caps.
 *
 * @param seat its kind, and its height in metres; null for a usual one
 * @param sitter body, stature in metres and caps of whoever would sit there
 * @returns null where it suits
 */
export function seatProblem(
  seat: Pick<Seat, "kind" | "height">,
  sitter: Omit<Sitter, "chosen" | "home" | "id">,
): SeatProblem | null {
  const { measured, stature, caps } = sitter;
  // In bed the mattress carries trunk and legs, whatever its height.
  if (isLyingOn(seat.kind)) return null;
  const raise = raiseOn(seat, sitter);
  const asked = seatRaise(measured, stature, caps);
  if (raise !== null && asked > 0 && raise < asked - LOW_BY) return { wrong: "tooLow", by: asked - raise };
  const needsArms = caps.some(({ limit }) => limit.channel === "chairWithArms");
  return needsArms && seatNamed(seat.kind).arms === null ? { wrong: "noArms" } : null;
}

/**
 * Gives everyone a seat: what the instructor chose, where the place has it and it suits; else the first kind that suits, as
 * long as there are places on it. Those who need arms choose first.
 *
 * @param people in the order in which they are served
 * @param seats of the place; null where everyone is at home and has their own
 * @returns by the id of each person
 */
export function assignSeats(people: readonly Sitter[], seats: readonly Seat[] | null): ReadonlyMap<string, Seated> {
  const left = new Map<Seat, number>((seats ?? []).map((seat) => [seat, seat.count]));
  const given = new Map<string, Seated>();
  const usual: Seated = { seat: null, problem: null };
  const take = (seat: Seat, use: SeatUse | null): Seated => {
    left.set(seat, (left.get(seat) ?? seat.count) - 1);
    const position = positionOn(seat.kind, use?.position);
    // A chair of the usual kind, used as usual, is what everyone sits on unless something else is said.
    if (seat.kind === "chair" && position === "middle") return usual;
    return { seat: { seat: seat.kind, position, height: sitsAt(seat) === null ? null : (seat.height ?? null) }, problem: null };
  };
  const served = people.toSorted((a, b) => rank(a) - rank(b));
  for (const person of served) {
    if (person.measured.wheelchair) {
      given.set(person.id, usual);
      continue;
    }
    const there = (seats ?? person.home).filter((seat) => seats === null || (left.get(seat) ?? 0) > 0);
    const { chosen } = person;
    const wanted = chosen === null ? [] : there.filter(({ kind }) => kind === chosen.seat);
    const others = USUAL_ORDER.flatMap((kind) => there.filter((seat) => seat.kind === kind && !wanted.includes(seat)));
    const suits = [...wanted, ...others].find((seat) => seatProblem(seat, person) === null);
    const first = wanted[0] ?? others[0];
    if (suits) given.set(person.id, take(suits, suits.kind === chosen?.seat ? chosen : null));
    else given.set(person.id, { seat: null, problem: first ? seatProblem(first, person) : null });
  }
  return given;
}

/** Those for whom something was chosen come first, then those who need arms. */
function rank({ chosen, caps }: Sitter): number {
  if (chosen !== null) return 0;
  return caps.some(({ limit }) => limit.channel === "chairWithArms") ? 1 : 2;
}

/**
 * A body as it sits on a seat with its caps.
 *
 * @param seat what it was given; null for a wheelchair or a usual chair, as high as its caps ask
 */
export function bodyOnSeat(
  { measured, stature, caps }: Omit<Sitter, "chosen" | "home" | "id">,
  seat: AssignedSeat | null,
): MeasuredBody {
  if (seat === null) return seatedBody(measured, stature, caps);
  const sits: SeatUse = { seat: seat.seat, position: seat.position };
  const raise = raiseOn({ kind: seat.seat, height: seat.height }, { measured, stature });
  return raise === null ? { ...seatedBody(measured, stature, caps), sits } : { ...measured, sits, seatRaise: raise };
}

/**
 * Thickness of the cushion that feet need on a seat, metres; 0 where they stand flat, and in bed.
 *
 * @param sitter body and stature in metres
 * @param seat what they sit on
 */
export function cushionOnSeat(sitter: Pick<Sitter, "measured" | "stature">, seat: AssignedSeat): number {
  const raise = raiseOn({ kind: seat.seat, height: seat.height }, sitter);
  return raise === null || isLyingOn(seat.seat) ? 0 : Math.max(0, raise);
}

/** A day before any. */
const ALWAYS = "0001-01-01";

/**
 * The cap that a seat is: nobody goes through it. Computed from the seat, so that nobody has to set it.
 *
 * @param personId whose cap it is
 * @param seat null where someone sits on a usual chair or their wheelchair
 */
export const capsOfSeat = (personId: string, seat: AssignedSeat | null): Cap[] =>
  seat === null
    ? []
    : [
        {
          id: `seat-${seat.seat}-${personId}`,
          limit: { channel: "barredFeature", limit: "meetsSeat" },
          forms: ["seated"],
          reason: { because: "seat", seat: seat.seat },
          source: { standard: USUAL_PRACTICE },
          strength: "firm",
          from: ALWAYS,
          until: null,
          dateKind: "review",
        },
      ];
