import type { ArmAngles } from "./arm.ts";
import { DEGREE } from "./rotation.ts";
import { cross, dot, type Vector } from "./vector.ts";

/** Sine of an angle from straight down or up within which an arm has no plane of its own. */
const NO_PLANE = 1e-6;

/** Direction of the upper arm and the direction in which it rises, ahead, up and outwards of the thorax. */
function upperArm(elevation: number, plane: number): { readonly down: Vector; readonly rise: Vector } {
  const [ce, se] = [Math.cos(elevation * DEGREE), Math.sin(elevation * DEGREE)];
  const [cp, sp] = [Math.cos(plane * DEGREE), Math.sin(plane * DEGREE)];
  return { down: [se * sp, -ce, se * cp], rise: [ce * sp, se, ce * cp] };
}

type ShoulderAngles = Pick<ArmAngles, "elevation" | "plane" | "axial">;

/**
 * The angles with which a shoulder keeps the direction of its arm in space while the trunk leans back.
 *
 * @param angles relative to the upright trunk, degrees
 * @param lean how far the trunk leans back, degrees
 * @returns relative to the leaning trunk, degrees; the plane as near the former one as it can be
 */
export function tiltArm({ elevation, plane, axial }: ShoulderAngles, lean: number): ShoulderAngles {
  const { down, rise } = upperArm(elevation, plane);
  const inwards = cross(rise, down);
  const [ca, sa] = [Math.cos(axial * DEGREE), Math.sin(axial * DEGREE)];
  const mixed = (i: 0 | 1 | 2) => ca * rise[i] + sa * inwards[i];
  const [cl, sl] = [Math.cos(lean * DEGREE), Math.sin(lean * DEGREE)];
  const seen = ([x, y, z]: Vector): Vector => [x * cl + y * sl, y * cl - x * sl, z];
  const [arm, fold] = [seen(down), seen([mixed(0), mixed(1), mixed(2)])];
  const raised = Math.acos(Math.min(1, Math.max(-1, -arm[1]))) / DEGREE;
  const flat = Math.hypot(arm[0], arm[2]) > NO_PLANE ? Math.atan2(arm[0], arm[2]) / DEGREE : plane;
  const turned = flat + 360 * Math.round((plane - flat) / 360);
  const now = upperArm(raised, turned);
  return {
    elevation: raised,
    plane: turned,
    axial: Math.atan2(dot(fold, cross(now.rise, now.down)), dot(fold, now.rise)) / DEGREE,
  };
}
