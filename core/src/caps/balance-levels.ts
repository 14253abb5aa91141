/**
 * Balance levels, lowest first: what a participant can hold, with the cap on balance demand that follows. Our own
 * scale, from the bases of the balance demand.
 */
export const BALANCE_LEVELS = [
  { name: "seated", steadiness: 1 },
  { name: "hipWidth", steadiness: 3 },
  { name: "together", steadiness: 4 },
  { name: "semiTandem", steadiness: 5 },
  { name: "toeDown", steadiness: 5.5 },
  { name: "tandem", steadiness: 6.5 },
  { name: "oneLeg", steadiness: 8 },
  { name: "oneLegHeadTurns", steadiness: 9 },
] as const;

/** The cap one balance level below a balance demand; the lowest stays the lowest. @example levelBelow(6.5) // 5.5 */
export const levelBelow = (demand: number): number =>
  BALANCE_LEVELS.findLast((rung) => rung.steadiness < demand)?.steadiness ?? BALANCE_LEVELS[0].steadiness;

/**
 * The four-stage stand: each stage is held for 10 seconds, and it stops at the first that is not held.
 * Source: CDC, older-adult fall prevention; heel-to-toe under 10 s: raised risk.
 */
export const FOUR_STAGE_STAND = {
  id: "fourStageStand",
  source: "cdc",
  stages: [
    { name: "none", rung: "seated" },
    { name: "hipWidth", rung: "hipWidth" },
    { name: "sideBySide", rung: "together" },
    { name: "semiTandem", rung: "semiTandem" },
    { name: "tandem", rung: "tandem" },
    { name: "oneLeg", rung: "oneLeg" },
  ],
} as const;
export type StandStage = (typeof FOUR_STAGE_STAND.stages)[number]["name"];

/** The balance demand shown safe by the furthest stage held; without a stage the test says nothing about standing. */
export function balanceDemandShown(stage: StandStage): number {
  const rung = FOUR_STAGE_STAND.stages.find(({ name }) => name === stage)?.rung;
  return BALANCE_LEVELS.find(({ name }) => name === rung)?.steadiness ?? BALANCE_LEVELS[0].steadiness;
}
