import { recordOf } from "../named.ts";

/** Numbers a list of names: the first gets `first`, each next `each` more. */
export function numbered<Name extends string>(names: readonly Name[], first: number, each: number): Record<Name, number> {
  return recordOf(names, (_, number) => first + each * number);
}
