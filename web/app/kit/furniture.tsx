import { sidedPointColumn } from "@able-tide/core/body/channels";
import { isOnSupport, type PoseFrame } from "@able-tide/core/body/pose";
import { supportNamed } from "@able-tide/core/body/supports";
import { numberAt } from "@able-tide/core/checked-access";
import { SIDES, type Side, sideIndex, sideSign } from "@able-tide/core/side";
import { line, placer, type View } from "./figure-geometry.ts";
import { armrests, bothSides, type Project, seatPath } from "./seat-drawing.ts";

interface Props {
  readonly frame: PoseFrame;
  readonly row: Float64Array;
  readonly view: View;
}
type Rising = NonNullable<Extract<PoseFrame["seating"], { kind: "standing" }>["rising"]>;

const FURNITURE = { stroke: "var(--figure-ground)", strokeLinecap: "round", strokeLinejoin: "round", fill: "none" } as const;
/** Chair backs that stand in front of a person to be held. */
const HELD_CHAIR = { halfWidth: 0.13, depth: 0.24, seat: 0.27 } as const;
/** Where a chair stands from the hips of someone who has risen from it, share of stature. */
const RISEN_FROM = 0.16;

/** The seat that someone rises from, behind them. */
function seatBehind(project: Project, { seat, seatHeight, withArms }: Rising): string {
  const behind: Project = (x, y, z) => project(x - RISEN_FROM, y, z);
  return seatPath(seat, behind, seatHeight) + (withArms && seat !== "armchair" ? armrests(behind, 0, seatHeight) : "");
}

const WALL = { z: 0.3, height: 0.74, half: 0.42 } as const;

/** The wall of a pool, on the side of the hand that holds it. */
function wall(project: Project, side: Side): string {
  const z = WALL.z * sideSign(side);
  const { half, height } = WALL;
  return `${line(project(-half, 0, z), project(-half, height, z), project(half, height, z), project(half, 0, z))} Z`;
}

/** A chair in front, its back towards the person. */
function heldChair(project: Project, x: number, height: number): string {
  const { halfWidth, depth, seat } = HELD_CHAIR;
  const sides = bothSides(halfWidth).map(
    (z) =>
      line(project(x, 0, z), project(x, height, z)) +
      line(project(x, seat, z), project(x + depth, seat, z), project(x + depth, 0, z)),
  );
  return line(project(x, height, -halfWidth), project(x, height, halfWidth)) + sides.join("");
}

function walkingFrame(project: Project, x: number, z: number, height: number): string {
  const sides = bothSides(z).map((side) =>
    line(project(x - 0.12, 0, side), project(x - 0.1, height, side), project(x + 0.1, height, side), project(x + 0.14, 0, side)),
  );
  return sides.join("") + line(project(x + 0.12, height / 2, -z), project(x + 0.12, height / 2, z));
}

/** What one hand alone holds. */
function heldByHand(project: Project, support: PoseFrame["support"], side: Side, x: number, z: number, height: number): string {
  if (support === "stick") return line(project(x, height, z), project(x + 0.02, 0, z));
  if (support === "helper") return line(project(x, height, z), project(x + 0.04, height - 0.03, z + 0.16 * sideSign(side)));
  return (
    line(project(x - 0.18, height, z), project(x + 0.22, height, z)) + line(project(x + 0.16, height, z), project(x + 0.16, 0, z))
  );
}

/** Chair, wheelchair, and whatever the hands hold. */
export function Setting({ frame, row, view }: Props) {
  const { project } = placer(row, view);
  const { seating, support } = frame;
  const holding = SIDES.filter((side) => isOnSupport(frame.hands[sideIndex(side)]));
  const { height } = supportNamed(support);
  const places = holding.map((side) => {
    const hand = sidedPointColumn("handCentre", side);
    return { side, x: numberAt(row, hand), z: numberAt(row, hand + 2) };
  });
  const [first] = places;
  let held = "";
  if (first && support === "chairBack") held = heldChair(project, first.x, height);
  else if (first && support === "frame") held = walkingFrame(project, first.x, Math.abs(first.z), height);
  else if (support !== "armrests" && !(seating.kind === "standing" && seating.atWall))
    held = places.map(({ side, x, z }) => heldByHand(project, support, side, x, z, height)).join("");
  return (
    <>
      {seating.kind === "seated" && (
        <path
          {...FURNITURE}
          strokeWidth={seating.seat === "wheelchair" ? 2.2 : 3.4}
          d={seatPath(seating.seat, project, seating.seatHeight)}
        />
      )}
      {seating.kind === "standing" && seating.rising && (
        <path {...FURNITURE} strokeWidth={3.4} d={seatBehind(project, seating.rising)} />
      )}
      {seating.kind === "standing" && seating.atWall && (
        <path {...FURNITURE} strokeWidth={2.6} d={wall(project, first?.side ?? "right")} />
      )}
      {held && <path {...FURNITURE} strokeWidth={support === "helper" ? 4.2 : 2.6} d={held} />}
    </>
  );
}

/**
 * The water in front of the body: its surface and what lies under it.
 *
 * @param waterline height over the floor, share of stature
 */
export function Water({
  waterline,
  centre,
  aside,
}: {
  readonly waterline: number;
  readonly centre: number;
  readonly aside: number;
}) {
  const surface = -100 * waterline;
  const ripples = Array.from({ length: Math.floor((2 * aside) / 4) - 2 }, () => "t4 0").join("");
  return (
    <g>
      <rect x={centre - aside} y={surface} width={2 * aside} height={-surface + 1.6} fill="var(--figure-water)" opacity="0.28" />
      <path
        d={`M${centre - aside} ${surface} q2 -1.6 4 0 t4 0 ${ripples}`}
        fill="none"
        stroke="var(--figure-water)"
        strokeWidth="1.1"
      />
    </g>
  );
}
