import { USUAL_BODY } from "@able-tide/core/body/build";
import type { SeatUse } from "@able-tide/core/body/seats";
import { HAND_SUPPORTS } from "@able-tide/core/body/supports";
import { itemAt } from "@able-tide/core/checked-access";
import { type Depth, FULL_STANDING_VARIANT, type VariantKind, type VariantSpec } from "@able-tide/core/movement/variant";
import { bodyOnSeat } from "@able-tide/core/setup/seating";
import type { VariantBody } from "../kit/chosen-variant.ts";

/** Someone to try a movement on. */
export interface StudioPerson extends VariantBody {
  readonly id: string;
  readonly name: string;
}

/** Someone of average height on a seat of the usual height. */
const onSeat = (id: string, name: string, use: SeatUse): StudioPerson => ({
  id,
  name,
  stature: 1.65,
  mass: 70,
  measured: bodyOnSeat({ measured: USUAL_BODY, stature: 1.65, caps: [] }, { ...use, height: null }),
});

/** Bodies that no one in particular has. */
export const SOME_BODIES: readonly StudioPerson[] = [
  { id: "small", name: "Short, 150 cm", stature: 1.5, mass: 52, measured: USUAL_BODY },
  { id: "average", name: "Average height, 165 cm", stature: 1.65, mass: 70, measured: USUAL_BODY },
  { id: "tall", name: "Tall, 180 cm", stature: 1.8, mass: 84, measured: USUAL_BODY },
  onSeat("armchair", "165 cm, on a chair with arms", { seat: "armchair", position: "middle" }),
  onSeat("sofa", "165 cm, on a sofa, back supported", { seat: "sofa", position: "back" }),
  onSeat("bed", "165 cm, in bed with the back raised", { seat: "bed", position: "back" }),
];

/** Depths of water, shares of stature. */
export const WATERLINES = [
  ["0.56", "To the hips"],
  ["0.62", "To the waist"],
  ["0.7", "To the breastbone"],
] as const;

/** What is looked at: whose body, which variant, what is held, how deep. Held as the controls hold it. */
export interface StudioPreview {
  readonly who: string;
  readonly kind: VariantKind;
  /** Number of the way to hold on, see HOLDS. */
  readonly hold: number;
  readonly waterline: string;
  readonly depth: Depth;
}

export const FIRST_PREVIEW: StudioPreview = { who: "average", kind: "standing", hold: 1, waterline: "0.62", depth: "middle" };

/** The body, the variant and the water that the controls mean. */
export function readPreview(
  preview: StudioPreview,
  people: readonly StudioPerson[],
): { readonly body: VariantBody; readonly choice: VariantSpec; readonly waterline: number | undefined } {
  const body = [...SOME_BODIES, ...people].find(({ id }) => id === preview.who) ?? itemAt(SOME_BODIES, 1);
  const hold = preview.kind === "supported" ? (HAND_SUPPORTS[preview.hold] ?? null) : null;
  return {
    body: { stature: body.stature, measured: body.measured, ...(body.mass !== undefined && { mass: body.mass }) },
    choice: { ...FULL_STANDING_VARIANT, kind: preview.kind, hold, depth: preview.depth },
    waterline: preview.kind === "water" ? Number(preview.waterline) : undefined,
  };
}
