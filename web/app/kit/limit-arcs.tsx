import { pointColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import { type Cap, type CapLimit, sidesOf } from "@able-tide/core/caps/cap";
import { effectiveCaps } from "@able-tide/core/caps/effective";
import { type MotionName, mostOfMotion } from "@able-tide/core/caps/motions";
import type { Side } from "@able-tide/core/side";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";
import { placer } from "./figure-geometry.ts";

/** A joint's range as an arc in one view, and how much of it a cap leaves. */
interface Arc {
  readonly key: string;
  readonly centre: { readonly x: number; readonly y: number };
  readonly radius: number;
  /** Direction of the limb at zero, degrees clockwise from straight up on the picture, and which way it turns. */
  readonly zero: number;
  readonly turn: 1 | -1;
  readonly allowed: number;
  readonly whole: number;
  readonly label: string;
}

type ArcView = "front" | "side" | "sideLeft" | "above";

/** Where a joint's arc is drawn: in which view, about which point, from which direction, turning which way. */
interface Drawing {
  readonly view: Exclude<ArcView, "sideLeft">;
  readonly point: (side: Side) => number;
  readonly radius: number;
  readonly zero: number;
  /** Clockwise 1, anticlockwise -1; in the views that show sides, of the right side: the left mirrors it. */
  readonly turn: 1 | -1;
  readonly mirrored?: boolean;
  readonly whole: number;
}

const joint = (name: Parameters<typeof sidedPointColumn>[0]) => (side: Side) => sidedPointColumn(name, side);
const midline = (name: Parameters<typeof pointColumn>[0]) => () => pointColumn(name);

const motion = (name: MotionName, drawing: Omit<Drawing, "whole">): readonly [string, Drawing] => [
  `motion ${name}`,
  { ...drawing, whole: mostOfMotion(name) },
];

/** Seen from the person's right forward is to the right of the picture; from the front their right is on the left. */
const DRAWINGS: ReadonlyMap<string, Drawing> = new Map<string, Drawing>([
  ["loadedKnee", { view: "side", point: joint("kneeJoint"), radius: 13, zero: 180, turn: 1, whole: 120 }],
  ["dorsiflexion", { view: "side", point: joint("ankle"), radius: 15, zero: 0, turn: 1, whole: 30 }],
  ["straightKneeDorsiflexion", { view: "side", point: joint("ankle"), radius: 19, zero: 0, turn: 1, whole: 30 }],
  motion("kneeFlexion", { view: "side", point: joint("kneeJoint"), radius: 13, zero: 180, turn: 1 }),
  motion("plantarFlexion", { view: "side", point: joint("ankle"), radius: 9, zero: 90, turn: 1 }),
  motion("hipFlexion", { view: "side", point: joint("hip"), radius: 19, zero: 180, turn: -1 }),
  motion("hipExtension", { view: "side", point: joint("hip"), radius: 19, zero: 180, turn: 1 }),
  motion("neckFlexion", { view: "side", point: midline("neck"), radius: 14, zero: 0, turn: 1 }),
  motion("neckExtension", { view: "side", point: midline("neck"), radius: 14, zero: 0, turn: -1 }),
  motion("spineFlexion", { view: "side", point: midline("lumbar"), radius: 22, zero: 0, turn: 1 }),
  motion("spineExtension", { view: "side", point: midline("lumbar"), radius: 22, zero: 0, turn: -1 }),
  motion("elbowFlexion", { view: "side", point: joint("elbowJoint"), radius: 10, zero: 180, turn: -1 }),
  motion("shoulderElevation", {
    view: "front",
    point: joint("shoulder"),
    radius: 16,
    zero: 180,
    turn: 1,
    mirrored: true,
  }),
  motion("hipAbduction", { view: "front", point: joint("hip"), radius: 20, zero: 180, turn: 1, mirrored: true }),
  motion("hipAdduction", { view: "front", point: joint("hip"), radius: 20, zero: 180, turn: -1, mirrored: true }),
  motion("neckSideBend", { view: "front", point: midline("neck"), radius: 14, zero: 0, turn: -1, mirrored: true }),
  motion("spineSideBend", { view: "front", point: midline("lumbar"), radius: 22, zero: 0, turn: -1, mirrored: true }),
  motion("neckRotation", { view: "above", point: midline("crown"), radius: 17, zero: 0, turn: 1, mirrored: true }),
  motion("spineRotation", { view: "above", point: midline("shoulderLine"), radius: 25, zero: 0, turn: 1, mirrored: true }),
  motion("shoulderOutwardTurn", { view: "above", point: joint("shoulder"), radius: 13, zero: 0, turn: 1, mirrored: true }),
  motion("shoulderInwardTurn", { view: "above", point: joint("shoulder"), radius: 13, zero: 0, turn: -1, mirrored: true }),
  motion("hipOutwardTurn", { view: "above", point: joint("ankle"), radius: 17, zero: 0, turn: 1, mirrored: true }),
  motion("hipInwardTurn", { view: "above", point: joint("ankle"), radius: 17, zero: 0, turn: -1, mirrored: true }),
]);

const nameOf = ({ limit }: Cap): string => (limit.channel === "motion" ? `motion ${limit.motion}` : limit.channel);

/** The sides of the body whose arcs a view shows: from a side the near one, its joints being in front of the others. */
function sidesIn(view: ArcView, limit: CapLimit): readonly Side[] {
  const sides = sidesOf(limit);
  if (view !== "side" && view !== "sideLeft") return sides;
  const near = view === "side" ? "right" : "left";
  return sides.filter((side) => side === near);
}

/** The midline has no side of its own: it is shown from the right. */
const MIDLINE_MOTIONS = ["neck", "spine"];
const isMidline = (limit: CapLimit): boolean =>
  limit.channel === "motion" && MIDLINE_MOTIONS.some((name) => limit.motion.startsWith(name));

/** Arcs of the caps on joints that a view can show, of the caps that decide; each side of the body has its own. */
export function arcsOf(caps: readonly Cap[], row: Float64Array, view: ArcView): Arc[] {
  const { at } = placer(row, view);
  const deciding = [...new Set(effectiveCaps(caps).map(({ decides }) => decides))];
  return deciding.flatMap((cap) => {
    const { limit } = cap;
    const drawing = DRAWINGS.get(nameOf(cap));
    const fromLeft = view === "sideLeft";
    if (drawing?.view !== (fromLeft ? "side" : view) || !("limit" in limit) || typeof limit.limit !== "number") return [];
    const { limit: degrees } = limit;
    const whole = drawing.view === "side" && isMidline(limit);
    const sides = whole ? (fromLeft ? [] : (["right"] as const)) : sidesIn(view, limit);
    return sides.map((side) => ({
      key: `${cap.id} ${side}`,
      centre: at(drawing.point(side)),
      radius: drawing.radius,
      // Seen from the left, ahead is on the left of the picture.
      zero: fromLeft ? -drawing.zero : drawing.zero,
      turn: fromLeft || (drawing.mirrored && side === "left") ? (-drawing.turn as 1 | -1) : drawing.turn,
      allowed: Math.max(0, Math.min(degrees, drawing.whole)),
      whole: drawing.whole,
      label: formatCapLimitBriefly(limit),
    }));
  });
}

function sector({ centre, radius, zero, turn }: Arc, from: number, to: number): string {
  const on = (degrees: number) => {
    const angle = ((zero + turn * degrees) * Math.PI) / 180;
    return `${(centre.x + radius * Math.sin(angle)).toFixed(2)} ${(centre.y - radius * Math.cos(angle)).toFixed(2)}`;
  };
  const large = to - from > 180 ? 1 : 0;
  return `M${centre.x.toFixed(2)} ${centre.y.toFixed(2)} L${on(from)} A${radius} ${radius} 0 ${large} ${turn === 1 ? 1 : 0} ${on(to)} Z`;
}

/**
 * What a joint may do, drawn at the joint: the allowed part plain, the capped part hatched. Goes inside a figure's
 * picture.
 */
export function LimitArcs({ arcs, hatch }: { arcs: readonly Arc[]; hatch: string }) {
  return (
    <g>
      <defs>
        <pattern id={hatch} width="2.4" height="2.4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0 V2.4" stroke="var(--figure-mark)" strokeWidth="1" />
        </pattern>
      </defs>
      {arcs.map((arc) => (
        <g key={arc.key}>
          <path d={sector(arc, 0, arc.allowed)} fill="var(--color-tide-200)" fillOpacity="0.85" />
          <path d={sector(arc, arc.allowed, arc.whole)} fill={`url(#${hatch})`} stroke="var(--figure-mark)" strokeWidth="0.5" />
        </g>
      ))}
    </g>
  );
}
