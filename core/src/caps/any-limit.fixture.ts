import fc from "fast-check";
import { LANDMARKS } from "../body/channels.ts";
import { FEATURES } from "../movement/features.ts";
import { VARIANT_KINDS } from "../movement/variant.ts";
import { WHOLE_OR_PART } from "./body-parts.ts";
import { type CapLimit, isStricter, NUMBER_CHANNELS } from "./cap.ts";
import { CAP_SIDES } from "./cap-side.ts";
import { MOTION_NAMES, mostOfMotion } from "./motions.ts";

const side = fc.constantFrom(...CAP_SIDES);
const percent = fc.integer({ min: 0, max: 100 });

/** Any limit that a cap can have, on any channel. */
export const anyLimit: fc.Arbitrary<CapLimit> = fc.oneof(
  fc.record({ channel: fc.constant("handHeight" as const), side, limit: fc.constantFrom(...LANDMARKS) }),
  fc.tuple(fc.constantFrom(...MOTION_NAMES), side, fc.double({ min: 0, max: 1, noNaN: true })).map(([motion, of, share]) => ({
    channel: "motion" as const,
    motion,
    side: of,
    limit: Math.round(share * mostOfMotion(motion)),
  })),
  fc.record({ channel: fc.constant("legShare" as const), side, limit: percent, poolAllowed: fc.boolean() }),
  fc.constant({ channel: "noStanding" as const }),
  fc.constant({ channel: "heldStanding" as const }),
  fc.constant({ channel: "handToRise" as const }),
  fc.record({ channel: fc.constant("barredForm" as const), limit: fc.constantFrom(...VARIANT_KINDS) }),
  fc.record({ channel: fc.constant("barredFeature" as const), limit: fc.constantFrom(...FEATURES) }),
  fc.record({
    channel: fc.constantFrom("roundsShare" as const, "sizeShare" as const),
    part: fc.constantFrom(...WHOLE_OR_PART),
    limit: percent,
  }),
  fc
    .tuple(fc.constantFrom(...NUMBER_CHANNELS), side, fc.double({ min: 0, max: 1, noNaN: true }))
    .map(([{ name, sided, lowest, highest }, of, share]) => {
      const limit = lowest + share * (highest - lowest);
      return (sided ? { channel: name, side: of, limit } : { channel: name, limit }) as CapLimit;
    }),
);

/** A stricter version of the same limit; the limit itself where there is none. */
export function tightened(limit: CapLimit): CapLimit {
  if (limit.channel === "handHeight") {
    const lower = LANDMARKS[LANDMARKS.indexOf(limit.limit) - 1];
    return lower ? { ...limit, limit: lower } : limit;
  }
  if (!("limit" in limit) || typeof limit.limit !== "number") return limit;
  const less = { ...limit, limit: 0.8 * limit.limit } as CapLimit;
  return isStricter(less, limit) ? less : ({ ...limit, limit: 1.25 * limit.limit } as CapLimit);
}
