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
  /** Height of the chair that they were given, metres; null for all other seats, and where no one has measured the chairs. */
  readonly chair: number | null;
}

/** How a chair of some height fits someone, metres. */
export interface ChairFit {
  /** Thickness of the cushion under the feet, which comes away before anyone stands up, and of a firm one on the seat. */
  readonly underFeet: number;
  readonly onSeat: number;
  /** How much higher than usual they sit over what their feet stand on; less than nothing where lower. */
  readonly raise: number;
}

/** Seats in the order in which they are given out: nobody is put to bed unless that was chosen. */
const USUAL_ORDER: readonly FurnitureName[] = ["chair", "armchair", "bench", "lowWall", "sofa", "bedEdge", "bed"];

/** A seat that is lower than asked by no more than this suits, metres. */
const LOW_BY = 0.01;
/** A firm cushion raises a chair by no more than this, metres: a thicker one tips. Usual practice. */
const MOST_ON_SEAT = 0.08;

/** Whether it is a chair, as high as the venue has it. */
const isChair = (kind: FurnitureName): boolean => kind === "chair" || kind === "armchair";

/** How high someone sits best on a chair with their caps, metres over the floor. */
const wantedHeight = ({ stature, measured, caps }: Omit<Sitter, "chosen" | "home" | "id">): number =>
  seatHeights(stature, buildOf(measured, stature)).sitting + seatRaise(measured, stature, caps);

/**
 * How a chair fits someone: a cushion under the feet where it is high for them, a firm cushion on the seat where their caps ask
 * for a higher one. Without such caps a low chair stays as it is, and they sit low.
 *
 * @param sitter body, stature in metres and caps
 * @param chair height of the seat over the floor, metres
 */
export function chairFit(sitter: Omit<Sitter, "chosen" | "home" | "id">, chair: number): ChairFit {
  const asked = seatRaise(sitter.measured, sitter.stature, sitter.caps);
  const over = chair - wantedHeight(sitter);
  if (over > LOW_BY) return { underFeet: over, onSeat: 0, raise: asked };
  if (over >= -LOW_BY) return { underFeet: 0, onSeat: 0, raise: asked };
  return asked > 0 ? { underFeet: 0, onSeat: -over, raise: asked } : { underFeet: 0, onSeat: 0, raise: over };
}

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
  if (isChair(seat.kind) && seat.height !== null) {
    const { onSeat } = chairFit(sitter, seat.height);
    if (onSeat > MOST_ON_SEAT) return { wrong: "tooLow", by: onSeat };
  }
  const needsArms = caps.some(({ limit }) => limit.channel === "chairWithArms");
  return needsArms && seatNamed(seat.kind).arms === null ? { wrong: "noArms" } : null;
}

/** Seats in the order in which they suit someone: the lowest that is high enough, then the next lower. */
function byHeight(seats: readonly Seat[], sitter: Omit<Sitter, "chosen" | "home" | "id">): Seat[] {
  const wanted = wantedHeight(sitter) - LOW_BY;
  const over = ({ height }: Seat): number => (height === null ? 0 : height - wanted);
  // A chair that is too low comes after every one that is not.
  const order = (seat: Seat): number => (over(seat) >= 0 ? over(seat) : 1 - over(seat));
  return seats.toSorted((a, b) => order(a) - order(b));
}

/**
 * Gives everyone a seat: what the instructor chose, where the place has it and it suits; else the first kind that suits, as
 * long as there are places on it, and of the chairs the one whose height suits best. Those who need arms choose first, then
 * those who need a high chair.
 *
 * @param people in the order in which they are served
 * @param seats of the place; null where everyone is at home and has their own
 * @returns by the id of each person
 */
export function assignSeats(people: readonly Sitter[], seats: readonly Seat[] | null): ReadonlyMap<string, Seated> {
  const left = new Map<Seat, number>((seats ?? []).map((seat) => [seat, seat.count]));
  const given = new Map<string, Seated>();
  const take = (seat: Seat, use: SeatUse | null): Seated => {
    left.set(seat, (left.get(seat) ?? seat.count) - 1);
    const position = positionOn(seat.kind, use?.position);
    const chair = isChair(seat.kind) ? seat.height : null;
    // A chair of the usual kind, used as usual, is what everyone sits on unless something else is said.
    if (seat.kind === "chair" && position === "middle") return { seat: null, problem: null, chair };
    const height = sitsAt(seat) === null ? null : (seat.height ?? null);
    return { seat: { seat: seat.kind, position, height }, problem: null, chair };
  };
  const served = people.toSorted((a, b) => rank(a) - rank(b) || wantedHeight(b) - wantedHeight(a));
  for (const person of served) {
    if (person.measured.wheelchair) {
      given.set(person.id, ON_A_USUAL_CHAIR);
      continue;
    }
    const there = (seats ?? person.home).filter((seat) => seats === null || (left.get(seat) ?? 0) > 0);
    const { chosen } = person;
    const wanted = chosen === null ? [] : byHeight(there, person).filter(({ kind }) => kind === chosen.seat);
    const others = USUAL_ORDER.flatMap((kind) =>
      byHeight(there, person).filter((seat) => seat.kind === kind && !wanted.includes(seat)),
    );
    const suits = [...wanted, ...others].find((seat) => seatProblem(seat, person) === null);
    const first = wanted[0] ?? others[0];
    if (suits) given.set(person.id, take(suits, suits.kind === chosen?.seat ? chosen : null));
    else given.set(person.id, { ...ON_A_USUAL_CHAIR, problem: first ? seatProblem(first, person) : null });
  }
  return given;
}

/** The seat of someone on a chair of the usual kind that suits, or in a wheelchair. */
export const ON_A_USUAL_CHAIR: Seated = { seat: null, problem: null, chair: null };

/** Those for whom something was chosen come first, then those who need arms. */
function rank({ chosen, caps }: Sitter): number {
  if (chosen !== null) return 0;
  return caps.some(({ limit }) => limit.channel === "chairWithArms") ? 1 : 2;
}

/**
 * A body as it sits on a seat with its caps.
 *
 * @param sitter body, stature in metres and caps
 * @param seat what it was given; null for a wheelchair or a usual chair
 * @param chair height of the chair it was given, metres; null where it is as high as its caps ask
 */
export function bodyOnSeat(
  sitter: Omit<Sitter, "chosen" | "home" | "id">,
  seat: AssignedSeat | null,
  chair: number | null = null,
): MeasuredBody {
  const { measured, stature, caps } = sitter;
  const low = chair === null ? 0 : Math.min(0, chairFit(sitter, chair).raise);
  if (seat === null) return low < 0 ? { ...measured, seatRaise: low } : seatedBody(measured, stature, caps);
  const sits: SeatUse = { seat: seat.seat, position: seat.position };
  const raise = raiseOn({ kind: seat.seat, height: seat.height }, { measured, stature });
  if (raise !== null) return { ...measured, sits, seatRaise: raise };
  return low < 0 ? { ...measured, sits, seatRaise: low } : { ...seatedBody(measured, stature, caps), sits };
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
