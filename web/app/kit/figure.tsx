import { pointColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import type { PoseFrame } from "@able-tide/core/body/pose";
import { otherSide, SIDES, type Side } from "@able-tide/core/side";
import type { ReactNode } from "react";
import { asideOf, line, type Place, placer, type Room, type View, viewBoxOf } from "./figure-geometry.ts";
import { Setting, Water } from "./furniture.tsx";

export type { View } from "./figure-geometry.ts";

/** Thickness of the round limbs, hundredths of stature. */
const WIDTH = { upperArm: 5, forearm: 4.2, thigh: 8, shank: 5.6, foot: 4.8, trunk: 8.5 } as const;

interface Part {
  readonly key: string;
  readonly near: number;
  readonly node: React.ReactNode;
}

const limb = (key: string, path: string, width: number, near: number, colour: string): Part => ({
  key,
  near,
  node: <path key={key} d={path} stroke={colour} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round" fill="none" />,
});

/** How near a leg is, over its joints. */
const legNearness = (side: Side, at: (column: number) => Place): number =>
  (["hip", "kneeJoint", "ankle"] as const).reduce((sum, name) => sum + at(sidedPointColumn(name, side)).near, 0) / 3;

function limbsOf(side: Side, at: (column: number) => Place, trunkNear: number): Part[] {
  const point = (name: Parameters<typeof sidedPointColumn>[0]) => at(sidedPointColumn(name, side));
  const [shoulder, elbow, wrist, hand] = [point("shoulder"), point("elbowJoint"), point("wristJoint"), point("handCentre")];
  const [hip, knee, ankle, heel, toe] = [point("hip"), point("kneeJoint"), point("ankle"), point("heel"), point("toe")];
  const armNear = (elbow.near + hand.near) / 2;
  const legNear = knee.near;
  const colour = (near: number) => (near >= trunkNear - 0.06 ? "var(--figure-near)" : "var(--figure-far)");
  const armColour = colour(armNear);
  const behind = legNearness(side, at) < legNearness(otherSide(side), at) - 0.02;
  const legColour = behind ? "var(--figure-far)" : "var(--figure-near)";
  return [
    limb(`${side}-upper-arm`, line(shoulder, elbow), WIDTH.upperArm, armNear, armColour),
    limb(`${side}-forearm`, line(elbow, wrist, hand), WIDTH.forearm, armNear + 0.001, armColour),
    limb(`${side}-thigh`, line(hip, knee), WIDTH.thigh, legNear - 0.05, legColour),
    limb(`${side}-shank`, line(knee, ankle), WIDTH.shank, legNear - 0.049, legColour),
    limb(`${side}-foot`, line(ankle, heel, toe, ankle), WIDTH.foot, legNear - 0.048, legColour),
  ];
}

function trunkOf(at: (column: number) => Place): Part {
  const shoulders = SIDES.map((side) => at(sidedPointColumn("shoulder", side)));
  const hips = SIDES.map((side) => at(sidedPointColumn("hip", side)));
  const middle = at(pointColumn("midSpine"));
  const inset = (places: Place[], share: number): Place[] => {
    const [a, b] = places as [Place, Place];
    const mix = (p: Place, q: Place) => ({ x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y), near: p.near });
    return [mix(a, b), mix(b, a)];
  };
  const [shoulderA, shoulderB] = inset(shoulders, 0.16) as [Place, Place];
  const [hipA, hipB] = inset(hips, -0.1) as [Place, Place];
  const waist = 0.32 * (shoulderB.x - shoulderA.x);
  const waistA = { ...middle, x: middle.x - waist };
  const waistB = { ...middle, x: middle.x + waist };
  const lowered = (place: Place): Place => ({ ...place, y: place.y + 2.5 });
  return {
    key: "trunk",
    near: middle.near,
    node: (
      <path
        key="trunk"
        d={`${line(lowered(shoulderA), waistA, hipA, hipB, waistB, lowered(shoulderB))}Z`}
        fill="var(--figure-trunk)"
        stroke="var(--figure-trunk)"
        strokeWidth={WIDTH.trunk}
        strokeLinejoin="round"
      />
    ),
  };
}

