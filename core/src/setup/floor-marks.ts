import { stanceShares } from "../movement/authored-keys.ts";
import type { Movement } from "../movement/format.ts";

/** Where the feet stand, for tape on the floor. Centimetres between the ankles, degrees of toe-out. */
export interface FloorMarks {
  readonly width: number;
  readonly length: number;
  readonly toeOut: number;
  readonly rearToeOut: number;
}

/** Floor marks of a movement's stance for one person, whole centimetres. @param stature metres */
export function floorMarks({ stance }: Pick<Movement, "stance">, stature: number): FloorMarks {
  const { width, length } = stanceShares(stance);
  const centimetres = (share: number) => Math.round(share * stature * 100);
  const toeOut = stance.toeOut ?? 0;
  return { width: centimetres(width), length: centimetres(length), toeOut, rearToeOut: stance.rearToeOut ?? toeOut };
}
