/**
 * What a session trains, measured from the demands of its variants and not from what their files say they are for. Each is
 * a rate of 0 to 1 for a plan item, times its seconds of moving. Our own scales, see docs/planning.md.
 */
export const CONTENTS = [
  { name: "steadiness", label: "steadiness" },
  { name: "spine", label: "spine" },
  { name: "neckAndShoulders", label: "neck and shoulders" },
  { name: "hipsAndKnees", label: "hips and knees" },
  { name: "anklesAndFeet", label: "ankles and feet" },
  { name: "handsAndWrists", label: "hands and wrists" },
  { name: "calmBreath", label: "calm breath" },
  { name: "memory", label: "memory and coordination" },
] as const;
export type Content = (typeof CONTENTS)[number]["name"];
export const contentLabel = (name: Content): string => CONTENTS.find((each) => each.name === name)?.label ?? name;

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
