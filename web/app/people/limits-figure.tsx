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
        room="body"
        label={`${name}, seen from the front${lines.length > 0 ? `: ${lines.map((line) => line.label).join(", ")}` : ""}`}
        className="mx-auto h-84"
      />
      <p className="flex justify-between px-6 text-sand-600" aria-hidden="true">
        <span>right</span>
        <span>left</span>
      </p>
      {lines.length > 0 && (
        <figcaption className="mt-2 border-t border-sand-300 pt-2 font-semibold text-signal-700">
          {lines.map(({ label }) => (
            <span key={label} className="flex items-center gap-2">
              <span aria-hidden="true" className="w-7 border-t-2 border-dashed border-signal-600" /> {label}
            </span>
          ))}
        </figcaption>
      )}
    </figure>
  );
}
