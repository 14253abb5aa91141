import { SECOND_TASKS } from "@able-tide/core/body/balance-demand";
import { WATER_EQUIPMENT } from "@able-tide/core/body/water-equipment";
import { LONGEST_PAUSE, PAUSE_PLACES } from "@able-tide/core/movement/breathing";
import type { PlanItemChange } from "@able-tide/core/plan/change-item";
import { EXPLANATION_SECONDS, type PlanItem } from "@able-tide/core/plan/plan-item";
import { BREATH_SECONDS } from "@able-tide/core/plan/style";
import { waterEquipmentLabel } from "@able-tide/words/body";
import { formatPause } from "@able-tide/words/breathing";
import { secondTaskLabel } from "@able-tide/words/circumstances";
import { sentenceCase } from "@able-tide/words/text";

/** Options of a list: the value that is sent, and what is read. */
export type Options = readonly (readonly [value: string, words: string])[];

/** Which sides a movement is done on, and which comes first. */
export const SIDES = [
  ["", "Both sides (set by style)"],
  ["first left", "Both sides, left first"],
  ["first right", "Both sides, right first"],
  ["only left", "Left side only"],
  ["only right", "Right side only"],
] as const satisfies Options;

/** The option of `SIDES` that an item has. */
export function sidesOf({ only, first }: Pick<PlanItem, "only" | "first">): string {
  if (only) return `only ${only}`;
  return first ? `first ${first}` : "";
}

/** What an option of `SIDES` changes. */
export function sidesChange(value: string): PlanItemChange {
  const side = value.endsWith("left") ? "left" : "right";
  return { first: value.startsWith("first") ? side : undefined, only: value.startsWith("only") ? side : undefined };
}

/** The variant that the group is shown; the last two only where the movement has a supported variant. */
export const VARIANTS = [
  ["", "Same variant as the group"],
  ["seated", "Seated"],
  ["hold left", "Left hand on the rail"],
  ["hold right", "Right hand on the rail"],
] as const satisfies Options;

/** The option of `VARIANTS` that an item has. */
export const variantOf = ({ hold, as }: Pick<PlanItem, "hold" | "as">): string => (hold ? `hold ${hold}` : (as ?? ""));

/** What an option of `VARIANTS` changes. */
export const variantChange = (value: string): PlanItemChange => ({
  as: value === "seated" ? "seated" : undefined,
  hold: value.startsWith("hold") ? (value.endsWith("left") ? "left" : "right") : undefined,
});

/** What everyone has in their hands in a pool. */
export const EQUIPMENT = WATER_EQUIPMENT.map(({ name }) => [name, waterEquipmentLabel(name)] as const);

/** What everyone does at the same time. */
export const SECOND_TASK_OPTIONS: Options = [
  ["", "None"],
  ...SECOND_TASKS.map((name) => [name, sentenceCase(secondTaskLabel(name))] as const),
];

/** Breath lengths that can be chosen, seconds. */
export const HALF_SECONDS: readonly number[] = Array.from(
  { length: 2 * (BREATH_SECONDS.most - BREATH_SECONDS.least) + 1 },
  (_, i) => BREATH_SECONDS.least + i / 2,
);

/** Pauses of the breath that an item may have of its own. */
export const PAUSES: Options = [
  ["", "Set by style"],
  ["top 0", "No pause"],
  ...PAUSE_PLACES.flatMap((at) =>
    Array.from({ length: LONGEST_PAUSE }, (_, i) => [`${at} ${i + 1}`, formatPause({ at, seconds: i + 1 })] as const),
  ),
];

/** The option of `PAUSES` that an item has. */
export const pauseOptionOf = ({ pause }: Pick<PlanItem, "pause">): string => (pause ? `${pause.at} ${pause.seconds}` : "");

/** What an option of `PAUSES` changes. */
export function pauseChange(value: string): PlanItemChange {
  const at = PAUSE_PLACES.find((place) => value.startsWith(place));
  return { pause: at && { at, seconds: Number(value.slice(at.length)) } };
}

/** Seconds of explanation that can be chosen. */
export const EXPLANATIONS: readonly number[] = [0, 15, 30, 45, 60, 90, 120, 180, 300].filter(
  (seconds) => seconds <= EXPLANATION_SECONDS.most,
);
