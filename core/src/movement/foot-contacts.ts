import { type FootContact, sidedSlot } from "../body/pose.ts";
import { numberAt } from "../checked-access.ts";
import type { Side } from "../side.ts";
import type { AuthoredKey } from "./authored-keys.ts";
import { stepsBetween } from "./resize-keys.ts";
import { type Pivot, turnsBetween } from "./turned-feet.ts";
import type { VariantSpec } from "./variant.ts";

/**
 * How each foot meets the floor between two key poses: the less of what the two say.
 *
 * @param pivot what a foot turns on
 * @param lying whether the legs lie along a bed
 */
export function footContacts(
  start: AuthoredKey,
  end: AuthoredKey,
  choice: VariantSpec,
  footless: readonly Side[],
  pivot: Pivot,
  lying: boolean,
): readonly [FootContact, FootContact] {
  const lift = start.lift ?? end.lift;
  const contact = (side: Side): FootContact => {
    if (footless.includes(side)) return "absent";
    if (lift === side) return choice.toeDown && choice.kind !== "seated" ? "restingToe" : "lifted";
    if (lying) return "lying";
    if (stepsBetween(start, end, side)) return "onItsWay";
    if (turnsBetween(start, end, side)) return pivot === "heel" ? "heel" : "forefoot";
    const pitch = (key: AuthoredKey) => numberAt(key.values, sidedSlot("heelLift", side));
    if (pitch(start) > 0 || pitch(end) > 0) return "forefoot";
    return pitch(start) < 0 || pitch(end) < 0 ? "heel" : "flat";
  };
  return [contact("left"), contact("right")];
}
