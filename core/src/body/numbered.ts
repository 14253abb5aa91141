/** Numbers a list of names: the first gets `first`, each next `each` more. */
export function numbered<Name extends string>(names: readonly Name[], first: number, each: number): Record<Name, number> {
  return Object.fromEntries(names.map((name, i) => [name, first + each * i])) as Record<Name, number>;
}
