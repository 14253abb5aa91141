import type { ScriptItem } from "@able-tide/core/class/script";
import { isInWater } from "@able-tide/core/leading/in-water";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import { APART, OUT_OF_WATER, versionName } from "@able-tide/words/versions";
import type { PersonNow } from "./class-view.ts";

/** Someone who is here, in the version that they do. */
export interface PersonInVersion extends PersonNow {
  /** What they do otherwise than the others of their version, in a few words each, what matters most first. */
  readonly own: readonly string[];
}

/** A version of the movement being done, with those who are here and do it. */
export interface VersionNow {
  readonly name: string;
  /** Whether the large figure shows it. */
  readonly isShown: boolean;
  /** The variant in which a figure shows it; null for those who do not move. */
  readonly variant: VariantSpec | null;
  readonly inWater: boolean;
  /** What everyone in it does besides what its name says, in words. */
  readonly shared: string;
  readonly people: readonly PersonInVersion[];
}

/** The brief words on someone's variant, without those that the name of their version says already. */
function ownWords(name: string, brief: string): string[] {
  const said = new Set(["", ...name.toLowerCase().split(", ")]);
  return brief.split(", ").filter((words) => !said.has(words));
}

/** What is said of everyone, where there is more than one. */
const sharedWords = (all: readonly (readonly string[])[]): readonly string[] =>
  all.length < 2 ? [] : (all[0] ?? []).filter((words) => all.every((own) => own.includes(words)));

/** Letters that have room in two lines below a name. */
const TWO_LINES = 46;

/** What someone does of their own, as far as two lines say it, and what is left for a touch on their name. */
export function inTwoLines(own: readonly string[]): { readonly said: readonly string[]; readonly more: readonly string[] } {
  const fits = (count: number): boolean => own.slice(0, count).join(", ").length + (count < own.length ? 3 : 0) <= TWO_LINES;
  let count = own.length;
  while (count > 1 && !fits(count)) count -= 1;
  return { said: own.slice(0, count), more: own.slice(count) };
}

/** The longest name, and the longest words below it, that have room in a third of the width. */
const SHORT_NAME = 9;
const SHORT_WORDS = 19;

/** Names in a version: those of whom much is said, two in a row, then the others, three in a row. */
export interface NameRows {
  readonly wide: readonly PersonInVersion[];
  readonly narrow: readonly PersonInVersion[];
  /** How many rows both make. */
  readonly rows: number;
}

/**
 * How the names in a version stand in rows, those first who have a hand.
 *
 * @param people in a version
 */
export function inRows(people: readonly PersonInVersion[]): NameRows {
  const isWide = ({ name, hand, own, noted, sits, due }: PersonInVersion): boolean =>
    own.join(", ").length > SHORT_WORDS || noted.length > 0 || sits || due || name.length + (hand ? 2 : 0) > SHORT_NAME;
  const handsFirst = people.toSorted((a, b) => Number(b.hand) - Number(a.hand));
  const wide = handsFirst.filter(isWide);
  const narrow = handsFirst.filter((person) => !isWide(person));
  // A wide one that is left over has a narrow one beside it.
  const beside = wide.length % 2;
  return { wide, narrow, rows: Math.ceil(wide.length / 2) + Math.ceil(Math.max(0, narrow.length - beside) / 3) };
}

/**
 * The versions of a movement with those who are here, in the order in which they are cued; a version that no one here does is
 * left out, unless the figure shows it.
 *
 * @param item how it is led
 * @param people who are here
 * @returns null for a class that was begun before it was written down how it is led
 */
export function versionsNow({ led }: Pick<ScriptItem, "led">, people: readonly PersonNow[]): VersionNow[] | null {
  if (led === undefined) return null;
  const here = new Map(people.map((person) => [person.id, person]));
  const named = (name: string, ids: readonly string[]): Pick<VersionNow, "name" | "shared" | "people"> => {
    const doing = ids
      .flatMap((id) => here.get(id) ?? [])
      .map((person) => ({ person, own: ownWords(name, person.cell?.brief ?? "") }));
    const shared = sharedWords(doing.map(({ own }) => own));
    const people = doing.map(({ person, own }) => ({ ...person, own: own.filter((words) => !shared.includes(words)) }));
    return { name, shared: shared.join(", "), people };
  };
  const versions = led.versions.map((version, i): VersionNow => {
    const { people, variant, posture } = version;
    return { ...named(versionName(version), people), isShown: i === led.shown, variant, inWater: isInWater(posture) };
  });
  const apart = led.apart.flatMap((id) => here.get(id) ?? []);
  const resting = apart.filter(({ outOfWater }) => !outOfWater).map(({ id }) => id);
  // Nothing of the movement is said of them: they do none of it.
  const ashore = apart.flatMap((person) => (person.outOfWater ? [{ ...person, own: [] }] : []));
  const still = { isShown: false, variant: null, inWater: false };
  const others: readonly VersionNow[] = [
    { ...named(APART, resting), ...still },
    { name: OUT_OF_WATER, shared: "", people: ashore, ...still },
  ];
  return [...versions, ...others].filter((version) => version.isShown || version.people.length > 0);
}
