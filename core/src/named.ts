import { present } from "./checked-access.ts";

/**
 * The entry of a const list that has a name.
 *
 * @param list entries, each with a name of its own
 * @param name name of one of the entries
 * @throws Error if no entry has the name
 * @example entryNamed([{ name: "rail", height: 0.9 }], "rail").height // 0.9
 */
export const entryNamed = <Entry extends { readonly name: string }>(list: readonly Entry[], name: Entry["name"]): Entry =>
  present(
    list.find((entry) => entry.name === name),
    name,
  );

/**
 * A record with a value for every name of a const list.
 *
 * @param names all names of the record
 * @param of gives the value of a name; the number is its place in the list
 * @example recordOf(["left", "right"], (name) => name.length) // { left: 4, right: 5 }
 */
export const recordOf = <Name extends string, Value>(
  names: readonly Name[],
  of: (name: Name, number: number) => Value,
): Record<Name, Value> => Object.fromEntries(names.map((name, number) => [name, of(name, number)])) as Record<Name, Value>;
