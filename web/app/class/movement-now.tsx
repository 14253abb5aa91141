import { type HoldCount, secondsToHold } from "@able-tide/core/class/hold-count";
import { figureOf } from "@able-tide/core/class/script";
import { phaseLabel } from "@able-tide/words/phase";
import { holdStageLabel, shareLabel } from "@able-tide/words/repetitions";
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

/** The seconds of a hold, counted down aloud, or what comes before and after. */
function HoldNow({ hold, repetition, rounds }: { hold: HoldCount; repetition: number; rounds: number }) {
  return (
    <div>
      <dt className="text-xl text-tide-200">{holdStageLabel(hold)}</dt>
      {hold.stage === "holding" && (
        <>
          <dd className="font-display text-6xl font-bold">{hold.left} s</dd>
          {hold.level.share < 1 && <dd className="text-tide-200">{shareLabel(hold.level.share)}</dd>}
        </>
      )}
      {rounds > 1 && (
        <dd className="text-xl text-tide-200">
          hold {repetition} of {rounds}
        </dd>
      )}
    </div>
  );
}

function Counts({ side, instructorSide, way, repetition, share, hold, untilRepetitions, step }: CurrentMovement) {
  return (
    <dl
      className="flex flex-col justify-center gap-6 max-sm:mt-3 max-sm:flex-row max-sm:justify-start max-sm:gap-10"
      aria-live="polite"
    >
      {side && (
        <div>
          <dt className="text-xl text-tide-200">Side</dt>
          <dd className="font-display text-4xl font-bold">{side}</dd>
          {instructorSide && <dd className="text-tide-200">your {instructorSide}</dd>}
        </div>
      )}
      {way !== "" && (
        <div>
          <dt className="text-xl text-tide-200">Direction</dt>
          <dd className="font-display text-2xl font-bold">{way}</dd>
        </div>
      )}
      {hold ? (
        <HoldNow hold={hold} repetition={repetition} rounds={step.rounds} />
      ) : (
        <div>
          <dt className="text-xl text-tide-200">
            {repetition > 0 ? "Repetition" : step.goesOn || step.turn > 0 ? "Change over" : "Demonstration"}
          </dt>
          <dd className="font-display text-4xl font-bold">
            {repetition === 0 ? formatMinutes(untilRepetitions) : `${repetition} of ${step.rounds}`}
          </dd>
          {share < 1 && <dd className="text-tide-200">{repetition > 1 ? "a little further" : "begin half way"}</dd>}
        </div>
      )}
    </dl>
  );
}

/** The movement being done: its name and cue, the figure at the breath pace, what is counted, and back and next. */
export function MovementNow({ view, current, at, total, home, since, go }: Props) {
  const { block, name, cue, attention, besides, pass, say, share, transition, change, stand, side, step, next } = current;
  return (
    <section className="flex min-h-0 flex-col">
      <p className="text-xl text-tide-200">
        {phaseLabel(block.movement.phase)} · {formatMinutes(view.elapsed)} of {formatMinutes(total)} · {formatDelay(view.behind)}.
        Lost your place? Wait {block.home ?? home}.
      </p>
      <h1 className="mt-1 text-5xl max-sm:text-3xl">{name}</h1>
      {pass && <p className="mt-1 text-xl text-signal-300">{pass}</p>}
      {say && <p className="mt-1 text-2xl">“{say}”</p>}
      <p className="mt-2 text-2xl text-sand-100">
        {cue} {attention && <span className="text-tide-200">{attention}</span>}
        {besides && <strong className="block">{besides}</strong>}
      </p>
      {change && <p className="mt-1 text-2xl font-semibold text-signal-300">{change}</p>}
      {stand.length > 0 && <p className="mt-1 text-xl text-tide-200">{stand.join(" ")}</p>}
      <ClassTransition link={transition} />
      <div className="grid min-h-0 flex-1 grid-cols-[9.5rem_minmax(0,1fr)] max-sm:grid-cols-1">
        <Counts {...current} />
        <div className="flex min-h-72 flex-col max-lg:h-[36vh]">
          <Stage
            key={at}
            movement={block.movement}
            share={share}
            side={side}
            planned={figureOf(block)}
            equipment={block.equipment}
            step={step}
            heldFrom={block.timedHold ? secondsToHold(block, step.roundSeconds) : null}
            since={since}
          />
        </div>
      </div>
      {/* On an upright tablet or a phone the bar stays in reach at the bottom, with Stop at its right. */}
      <div
        data-class-bar
        className="mt-3 flex gap-4 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-20 max-lg:bg-tide-950 max-lg:py-3 max-lg:pr-36 max-lg:pl-6 max-sm:gap-2 max-sm:pr-34 max-sm:pl-4"
      >
        <ClassButton className="max-sm:min-w-0 max-sm:px-4" disabled={at === 0} onClick={() => go(at - 1)}>
          Back
        </ClassButton>
        <ClassButton look="main" className="flex-1 max-sm:min-w-0 max-sm:px-3" onClick={() => go(at + 1)}>
          {next ? "Next" : "Finish"}
        </ClassButton>
      </div>
    </section>
  );
}
