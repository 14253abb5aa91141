import type { Cap } from "@able-tide/core/caps/cap";
import { STANDING_AT_EASE } from "../kit/at-ease.ts";
import { Figure } from "../kit/figure.tsx";
import { handLines } from "../kit/hand-lines.ts";

/** The person in front view with today's hand heights drawn across. The person's right is on the left. */
export function LimitsFigure({ caps, name }: { caps: readonly Cap[]; name: string }) {
  const { row, frame } = STANDING_AT_EASE;
  const lines = handLines(caps, row);
  return (
    <figure className="rounded-soft bg-sand-100 p-4">
      <Figure
        row={row}
        frame={frame}
        view="front"
        lines={lines}
        captions
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
