import type { VariantKind } from "../movement/variant.ts";
import { type Cap, type CapLimit, isStricter, sidesOf } from "./cap.ts";

/**
 * One thing that can be capped: a channel, on a side where it has sides, of a motion, a part, a variant or a feature.
 */
function thingsOf(limit: CapLimit): string[] {
  const sides = sidesOf(limit);
  const of = (side: string): string => {
    switch (limit.channel) {
      case "motion":
        return `motion ${limit.motion} ${side}`;
      case "roundsShare":
      case "sizeShare":
        return `${limit.channel} ${limit.part}`;
      case "legShare":
        // A cap that counts the water and one that does not are held against different numbers.
        return `legShare ${limit.poolAllowed === true ? "counting water " : ""}${side}`;
      case "barredForm":
      case "barredFeature":
        return `${limit.channel} ${limit.limit}`;
      default:
        return `${limit.channel} ${side}`.trim();
    }
  };
  return sides.length === 0 ? [of("")] : sides.map(of);
}

/** The cap that decides about one thing, and the looser ones that it covers. */
export interface EffectiveCap<Of extends Cap = Cap> {
  /** Names the thing: channel, side, motion or part, and the variants where it does not hold in all. */
  readonly thing: string;
  readonly decides: Of;
  /** Caps on the same thing that are as strict or looser, strictest first. */
  readonly covered: readonly Of[];
}

const formsKey = (forms: readonly VariantKind[] | null): string => (forms === null ? "" : ` in ${[...forms].sort().join("+")}`);

/**
 * What holds when several caps speak of the same thing: the strictest. All stay visible, each with its why. Caps that
 * hold only in some variants decide for themselves. The order of the list does not matter; among equals the lower id
 * decides.
 */
export function effectiveCaps<Of extends Cap>(caps: readonly Of[]): EffectiveCap<Of>[] {
  const byThing = new Map<string, Of[]>();
  for (const cap of caps)
    for (const capTarget of thingsOf(cap.limit)) {
      const key = capTarget + formsKey(cap.forms);
      byThing.set(key, [...(byThing.get(key) ?? []), cap]);
    }
  return [...byThing.entries()]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([thing, all]) => {
      const sorted = all.toSorted((a, b) =>
        isStricter(a.limit, b.limit) ? -1 : isStricter(b.limit, a.limit) ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0,
      );
      const [decides, ...covered] = sorted as [Of, ...Of[]];
      return { thing, decides, covered };
    });
}

/** The strictest number that some caps set on a channel, null without one. @param side leaves out the other side's */
export function strictestNumber(caps: readonly Cap[], channel: CapLimit["channel"], side?: "left" | "right"): number | null {
  const limits = caps.flatMap(({ limit }) => {
    if (limit.channel !== channel || !("limit" in limit) || typeof limit.limit !== "number") return [];
    return side !== undefined && "side" in limit && !sidesOf(limit).includes(side) ? [] : [limit as CapLimit & { limit: number }];
  });
  const [first, ...rest] = limits;
  if (!first) return null;
  return rest.reduce((strictest, limit) => (isStricter(limit, strictest) ? limit : strictest), first).limit;
}
