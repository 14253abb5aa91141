import type { Transition } from "@able-tide/core/schedule/plan-transitions";

/** What joins two blocks, as a small mark between them: a dot for easy links, a ring for the helper, a bar for "cannot". */
export function TransitionMark({ transition }: { transition: Transition }) {
  if (transition.steps.length === 0 && transition.problem === null) return null;
  return (
    <svg viewBox="-10 -10 20 20" className="absolute top-0 -left-[10px] z-10 size-5 -translate-y-1/2" aria-hidden="true">
      {transition.problem ? (
        <>
          <circle r="8.5" className="fill-signal-600" />
          <path d="M-4 -4 L4 4 M4 -4 L-4 4" className="stroke-white" strokeWidth="2.5" />
        </>
      ) : transition.hazards.length > 0 ? (
        <circle r="6" className="fill-sand-50 stroke-tide-800" strokeWidth="3" />
      ) : (
        <circle r="3.5" className="fill-sand-600" />
      )}
    </svg>
  );
}
