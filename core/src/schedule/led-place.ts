import type { VariantSpec } from "../movement/variant.ts";

/** How an item is led, as far as its time is concerned. */
export interface LedPlace {
  /** What most do: they get there, and on from there. */
  readonly variant: VariantSpec;
  /** Seconds that people take to stand up and sit down before it. */
  readonly seconds: number;
  /** Whether the room does so together: everyone waits. Otherwise the others are shown the movement in the meantime. */
  readonly together: boolean;
}

/**
 * What is waited for while people stand up and sit down before an item.
 *
 * @param led how the item is led; null where nothing is known of it
 * @param demonstration tenths of a second in which people may change alone
 * @returns tenths of a second; negative where they are ready before the demonstration ends
 */
export const changingTenths = (led: LedPlace | null, demonstration: number): number =>
  led === null ? 0 : Math.round(10 * led.seconds) - (led.together ? 0 : demonstration);
