import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { useId } from "react";
import { atEase } from "../kit/at-ease.ts";
import { Figure } from "../kit/figure.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { arcsOf, LimitArcs } from "../kit/limit-arcs.tsx";

interface LimitedPerson {
  readonly name: string;
  /** Metres. */
  readonly stature: number;
  readonly measured: MeasuredBody;
}

/**
 * The person at ease with today's limits: from the front the heights where a hand stops (the person's right is on the left),
 * from the side the arcs of knee and ankle, the capped part hatched.
 */
export function LimitsFigure({ caps, person }: { caps: readonly Cap[]; person: LimitedPerson }) {
  const { name } = person;
  const hatch = useId();
  const { row, frame } = atEase(
    person,
    caps.some(({ limit }) => limit.channel === "noStanding"),
  );
  // Feet on a chair reach further forward than those under the hips.
  const room = frame.seating.kind === "seated" ? "reach" : "body";
  const lines = handLines(caps, row);
  const arcs = arcsOf(caps, row);
  const words = (labels: readonly { readonly label: string }[]) =>
    labels.length > 0 ? `: ${labels.map(({ label }) => label).join(", ")}` : "";
  return (
    <figure className="rounded-soft bg-sand-100 p-4">
      <div className="grid grid-cols-2">
        <Figure
          row={row}
          frame={frame}
          view="front"
          lines={lines}
          room={room}
          label={`${name} from the front${words(lines)}`}
          className="h-72 w-full"
        />
        <Figure
          row={row}
          frame={frame}
          view="side"
          room={room}
          label={`${name} from the right side${words(arcs)}`}
          className="h-72 w-full"
        >
          <LimitArcs arcs={arcs} hatch={hatch} />
        </Figure>
      </div>
      <p className="flex justify-between pr-[56%] text-sand-600" aria-hidden="true">
        <span>right</span>
        <span>left</span>
      </p>
      {lines.length + arcs.length > 0 && (
        <figcaption className="mt-2 border-t border-sand-300 pt-2 font-semibold text-signal-700">
          {lines.map(({ label }) => (
            <span key={label} className="flex items-center gap-2">
              <span aria-hidden="true" className="w-7 border-t-2 border-dashed border-signal-600" /> {label}
            </span>
          ))}
          {arcs.map(({ label }) => (
            <span key={label} className="flex items-center gap-2">
              <span
                aria-hidden="true"
                className="h-4 w-7 rounded-sm bg-[repeating-linear-gradient(45deg,var(--color-signal-600)_0_2px,transparent_2px_5px)]"
              />{" "}
              {label}
            </span>
          ))}
        </figcaption>
      )}
    </figure>
  );
}
