import type { Point } from "./base-of-support.ts";
import type { Build } from "./build.ts";
import { type PoseFrame, sidedSlots, slot } from "./pose.ts";

/** What the base of support depends on besides the frame. */
export const BASE_SLOTS = [
  ...sidedSlots("heelLift"),
  ...sidedSlots("footX"),
  ...sidedSlots("footZ"),
  ...sidedSlots("toeOut"),
  ...sidedSlots("holdX"),
  ...sidedSlots("holdZ"),
  slot("pelvisRotation"),
];

/** The latest base of support with what it was read from. */
export interface BaseMemory {
  readonly values: Float64Array;
  frame: PoseFrame | null;
  build: Build | null;
  corners: readonly Point[];
  quietMargin: number;
}

export const newBaseMemory = (): BaseMemory => ({
  values: new Float64Array(BASE_SLOTS.length),
  frame: null,
  build: null,
  corners: [],
  quietMargin: 0,
});
