import type { Transition } from "@able-tide/core/schedule/plan-transitions";
import { formatHazard, formatState, formatTransitionProblem, formatTransitionStep } from "@able-tide/words/schedule";

/** How a block is reached from the one before: its links with their seconds, and what the helper is ready for. */
export function TransitionSteps({ seam, title }: { seam: Transition; title: string }) {
  return (
    <div>
      <h3 className="font-sans text-base font-bold">
        {title}
        {seam.tenths > 0 && <span className="font-normal">, {seam.tenths / 10} s</span>}
      </h3>
      {seam.problem && <p className="font-semibold text-signal-700">{formatTransitionProblem(seam.problem)}.</p>}
      {seam.links.length === 0 ? (
        !seam.problem && <p className="text-sand-600">No change of position: {formatState(seam.to)}.</p>
      ) : (
        <p>{seam.links.map(formatTransitionStep).join(" · ")}</p>
      )}
      {seam.hazards.map((hazard) => (
        <p key={hazard} className="font-semibold">
          Helper: {formatHazard(hazard)}.
        </p>
      ))}
    </div>
  );
}
