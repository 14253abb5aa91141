import type { FitPlan } from "../fit/fit-plan.ts";
import type { LedItem } from "../fit/led-item.ts";
import { type VersionCode, versionCode } from "../fit/version.ts";
import { type SheetItem, type SheetPerson, sheetItemsOf } from "../leading/session-sheet.ts";
import type { BodyState } from "../schedule/body-state.ts";
import type { ClassScript, ScriptItem } from "./script.ts";

/** Says in words where someone who has lost their place waits. */
type FormatHome = (home: BodyState) => string;

/** An item of a script with how it is led. @param home where people wait to rejoin as planned */
function ledItem(item: ScriptItem, led: SheetItem, home: BodyState, format: FormatHome): ScriptItem {
  const { home: _, ...kept } = item;
  const support = led.onFeet ? "stand" : "seat";
  const elsewhere = home.support !== "pool" && home.support !== support;
  return { ...kept, led, ...(elsewhere && { home: format({ ...home, support }) }) };
}

/**
 * Puts into the items of a script how they are led.
 *
 * @param items of the script
 * @param led how each is led, in the same order
 * @param home where people who have lost their place wait as planned
 * @param format says it in words
 */
export const ledItems = (
  items: readonly ScriptItem[],
  led: readonly SheetItem[],
  home: BodyState,
  format: FormatHome,
): ScriptItem[] =>
  items.map((item, i) => {
    const own = led[i];
    return own === undefined ? item : ledItem(item, own, home, format);
  });

const listedIn = ({ led }: Pick<ScriptItem, "led">): VersionCode[] =>
  led?.versions.flatMap((version) => (version.besides ? [] : [versionCode(version)])) ?? [];

/**
 * How the items of a class are led, for a fit that chooses within it.
 *
 * @param script of the class
 * @returns nothing where the class was begun before it was written down
 */
export function ledSoFar({ blocks }: Pick<ClassScript, "blocks">): LedItem[] | undefined {
  const led = blocks.flatMap((item) => (item.led ? [{ onFeet: item.led.onFeet, versions: listedIn(item) }] : []));
  return led.length === blocks.length && led.some(({ versions }) => versions.length > 0) ? led : undefined;
}

/** What a class is led by anew. */
export interface LedAgain {
  readonly plan: FitPlan;
  /** Who was fitted; who stands up with a hand is known of them. */
  readonly fits: readonly SheetPerson[];
  readonly home: BodyState;
  readonly format: FormatHome;
}

/**
 * Writes down anew how a class is led after some of its people do other variants: who does which version, and who sits down
 * and stands up when. The versions that were led stay listed, and what is done already stays as it was.
 *
 * @param script with everyone's variants as they are now
 * @param from the place of the first item that is written anew
 */
export function withLeading(script: ClassScript, from: number, { plan, fits, home, format }: LedAgain): ClassScript {
  const { blocks, people } = script;
  const isOfPlan = plan.blocks.length === blocks.length && blocks.every(({ id }, b) => id === plan.blocks[b]?.id);
  if (!isOfPlan) return script;
  const known = new Map(fits.map((person) => [person.id, person]));
  const fitted = people.filter(({ cells }) => cells.length === blocks.length);
  const led = sheetItemsOf(
    plan,
    fitted.map(({ id }) => known.get(id) ?? { id, caps: [] }),
    fitted.map(({ cells }) => cells),
    blocks.map(listedIn),
  );
  const anew = ledItems(blocks, led, home, format);
  return { ...script, blocks: blocks.map((item, b) => (b < from ? item : (anew[b] ?? item))) };
}

/**
 * A script without someone.
 *
 * @param script of a class
 * @param personId who is taken out
 */
export function withoutPerson(script: ClassScript, personId: string): ClassScript {
  const others = (ids: readonly string[]): string[] => ids.filter((id) => id !== personId);
  const without = (led: SheetItem): SheetItem => ({
    ...led,
    versions: led.versions.map((version) => ({ ...version, people: others(version.people) })),
    apart: others(led.apart),
    change: led.change && {
      ...led.change,
      rise: others(led.change.rise),
      sit: others(led.change.sit),
      hands: others(led.change.hands),
    },
  });
  return {
    ...script,
    blocks: script.blocks.map((item) => (item.led ? { ...item, led: without(item.led) } : item)),
    people: script.people.filter(({ id }) => id !== personId),
  };
}
