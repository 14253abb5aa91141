/** Someone else's change to what is being typed: what it says now, next to what was typed. */
export interface Difference {
  readonly label: string;
  readonly theirs: string;
  readonly yours: string;
}

const words = (value: unknown): string =>
  value === "" || value === null || value === undefined || (Array.isArray(value) && value.length === 0)
    ? "nothing"
    : Array.isArray(value)
      ? value.join(", ")
      : String(value);

/** The fields in which two versions differ, by their labels. */
export function differences(
  labels: readonly (readonly [field: string, label: string])[],
  theirs: Readonly<Record<string, unknown>>,
  yours: Readonly<Record<string, unknown>>,
): Difference[] {
  return labels.flatMap(([field, label]) =>
    words(theirs[field]) === words(yours[field]) ? [] : [{ label, theirs: words(theirs[field]), yours: words(yours[field]) }],
  );
}
