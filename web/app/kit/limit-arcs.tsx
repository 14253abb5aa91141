import { sidedPointColumn } from "@able-tide/core/body/channels";
import { type Cap, sidesOf } from "@able-tide/core/caps/cap";
import { limitInBrief } from "@able-tide/core/caps/words";
import type { Side } from "@able-tide/core/side";
import { placer } from "./figure-geometry.ts";

/** A joint's ordinary range under load as an arc in side view, and how much of it a cap leaves. */
interface Arc {
  readonly key: string;
  readonly centre: { readonly x: number; readonly y: number };
  readonly radius: number;
  /** Direction of the limb at nought, degrees clockwise from straight up on the picture, and which way it turns. */
  readonly zero: number;
  readonly turn: 1 | -1;
  readonly allowed: number;
  readonly whole: number;
  readonly label: string;
}

/** Seen from the person's right: forward is to the right of the picture. */
const JOINTS = {
  /** The shank hangs down and folds back, clockwise. */
  loadedKnee: { point: "kneeJoint", radius: 13, zero: 180, turn: 1, whole: 120 },
  /** The shank stands up and leans forward, clockwise. */
  dorsiflexion: { point: "ankle", radius: 15, zero: 0, turn: 1, whole: 30 },
} as const;

/** Arcs of the caps on joints that a side view can show; each side of the body has its own. */
export function arcsOf(caps: readonly Cap[], row: ArrayLike<number>): Arc[] {
  const { at } = placer(row, "side");
  return caps.flatMap((cap) => {
    const { limit } = cap;
    if (limit.channel !== "loadedKnee" && limit.channel !== "dorsiflexion") return [];
    const joint = JOINTS[limit.channel];
    const [side = "right" as Side] = sidesOf(limit);
    return [
      {
        key: cap.id,
        centre: at(sidedPointColumn(joint.point, side)),
        radius: joint.radius,
        zero: joint.zero,
        turn: joint.turn,
        allowed: Math.min(limit.limit, joint.whole),
        whole: joint.whole,
        label: limitInBrief(limit),
      },
    ];
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

/** What a joint may do, drawn at the joint: the allowed part plain, the capped part hatched. Goes inside a figure's picture. */
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
