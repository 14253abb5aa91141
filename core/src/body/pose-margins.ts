import { numberAt } from "../checked-access.ts";
import { BASE_SLOTS } from "./base-memory.ts";
import { baseOfSupport, marginOfStability, type Point } from "./base-of-support.ts";
import { column } from "./channels.ts";
import { contactsOf, staticPressurePoint } from "./contacts.ts";
import type { Pose } from "./pose.ts";
import type { SolverSpace } from "./solver-space.ts";

const COM_X = column("comX");
const COM_Z = column("comZ");
const MARGIN = column("margin");
const QUIET_MARGIN = column("quietMargin");

/** The base of support; along a stretch of movement the feet stay where they are, and so does the base. */
function baseOf({ base: memory, build }: SolverSpace, pose: Pose, row: Float64Array): readonly Point[] {
  const { frame, values } = pose;
  const isSame =
    memory.frame === frame && memory.build === build && BASE_SLOTS.every((index, i) => memory.values[i] === values[index]);
  if (isSame) return memory.corners;
  BASE_SLOTS.forEach((index, i) => {
    memory.values[i] = numberAt(values, index);
  });
  memory.frame = frame;
  memory.build = build;
  memory.corners = baseOfSupport(contactsOf(pose, row));
  // Where static weight stands depends on the feet alone, as the base does.
  memory.quietMargin = memory.corners.length < 3 ? 0 : marginOfStability(staticPressurePoint(pose, row), memory.corners);
  return memory.corners;
}

/** Margins to the edge of the base; a mass outside it is a problem, since no one can stay there. */
export function readMargins(space: SolverSpace, pose: Pose, row: Float64Array): readonly Point[] {
  const base = baseOf(space, pose, row);
  if (base.length < 3) {
    space.problem ??= { kind: "offBase", beyond: 1 };
    return base;
  }
  const margin = marginOfStability([numberAt(row, COM_X), numberAt(row, COM_Z)], base);
  row[MARGIN] = margin;
  row[QUIET_MARGIN] = space.base.quietMargin;
  if (margin < 0) space.problem ??= { kind: "offBase", beyond: -margin };
  return base;
}
