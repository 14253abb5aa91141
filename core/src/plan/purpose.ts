/**
 * What a session trains, measured from the demands of its variants and not from what their files say they are for. Each is
 * a rate of 0 to 1 for a plan item, times its seconds of moving. Our own scales, see docs/planning.md.
 */
export const CONTENTS = [
  "steadiness",
  "spine",
  "neckAndShoulders",
  "hipsAndKnees",
  "anklesAndFeet",
  "handsAndWrists",
  "calmBreath",
  "memory",
] as const;
export type Content = (typeof CONTENTS)[number];

/** What a session may be chosen for. */
export const SESSION_PURPOSES = [
  "steadiness",
  "spine",
  "neckAndShoulders",
  "hipsAndKnees",
  "calmBreath",
  "memory",
] as const satisfies readonly Content[];
export type SessionPurpose = (typeof SESSION_PURPOSES)[number];
