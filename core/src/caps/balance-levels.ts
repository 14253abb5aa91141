/**
 * Rungs of steadiness, lowest first: what a person holds, with the steadiness demand that it caps. Our own scale, from the
 * bases of the steadiness demand.
 */
export const BALANCE_LEVELS = [
  { name: "seated", label: "seated", steadiness: 1 },
  { name: "hipWidth", label: "standing, feet hip-width apart", steadiness: 3 },
  { name: "together", label: "feet together", steadiness: 4 },
  { name: "semiTandem", label: "semi-tandem (instep to toe)", steadiness: 5 },
  { name: "toeDown", label: "one foot, other toes touching the floor", steadiness: 5.5 },
  { name: "tandem", label: "tandem (heel to toe)", steadiness: 6.5 },
  { name: "oneLeg", label: "one leg for 5 seconds", steadiness: 8 },
  { name: "oneLegHeadTurns", label: "one leg for 10 seconds with head turns", steadiness: 9 },
] as const;

/** The capping value one rung under a steadiness; the lowest stays the lowest. @example rungUnder(6.5) // 5.5 */
export const levelBelow = (steadiness: number): number =>
  BALANCE_LEVELS.findLast((rung) => rung.steadiness < steadiness)?.steadiness ?? BALANCE_LEVELS[0].steadiness;

/**
 * The four-stage stand: each stage is held for 10 seconds, and it stops at the first that is not held.
 * Source: CDC, older-adult fall prevention; heel-to-toe under 10 s: raised risk.
 */
export const FOUR_STAGE_STAND = {
  id: "fourStageStand",
  label: "Four-stage balance test",
  source: "CDC, older-adult fall prevention",
  stages: [
    { name: "none", label: "none", rung: "seated" },
    { name: "hipWidth", label: "none, but feet hip-width apart for 10 seconds", rung: "hipWidth" },
    { name: "sideBySide", label: "side by side", rung: "together" },
    { name: "semiTandem", label: "semi-tandem (instep to toe)", rung: "semiTandem" },
    { name: "tandem", label: "tandem (heel to toe)", rung: "tandem" },
    { name: "oneLeg", label: "on one leg", rung: "oneLeg" },
  ],
} as const;
export type StandStage = (typeof FOUR_STAGE_STAND.stages)[number]["name"];

/** The steadiness shown safe by the furthest stage held: none of them shows nothing about standing. */
export function steadinessShown(stage: StandStage): number {
  const rung = FOUR_STAGE_STAND.stages.find(({ name }) => name === stage)?.rung;
  return BALANCE_LEVELS.find(({ name }) => name === rung)?.steadiness ?? BALANCE_LEVELS[0].steadiness;
}
