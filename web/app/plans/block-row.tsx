import { type Movement, type Phase, taughtName } from "@able-tide/core/movement/format";
import { minutesAndSeconds, type PlanTime } from "@able-tide/core/plan/time";
import type { Span } from "./board-layout.ts";

interface Props {
  readonly blocks: readonly { readonly id: string; readonly movement: Movement; readonly rounds: number }[];
  readonly time: PlanTime;
  readonly spans: readonly Span[];
  readonly leaving: Span;
  readonly stretches: readonly (Span & { readonly phase: Phase })[];
  readonly nameWidth: number;
  readonly chosenId: string | null;
  readonly choose: (blockId: string) => void;
}

/** The blocks under the tide, on the same time axis, with their phases and the clock. */
export function BlockRow({ blocks, time, spans, leaving, stretches, nameWidth, chosenId, choose }: Props) {
  return (
    <div style={{ paddingLeft: nameWidth }}>
      <div className="relative h-8" aria-hidden="true">
        {stretches.map(({ left, right, phase }) => (
          <div
            key={left}
            className="absolute top-0 border-x border-t border-tide-800 pt-1 text-center font-bold"
            style={{ left: left + 2, width: right - left - 4 }}
          >
            {phase}
          </div>
        ))}
      </div>
      <ol className="flex pb-2" aria-label="Movements in order">
        {blocks.map(({ id, movement, rounds }, i) => {
          const span = spans[i] as Span;
          const chosen = id === chosenId;
          return (
            <li key={id} className="shrink-0 px-0.5" style={{ width: span.right - span.left }}>
              <button
                type="button"
                onClick={() => choose(id)}
                aria-pressed={chosen}
                className={`flex h-full min-h-20 w-full flex-col items-center justify-between rounded-[10px] px-0.5 py-1.5 text-center narrow-name ${chosen ? "bg-tide-800 text-sand-50" : "bg-sand-200 hover:bg-sand-300"}`}
              >
                <span>{taughtName(movement)}</span>
                <span className={`font-sans font-normal ${chosen ? "text-tide-100" : "text-tide-900"}`}>
                  {movement.sided ? `${rounds}+${rounds}` : `× ${rounds}`}
                  <br />
                  {minutesAndSeconds(time.blocks[i]?.from ?? 0)}
                </span>
              </button>
            </li>
          );
        })}
        <li
          className="flex shrink-0 items-center justify-center rounded-[10px] border border-dashed border-sand-600 px-1 text-center narrow-name"
          style={{ width: leaving.right - leaving.left }}
        >
          leave safely, 1 min
        </li>
      </ol>
    </div>
  );
}
