import type { Transition } from "@able-tide/core/schedule/plan-transitions";
import { formatHazard, formatState, formatTransitionProblem, formatTransitionSteps } from "@able-tide/words/schedule";

/** How a block is reached from the one before: its links with their seconds, and what the helper is ready for. */
export function TransitionSteps({ transition, title }: { transition: Transition; title: string }) {
  return (
    <div>
      <h3 className="font-sans text-base font-bold">
        {title}
        {transition.tenths > 0 && <span className="font-normal">, {transition.tenths / 10} s</span>}
      </h3>
      {transition.problem && <p className="font-semibold text-signal-700">{formatTransitionProblem(transition.problem)}.</p>}
      {transition.steps.length === 0 ? (
        !transition.problem && <p className="text-sand-600">No change of position: {formatState(transition.to)}.</p>
      ) : (
        <p>{formatTransitionSteps(transition.steps).join(" · ")}</p>
      )}
      {transition.hazards.map((hazard) => (
        <p key={hazard} className="font-semibold">
          Helper: {formatHazard(hazard)}.
        </p>
      ))}
    </div>
  );
}