function headOf(at: (column: number) => Place): Part {
  const neck = at(pointColumn("neck"));
  const crown = at(pointColumn("crown"));
  const eyes = at(pointColumn("eyes"));
  const mid = {
    x: crown.x + 0.44 * (neck.x - crown.x),
    y: crown.y + 0.44 * (neck.y - crown.y),
    near: crown.near + 0.44 * (neck.near - crown.near),
  };
  // The head leans a little towards where the eyes look, and a soft shade lies at their level, so that a turn shows.
  const look = 0.18 * (eyes.x - mid.x);
  return {
    key: "head",
    near: crown.near + 0.001,
    node: (
      <g key="head">
        <path
          d={line(at(pointColumn("shoulderLine")), neck)}
          stroke="var(--figure-trunk)"
          strokeWidth="5"
          strokeLinecap="round"
        />
        <ellipse cx={mid.x + look} cy={mid.y} rx="5.4" ry="6.6" fill="var(--figure-near)" />
        {eyes.near > mid.near + 0.01 && (
          <ellipse
            cx={mid.x + 0.62 * (eyes.x - mid.x)}
            cy={mid.y + 0.62 * (eyes.y - mid.y)}
            rx="2.9"
            ry="1.5"
            fill="var(--figure-trunk)"
            opacity="0.55"
          />
        )}
      </g>
    ),
  };
}

/** A height a hand should not pass. */
export interface FigureLine {
  /** Over the floor, share of stature. */
  readonly height: number;
  readonly label: string;
  /** The person's own side it speaks of. */
  readonly side: Side | "both";
}

/** From where to where a line runs: from the front only over its own side; the person's right is on the left. */
function extentOf(side: FigureLine["side"], view: View): readonly [from: number, to: number] {
  if (view !== "front" || side === "both") return [-38, 38];
  return side === "right" ? [-38, -2] : [2, 38];
}

export interface FigureProps {
  /** One solved sample row. */
  readonly row: Float64Array;
  readonly frame: PoseFrame;
  readonly view: View;
  /** Heights to draw across. */
  readonly lines?: readonly FigureLine[];
  /** Room for arms held out and up, or for a body at ease alone. */
  readonly room?: Room;
  /** Height of the water over the floor, share of stature; none on land. */
  readonly waterline?: number | undefined;
  readonly label?: string;
  readonly className?: string;
  /** Drawn over the body, in the same picture. */
  readonly children?: ReactNode;
}

/** The person: calm, featureless, computed from the body model. */
export function Figure({ row, frame, view, lines = [], room = "reach", waterline, label, className, children }: FigureProps) {
  const { at } = placer(row, view);
  const trunk = trunkOf(at);
  const parts = [...SIDES.flatMap((side) => limbsOf(side, at, trunk.near)), trunk, headOf(at)].sort((a, b) => a.near - b.near);
  const { x: centre } = at(pointColumn("pelvis"));
  const named = label ? ({ role: "img", "aria-label": label } as const) : ({ "aria-hidden": true } as const);
  return (
    <svg viewBox={viewBoxOf(row, frame, view, room)} className={className} {...named}>
      {view !== "above" && <path d={`M${centre - 44} 1.6 H${centre + 44}`} stroke="var(--figure-ground)" strokeWidth="1.4" />}
      <Setting frame={frame} row={row} view={view} />
      {parts.map((part) => part.node)}
      {waterline !== undefined && view !== "above" && <Water waterline={waterline} centre={centre} aside={asideOf(room)} />}
      {children}
      {lines.map(({ height, label: words, side }) => (
        <g key={words}>
          <path
            d={`M${centre + extentOf(side, view)[0]} ${-100 * height} H${centre + extentOf(side, view)[1]}`}
            stroke="var(--figure-mark)"
            strokeWidth="0.9"
            strokeDasharray="2.4 2"
          />
        </g>
      ))}
    </svg>
  );
}
