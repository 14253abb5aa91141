import { phaseLabel } from "@able-tide/words/planner";
import { formatMinutes } from "@able-tide/words/text";
import { ClassButton } from "../kit/class-button.tsx";
import { ClassTransition } from "./class-transition.tsx";
import { type ClassView, type CurrentMovement, formatDelay } from "./class-view.ts";
import { Stage } from "./stage.tsx";

interface Props {
  readonly view: ClassView;
  readonly current: CurrentMovement;
  readonly at: number;
  /** Seconds of the session as planned. */
  readonly total: number;
  /** Where to wait after losing one's place, in words. */
  readonly home: string;
  /** When the step began, milliseconds; null until the page is in the browser. */
  readonly since: number | null;
  readonly go: (step: number) => void;
}

function Counts({ side, instructorSide, repetition, untilRepetitions, step }: CurrentMovement) {
  return (
    <dl className="flex flex-col justify-center gap-6" aria-live="polite">
      {side && (
        <div>
          <dt className="text-xl text-tide-200">Side</dt>
          <dd className="font-display text-4xl font-bold">{side}</dd>
          {instructorSide && <dd className="text-tide-200">your {instructorSide}</dd>}
        </div>
      )}
      <div>
        <dt className="text-xl text-tide-200">{repetition === 0 ? "Demonstration" : "Repetition"}</dt>
        <dd className="font-display text-4xl font-bold">
          {repetition === 0 ? formatMinutes(untilRepetitions) : `${repetition} of ${step.rounds}`}
        </dd>
      </div>
    </dl>
  );
}

/** The movement being done: its name and cue, the figure at the breath pace, what is counted, and back and next. */
export function MovementNow({ view, current, at, total, home, since, go }: Props) {
  const { block, name, cue, transition, side, step, next } = current;
  return (
    <section className="flex min-h-0 flex-col">
      <p className="text-xl text-tide-200">
        {phaseLabel(block.movement.phase)} · {formatMinutes(view.elapsed)} of {formatMinutes(total)} · {formatDelay(view.behind)}.
        Lost your place? Wait {home}.
      </p>
      <h1 className="mt-1 text-5xl">{name}</h1>
      <p className="mt-2 text-2xl text-sand-100">{cue}</p>
      <ClassTransition link={transition} />
      <div className="grid min-h-0 flex-1 grid-cols-[9.5rem_minmax(0,1fr)]">
        <Counts {...current} />
        <div className="flex min-h-72 flex-col">
          <Stage
            key={at}
            movement={block.movement}
            side={side}
            planned={block.meant}
            roundSeconds={step.roundSeconds}
            since={since}
          />
        </div>
      </div>
      <div className="mt-3 flex gap-4">
        <ClassButton disabled={at === 0} onClick={() => go(at - 1)}>
          Back
        </ClassButton>
        <ClassButton look="main" className="flex-1" onClick={() => go(at + 1)}>
          {next ? "Next" : "Finish"}
        </ClassButton>
      </div>
    </section>
  );
}
