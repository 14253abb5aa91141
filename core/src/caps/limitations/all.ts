import type { CautionName } from "./cautions.ts";
import { HEART_AND_BREATH } from "./heart-and-breath.ts";
import { HIPS_KNEES_AND_FEET } from "./hips-knees-and-feet.ts";
import { NECK_AND_BACK } from "./neck-and-back.ts";
import { NERVES_AND_BALANCE } from "./nerves-and-balance.ts";
import { cautionsOf, type LimitationRule } from "./rule.ts";
import { SENSES_AND_MEMORY } from "./senses-and-memory.ts";
import { SHOULDERS_AND_ARMS } from "./shoulders-and-arms.ts";
import { SKIN_BLOOD_AND_ORGANS } from "./skin-blood-and-organs.ts";
import { WHOLE_PERSON } from "./whole-person.ts";

/** The whole table from limitations to caps: starting points, shown with their sources; the clinician's word wins. */
export const LIMITATION_RULES: readonly LimitationRule[] = [
  ...SHOULDERS_AND_ARMS,
  ...NECK_AND_BACK,
  ...HIPS_KNEES_AND_FEET,
  ...NERVES_AND_BALANCE,
  ...HEART_AND_BREATH,
  ...SENSES_AND_MEMORY,
  ...SKIN_BLOOD_AND_ORGANS,
  ...WHOLE_PERSON,
];

export const LIMITATION_NAMES = LIMITATION_RULES.map(({ name }) => name);

/** @returns null for a name that is not in the table */
export const limitationRule = (name: string): LimitationRule | null =>
  LIMITATION_RULES.find((rule) => rule.name === name) ?? null;

/** What to mind with a limitation by its rule's name; nothing for a name that is not in the table. */
export function cautionsOfNamed(name: string, kind: string | null): CautionName[] {
  const rule = limitationRule(name);
  return rule ? cautionsOf(rule, kind) : [];
}
