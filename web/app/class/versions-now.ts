import type { ScriptItem } from "@able-tide/core/class/script";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import { APART, versionName } from "@able-tide/words/versions";
import type { PersonNow } from "./class-view.ts";

/** Someone who is here, in the version that they do. */
export interface PersonInVersion extends PersonNow {
  /** What they do otherwise than the others of their version, in a few words; empty where nothing. */
  readonly own: string;
}

/** A version of the movement being done, with those who are here and do it. */
export interface VersionNow {
  readonly name: string;
  /** Whether the large figure shows it. */
  readonly isShown: boolean;
  /** The variant in which a figure shows it; null for those who do not move. */
  readonly variant: VariantSpec | null;
  readonly people: readonly PersonInVersion[];
}

/** The brief words on someone's variant, without those that the name of their version says already. */
function ownWords(name: string, brief: string): string {
  const said = new Set(name.toLowerCase().split(", "));
  return brief
    .split(", ")
    .filter((words) => !said.has(words))
    .join(", ");
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
  const named = (name: string, ids: readonly string[]): PersonInVersion[] =>
    ids.flatMap((id) => {
      const person = here.get(id);
      return person ? [{ ...person, own: ownWords(name, person.cell?.brief ?? "") }] : [];
    });
  const versions = led.versions.map((version, i): VersionNow => {
    const name = versionName(version);
    return { name, isShown: i === led.shown, variant: version.variant, people: named(name, version.people) };
  });
  const apart = { name: APART, isShown: false, variant: null, people: named(APART, led.apart) };
  return [...versions, apart].filter((version) => version.isShown || version.people.length > 0);
}
