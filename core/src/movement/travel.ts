import { type PoseFrame, sidedSlots } from "../body/pose.ts";
import type { SupportName } from "../body/supports.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { type AuthoredKey, authoredKeys } from "./authored-keys.ts";
import type { Movement } from "./format.ts";
import type { VariantKind, VariantSpec } from "./variant.ts";

/** How far from its beginning a repetition ends, both feet alike, shares of stature. */
export interface Travel {
  readonly ahead: number;
  /** To the right; negative to the left. */
  readonly aside: number;
}

/** A stretch between two key poses, as far as walks are concerned. */
interface Stretch {
  readonly frame: PoseFrame;
  readonly start: Float64Array;
  readonly end: Float64Array;
}

/** A repetition that ends where it began. */
export const STAYS: Travel = { ahead: 0, aside: 0 };

const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");
/** Places of a foot nearer to each other than this are the same, share of stature. */
const SAME_PLACE = 1e-9;

const differs = (a: number, b: number): boolean => Math.abs(a - b) > SAME_PLACE;

/**
 * How far both feet have gone from one pose to another.
 *
 * @param start values of a pose
 * @param end values of the other
 * @returns null where one foot has gone further than the other
 */
export function travelBetween(start: Float64Array, end: Float64Array): Travel | null {
  const gone = (slots: readonly [number, number], side: 0 | 1) => numberAt(end, slots[side]) - numberAt(start, slots[side]);
  if (differs(gone(FOOT_X, 0), gone(FOOT_X, 1)) || differs(gone(FOOT_Z, 0), gone(FOOT_Z, 1))) return null;
  const [ahead, aside] = [gone(FOOT_X, 0), gone(FOOT_Z, 0)];
  return { ahead: differs(ahead, 0) ? ahead : 0, aside: differs(aside, 0) ? aside : 0 };
}

/**
 * Whether a repetition ends elsewhere than it began.
 *
 * @param travel of it
 */
export const travels = ({ ahead, aside }: Travel): boolean => ahead !== 0 || aside !== 0;

/**
 * How far each repetition of a variant takes the body. On a chair the body stays where it is.
 *
 * @param track of the variant
 */
export function travelOf({ segments }: { readonly segments: readonly Stretch[] }): Travel {
  const [first, last] = [itemAt(segments, 0), present(segments.at(-1), "segment")];
  return first.frame.seating.kind === "seated" ? STAYS : (travelBetween(first.start, last.end) ?? STAYS);
}

/**
 * How far authored key poses go; lead is right.
 *
 * @param keys in their order
 * @returns null where one foot ends further on than the other
 */
export const travelOfKeys = (keys: readonly AuthoredKey[]): Travel | null =>
  travelBetween(itemAt(keys, 0).values, present(keys.at(-1), "key pose").values);

/**
 * How far a repetition of a movement takes the body that it is written for, the right side leading.
 *
 * @param movement whose key poses say so
 * @param kind of the variant; on a chair the body stays where it is
 */
export function walkOf({ keys, forms }: Pick<Movement, "keys" | "forms">, kind: VariantKind): Travel {
  if (kind === "seated") return STAYS;
  const form = forms[kind];
  return travelOfKeys(authoredKeys(form === undefined || form === false ? keys : (form.keys ?? keys))) ?? STAYS;
}

/**
 * Whether any variant of a movement ends elsewhere than it began.
 *
 * @param movement whose key poses say so
 */
export const mayWalk = (movement: Pick<Movement, "keys" | "forms">): boolean =>
  (["standing", "supported", "water"] as const).some((kind) => movement.forms[kind] && travels(walkOf(movement, kind)));

/**
 * Whether a support can be held on the way. A stick and a helper come along; a chair and a frame with its brakes on stay. A
 * rail is held in front with both hands on the way to the side; beside the body the other hand would hold it on the way back.
 *
 * @param travel of a repetition
 * @param hold what is held; null for nothing
 */
export function goesAlong({ ahead, aside }: Travel, hold: VariantSpec["hold"]): boolean {
  if (hold === null || (ahead === 0 && aside === 0)) return true;
  const along: Readonly<Partial<Record<SupportName, boolean>>> = {
    rail: ahead === 0 && hold.hand === "both",
    fingertips: ahead === 0 && hold.hand === "both",
    chairBack: false,
    frame: false,
    armrests: false,
  };
  return along[hold.by] ?? true;
}

const middleOf = ({ values }: AuthoredKey, slots: readonly [number, number]): number =>
  (numberAt(values, slots[0]) + numberAt(values, slots[1])) / 2;

/**
 * What the place of a support is measured from at each key pose: the middle of the feet at the start, since what is held stays
 * where it is when the feet step; on a walk it goes along.
 *
 * @param keys in their order
 * @param travel of the repetition
 * @returns ahead and aside, shares of stature
 */
export function placesOfSupport(
  keys: readonly AuthoredKey[],
  travel: Travel,
): readonly (readonly [ahead: number, aside: number])[] {
  const begins = itemAt(keys, 0);
  const along = travels(travel);
  return keys.map((key) =>
    along ? [middleOf(key, FOOT_X), middleOf(key, FOOT_Z) - middleOf(begins, FOOT_Z)] : [middleOf(begins, FOOT_X), 0],
  );
}
