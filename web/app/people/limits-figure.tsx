import { handOver, ROW_WIDTH, sidedColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import { neutralPose, sidedSlot, STANDING_FRAME } from "@able-tide/core/body/pose";
import { SHARE } from "@able-tide/core/body/segments";
import { solvePose } from "@able-tide/core/body/solve";
import { type Cap, sidesOf } from "@able-tide/core/caps/cap";
import { limitInBrief } from "@able-tide/core/caps/words";
import { SIDES } from "@able-tide/core/side";
import { Figure } from "../kit/figure.tsx";

/** A person standing at ease, arms a little open so that each side can be told. */
function atEase() {
  const pose = neutralPose(STANDING_FRAME);
  for (const side of SIDES) {
    pose.values[sidedSlot("footZ", side)] = (side === "left" ? -1 : 1) * SHARE.hipHalfSeparation;
    pose.values[sidedSlot("elevation", side)] = 24;
    pose.values[sidedSlot("plane", side)] = 15;
    pose.values[sidedSlot("elbow", side)] = 12;
  }
  return solvePose(pose).row;
}

const ROW = atEase();

/** Height over the floor of a hand cap's landmark on the standing figure, share of stature. */
function heightOf(cap: Cap & { limit: { channel: "handHeight" } }): number {
  const side = sidesOf(cap.limit)[0] ?? "right";
  const hand = ROW[sidedPointColumn("handCentre", side) + 1] as number;
  return hand - (ROW[sidedColumn(handOver(cap.limit.limit), side)] as number);
}

const isHandCap = (cap: Cap): cap is Cap & { limit: { channel: "handHeight" } } => cap.limit.channel === "handHeight";

/** The person in front view with today's hand heights drawn across. The person's right is on the left. */
export function LimitsFigure({ caps, name }: { caps: readonly Cap[]; name: string }) {
  const lines = caps.filter(isHandCap).map((cap) => ({ height: heightOf(cap), label: limitInBrief(cap.limit) }));
  return (
    <figure className="rounded-soft bg-sand-100 p-4">
      <Figure
        row={ROW.subarray(0, ROW_WIDTH)}
        frame={STANDING_FRAME}
        view="front"
        lines={lines}
        label={`${name}, seen from the front${lines.length > 0 ? `: ${lines.map((line) => line.label).join(", ")}` : ""}`}
        className="mx-auto h-80"
      />
      <figcaption className="flex justify-between px-6 font-semibold text-sand-600">
        <span>right</span>
        <span>left</span>
      </figcaption>
    </figure>
  );
}
