/** Facts in one line with dots between; a fact that is blank is left out. @example dotted("Hall", "", "10:30") // "Hall · 10:30" */
export const dotted = (...facts: readonly string[]): string =>
  facts
    .map((fact) => fact.trim())
    .filter((fact) => fact !== "")
    .join(" · ");
