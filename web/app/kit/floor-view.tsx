import type { Point } from "@able-tide/core/body/base-of-support";
import { column, sidedColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import { isOff, type PoseFrame } from "@able-tide/core/body/pose";
import { SHARE } from "@able-tide/core/body/segments";
import { numberAt } from "@able-tide/core/checked-access";
import { SIDES, type Side, sideIndex } from "@able-tide/core/side";

interface Props {
  /** One solved sample row and its base of support, shares of stature. */
  readonly row: Float64Array;
  readonly base: readonly Point[];
  readonly frame: PoseFrame;
  /** Metres, for centimetres on the floor. */
  readonly stature: number;
  readonly className?: string;
}

/** Hundredths of stature: the person's right is to the right, forward is up. */
const onPicture = (x: number, z: number): Point => [100 * z, -100 * x];

function outlineOfFoot(row: Float64Array, side: Side): { place: Point; turn: number } {
  const heel = sidedPointColumn("heel", side);
  const toe = sidedPointColumn("toe", side);
  const at = (column: number, axis: 0 | 2) => numberAt(row, column + axis);
  const place = onPicture((at(heel, 0) + at(toe, 0)) / 2, (at(heel, 2) + at(toe, 2)) / 2);
  const turn = (Math.atan2(at(toe, 2) - at(heel, 2), at(toe, 0) - at(heel, 0)) * 180) / Math.PI;
  return { place, turn };
}

const feetOf = (row: Float64Array, frame: PoseFrame) =>
  SIDES.map((side) => ({
    side,
    ...outlineOfFoot(row, side),
    lifted: isOff(frame.feet[sideIndex(side)]),
    there: frame.feet[sideIndex(side)] !== "absent",
  }));
type Foot = ReturnType<typeof feetOf>[number];

/** Feet on the floor, dashed where they are lifted; an absent foot is not drawn. */
function Feet({ feet }: { feet: readonly Foot[] }) {
  return (
    <>
      {feet
        .filter(({ there }) => there)
        .map(({ side, place, turn, lifted }) => (
          <rect
            key={side}
            x={-100 * SHARE.footBreadth * 0.5}
            y={-100 * SHARE.footLength * 0.5}
            width={100 * SHARE.footBreadth}
            height={100 * SHARE.footLength}
            rx="2.6"
            transform={`translate(${place[0]} ${place[1]}) rotate(${turn})`}
            fill={lifted ? "none" : "var(--color-white)"}
            stroke="var(--color-tide-800)"
            strokeWidth="0.7"
            strokeDasharray={lifted ? "1.2 1.2" : undefined}
          />
        ))}
    </>
  );
}

/**
 * The floor from above: where the feet stand, how far apart, what they carry, and where the weight is over them.
 *
 * Long because it is one drawing whose parts share a scale.
 */
export function FloorView({ row, base, frame, stature, className }: Props) {
  const feet = feetOf(row, frame);
  const [comX, comY] = onPicture(numberAt(row, column("comX")), numberAt(row, column("comZ")));
  const ankle = (side: Side, axis: 0 | 2) => numberAt(row, sidedPointColumn("ankle", side) + axis);
  const centimetres = (share: number) => Math.round(Math.abs(share) * stature * 100);
  // Only feet on the floor have a distance to mark there.
  const marked = frame.feet.every((contact) => !isOff(contact));
  const apart = marked ? centimetres(ankle("right", 2) - ankle("left", 2)) : 0;
  const ahead = marked ? centimetres(ankle("right", 0) - ankle("left", 0)) : 0;
  const middleX = feet.reduce((sum, { place }) => sum + place[0], 0) / 2;
  const feetY = feet.reduce((sum, { place }) => sum + place[1], 0) / 2;
  const shares = SIDES.map((side) => Math.round(100 * numberAt(row, sidedColumn("footShare", side))));
  const seat = Math.round(100 * numberAt(row, column("seatShare")));
  // Sitting, the seat behind the feet is in the picture too.
  const seated = frame.seating.kind === "seated";
  const middleY = seated ? (feetY + comY) / 2 : feetY;
  const below = seated ? 32 : 24;
  const words = [
    apart > 0 && `${apart} cm apart`,
    ahead > 2 && `${ahead} cm ahead`,
    `weight left ${shares[0]}%, right ${shares[1]}%`,
    seat > 0 && `seat ${seat}%`,
  ].filter(Boolean);
  return (
    <svg
      viewBox={`${middleX - 44} ${middleY - 24} 88 ${below + 26}`}
      className={className}
      role="img"
      aria-label={`Floor: ${words.join(", ")}`}
    >
      <path
        d={`M${base
          .map(([x, z]) =>
            onPicture(x, z)
              .map((value) => value.toFixed(2))
              .join(" "),
          )
          .join("L")}Z`}
        fill="var(--color-tide-100)"
        stroke="var(--color-tide-500)"
        strokeWidth="0.5"
        strokeDasharray="1.6 1.2"
      />
      <Feet feet={feet} />
      <circle cx={comX} cy={comY} r="1.7" fill="var(--figure-mark)" />
      {feet.map(({ side }, i) => (
        <text
          key={side}
          x={middleX + (side === "left" ? -42 : 42)}
          y={feetY + 1}
          textAnchor={side === "left" ? "start" : "end"}
          fontSize="5"
          fill="var(--color-tide-900)"
        >
          {side} {shares[i]}%
        </text>
      ))}
      <text x={middleX} y={middleY + below} textAnchor="middle" fontSize="5" fontWeight="700" fill="var(--color-tide-900)">
        {[apart > 0 && `${apart} cm wide`, ahead > 2 && `${ahead} cm long`, seat > 0 && `seat ${seat}%`]
          .filter(Boolean)
          .join(" · ")}
      </text>
    </svg>
  );
}
