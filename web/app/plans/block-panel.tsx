import { type MeasuredBody, USUAL_BODY } from "@able-tide/core/body/build";
import { MIDDLING_STATURE } from "@able-tide/core/body/segments";
import type { Cap } from "@able-tide/core/caps/cap";
import { meantForm } from "@able-tide/core/fit/cell";
import { type CellView, whyInWords } from "@able-tide/core/fit/cell-view";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { minutesAndSeconds, repetitions } from "@able-tide/core/plan/time";
import { ArrowLeft, ArrowRight, Minus, Plus, Trash2 } from "lucide-react";
import { useMemo, useState } from "react";
import { FloorView } from "../kit/floor-view.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { bestView, FigureStrip, MovingFigure, rowAt, usePhase, useReducedMotion } from "../kit/moving-figure.tsx";
import { vesselInWords } from "../kit/vessel.tsx";
import { readChosenForm } from "./chosen-form.ts";
import { DemandBars } from "./demand-bars.tsx";

interface PanelPerson {
  readonly name: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  readonly caps: readonly Cap[];
}

interface Props {
  readonly movement: Movement;
  readonly rounds: number;
  readonly seconds: number;
  readonly breathSeconds: number;
  readonly seatedOnly: boolean;
  /** The person looked at with their cell; null shows the movement as it is meant. */
  readonly person: PanelPerson | null;
  readonly cell: CellView | null;
  readonly change: {
    readonly rounds: (by: -1 | 1) => void;
    readonly move: (by: -1 | 1) => void;
    readonly remove: () => void;
  };
}

const MIDDLING = { stature: MIDDLING_STATURE, measured: USUAL_BODY };

const iconButton = "flex size-11 items-center justify-center rounded-full border-[1.5px] border-tide-800 hover:bg-tide-100";

/** The movement under the hand: the figure of the person's own form, what it asks of them, and why it is so. */
export function BlockPanel({ movement, rounds, seconds, breathSeconds, seatedOnly, person, cell, change }: Props) {
  const still = useReducedMotion();
  const [since] = useState(() => (typeof window === "undefined" ? null : Date.now()));
  const cycle = breathSeconds * movement.breaths;
  const phase = usePhase(since, cycle, still);
  const choice = cell ? cell.choice : meantForm(movement, seatedOnly);
  const { stature, measured } = person ?? MIDDLING;
  const form = useMemo(
    () => (choice ? readChosenForm(movement, choice, { stature, measured }, cycle) : null),
    [movement, choice, stature, measured, cycle],
  );
  const now = form && rowAt(form.samples, phase);
  const caps = person?.caps ?? [];
  const lines = now ? handLines(caps, now.row) : [];
  const times = repetitions(movement, rounds);
  return (
    <div className="flex flex-col gap-3">
      <div>
        <h2 className="text-2xl">{taughtName(movement)}</h2>
        <p className="text-sand-600">
          {person ? `${person.name} · ${cell ? vesselInWords(cell) : "being worked out"}` : "as it is meant, for everybody"}
        </p>
      </div>
      {form && now && (
        <>
          {still ? (
            <FigureStrip samples={form.samples} view={bestView(movement)} className="h-40" />
          ) : (
            <div className="grid grid-cols-2">
              <MovingFigure
                samples={form.samples}
                phase={phase}
                view="front"
                lines={lines}
                label={`${taughtName(movement)} from the front`}
                className="h-44"
              />
              <MovingFigure
                samples={form.samples}
                phase={phase}
                view="side"
                label={`${taughtName(movement)} from the right side`}
                className="h-44"
              />
            </div>
          )}
          <FloorView
            row={now.row}
            base={form.samples.bases[now.sample] ?? []}
            frame={segmentOfSample(form.samples, now.sample).frame}
            stature={stature}
            className="w-full rounded-[10px] bg-sand-100"
          />
          <DemandBars demands={form.demands} caps={caps} rounds={rounds} />
        </>
      )}
      {cell && cell.choice === null && <p className="text-lg">Rest and rejoin: breathe along, seated.</p>}
      {cell && cell.why.length > 0 && (
        <div>
          {cell.brief && <p className="font-bold">{cell.brief.charAt(0).toUpperCase() + cell.brief.slice(1)}.</p>}
          {cell.why.map((why) => (
            <p key={why.limit}>{whyInWords(why)}.</p>
          ))}
        </div>
      )}
      <p className="text-sand-600">Computed from a body model. It ranks forms; it does not measure risk.</p>
      <div className="border-t border-sand-300 pt-3">
        <p className="mb-2">
          <strong>{movement.sided ? `${rounds} rounds each side` : `${rounds} rounds`}</strong>
          {movement.sided && ` · left ${rounds}, right ${rounds}, ${times} in all`} · {minutesAndSeconds(seconds)} min
        </p>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className={iconButton}
            onClick={() => change.rounds(-1)}
            aria-label="One round less"
            title="One round less ( - )"
          >
            <Minus size={20} />
          </button>
          <button
            type="button"
            className={iconButton}
            onClick={() => change.rounds(1)}
            aria-label="One round more"
            title="One round more ( + )"
          >
            <Plus size={20} />
          </button>
          <button type="button" className={iconButton} onClick={() => change.move(-1)} aria-label="Earlier" title="Earlier ( [ )">
            <ArrowLeft size={20} />
          </button>
          <button type="button" className={iconButton} onClick={() => change.move(1)} aria-label="Later" title="Later ( ] )">
            <ArrowRight size={20} />
          </button>
          <button
            type="button"
            className={`${iconButton} ml-auto`}
            onClick={change.remove}
            aria-label="Take it out"
            title="Take it out (Delete)"
          >
            <Trash2 size={20} />
          </button>
        </div>
      </div>
      <p>
        {movement.cues.do} <span className="text-sand-600">Watch: {movement.cues.watch}</span>
      </p>
    </div>
  );
}
