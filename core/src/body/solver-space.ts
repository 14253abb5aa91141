import type { Side } from "../side.ts";
import { type BaseMemory, newBaseMemory } from "./base-memory.ts";
import { type Build, USUAL_BUILD } from "./build.ts";
import { ROW_WIDTH } from "./channels.ts";
import type { FreeLegAngles } from "./free-leg.ts";
import { type PlantedFoot, plantedFoot } from "./planted-leg.ts";
import type { ElbowSwivels } from "./reach-with-arm.ts";
import { type TrunkAxes, trunkAxes } from "./upper-body.ts";

/** Why a body cannot take up a pose. Lengths are shares of H, angles degrees. */
export type PoseProblem =
  | { readonly kind: "legTooShort"; readonly side: Side; readonly shortBy: number }
  | { readonly kind: "armTooShort"; readonly side: Side; readonly shortBy: number }
  | { readonly kind: "kneeTooDeep"; readonly side: Side; readonly beyond: number }
  | { readonly kind: "offBase"; readonly beyond: number }
  /** The pose puts a foot on the floor that this body does not have. */
  | { readonly kind: "noFoot"; readonly side: Side };

/**
 * Working space of one solution, so that solving a pose allocates nothing. Every solution sets all it reads: the order in
 * which poses are solved makes no difference. Lengths are shares of H, masses shares of M.
 */
export interface SolverSpace {
  readonly axes: TrunkAxes;
  /** Sums of mass times place, and of mass, of what moves with the pelvis; the pelvis is at the origin. */
  readonly upperMoments: Float64Array;
  /** The same of the whole body, with the pelvis where `pelvisAt` says. */
  readonly moments: Float64Array;
  /** Joints of what moves with the pelvis; the pelvis is at the origin. */
  readonly upperRow: Float64Array;
  readonly feet: readonly [left: PlantedFoot, right: PlantedFoot];
  readonly freeLeg: FreeLegAngles;
  readonly pelvisAt: [x: number, y: number, z: number];
  readonly swivels: ElbowSwivels;
  readonly base: BaseMemory;
  /** The first problem of the pose; null while there is none. */
  problem: PoseProblem | null;
  build: Build;
}

export const createSolverSpace = (): SolverSpace => ({
  axes: trunkAxes(),
  upperMoments: new Float64Array(4),
  moments: new Float64Array(4),
  upperRow: new Float64Array(ROW_WIDTH),
  feet: [plantedFoot(), plantedFoot()],
  freeLeg: { flexion: 0, abduction: 0, rotation: 0, knee: 0, ankle: 0 },
  pelvisAt: [0, 0, 0],
  swivels: { kept: false, angles: [0, 0] },
  base: newBaseMemory(),
  problem: null,
  build: USUAL_BUILD,
});
