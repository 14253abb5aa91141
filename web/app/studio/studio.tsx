import { deepestHand } from "@able-tide/core/figure/hand-depth";
import type { Movement } from "@able-tide/core/movement/format";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { BREATH_SECONDS } from "@able-tide/core/plan/style";
import { formatHandInside } from "@able-tide/words/body";
import type { SaidProblem } from "@able-tide/words/file-problem";
import { formatMovementProblem } from "@able-tide/words/movement";
import { useDeferredValue, useMemo, useState } from "react";
import { Form } from "react-router";
import { Button } from "../kit/button.tsx";
import { DemandBars } from "../kit/demand-bars.tsx";
import { FloorView } from "../kit/floor-view.tsx";
import { useStore } from "../kit/use-store.ts";
import { BeginsAndEnds } from "./begins-and-ends.tsx";
import { CueFields } from "./cue-fields.tsx";
import { DemandPanel } from "./demand-panel.tsx";
import { KeyLine } from "./key-line.tsx";
import { KeyTools } from "./key-tools.tsx";
import { KeyWords } from "./key-words.tsx";
import { LegValues } from "./leg-values.tsx";
import { MovementFacts } from "./movement-facts.tsx";
import { OwnPoses } from "./own-poses.tsx";
import { PoseValues } from "./pose-values.tsx";
import type { Handle, Pulled, PullView } from "./pull.ts";
import { PullFigure } from "./pull-figure.tsx";
import { createStudio, figureAt, type StudioFigure, type StudioModel, seenKey, solvePreview } from "./studio-model.ts";
import { readPreview, type StudioPerson } from "./studio-preview.ts";
import { WholeRepetition } from "./whole-repetition.tsx";
import { WordAdvice } from "./word-advice.tsx";

interface Props {
  readonly movement: Movement;
  readonly shipped: boolean;
  readonly people: readonly StudioPerson[];
  readonly problems: readonly SaidProblem[];
}

/** The form that keeps the movement; its button is in the head of the page, always at hand. */
export const SAVE_FORM = "studio-save";

interface FiguresProps {
  readonly figure: StudioFigure | null;
  readonly later: Movement;
  readonly laterFigure: StudioFigure | null;
  readonly waterline: number | undefined;
  readonly studio: StudioModel;
}

/** The chosen key pose from the front and the side, to be pulled, and the whole repetition. */
function Figures({ figure, later, laterFigure, waterline, studio }: FiguresProps) {
  if (figure === null) return <p>This movement does not have that variant.</p>;
  const { frame } = segmentOfSample(figure.variant.samples, figure.sample);
  const pulled = (view: PullView) => (handle: Handle, to: Pulled, along: boolean) => studio.pull(handle, view, to, along, figure);
  return (
    <>
      <PullFigure row={figure.row} frame={frame} view="front" waterline={waterline} pull={pulled("front")} />
      <PullFigure row={figure.row} frame={frame} view="side" waterline={waterline} pull={pulled("side")} />
      {laterFigure && (
        <WholeRepetition
          samples={laterFigure.variant.samples}
          waterline={waterline}
          cycleSeconds={BREATH_SECONDS.usual * later.breaths}
        />
      )}
    </>
  );
}

/** The movement's cues, its document and what can be done with it. */
function SaveForm({ present, shipped, studio }: { present: Movement; shipped: boolean; studio: StudioModel }) {
  return (
    <Form id={SAVE_FORM} method="post" className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-5">
      <input type="hidden" name="document" value={JSON.stringify(present)} />
      <CueFields name={present.name} cues={present.cues} edit={studio.edit} />
      <WordAdvice movement={present} />
      <div className="flex flex-wrap items-center gap-3">
        {shipped ? (
          <span className="text-sand-600">Built-in movements stay as they are; your changes are saved as a copy.</span>
        ) : (
          <Button look="quiet" name="intent" value="delete">
            Delete movement
          </Button>
        )}
      </div>
    </Form>
  );
}

/** Demands of the figure, and where its feet stand. */
function FigureReadings({ figure, stature, inWater }: { figure: StudioFigure; stature: number; inWater: boolean }) {
  const { samples, demands } = figure.variant;
  const { frame } = segmentOfSample(samples, figure.sample);
  const inside = formatHandInside(deepestHand(figure.row, frame, samples.build), stature);
  return (
    <>
      {inside && <p className="font-semibold text-signal-700">{inside}</p>}
      <div data-testid="demands">
        <DemandBars demands={demands} caps={[]} rounds={6} />
      </div>
      <FloorView
        row={figure.row}
        base={samples.bases[figure.sample] ?? []}
        frame={frame}
        stature={stature}
        className="w-full rounded-[10px] bg-sand-100"
      />
      <p className="text-sand-600">
        Computed from a body model of rigid segments and average shares. It ranks variants; it does not measure risk.
        {inWater && " With water at the hips, the model gives 6 to 13 points more weight than was measured on people."}
      </p>
    </>
  );
}

function Problems({ problems }: Pick<Props, "problems">) {
  if (problems.length === 0) return null;
  return (
    <ul className="list-disc pl-6 font-semibold text-signal-700" role="alert">
      {problems.map((problem) => (
        <li key={`${problem.path} ${problem.message}`}>
          {problem.path} {problem.message}
        </li>
      ))}
    </ul>
  );
}

/** The movement editor: key poses on a line, the figure that can be pulled, its numbers, and its demands on a body. */
export function Studio({ movement, shipped, people, problems }: Props) {
  const [studio] = useState(() => createStudio(movement));
  const state = useStore(studio);
  const { preview, history } = state;
  const { present } = history;
  const { seen, index, key } = seenKey(state);
  // What depends on the poses but need not follow a pull at once.
  const later = useDeferredValue(present);
  const { body, waterline } = readPreview(preview, people);
  const variant = useMemo(() => solvePreview(present, preview, people), [present, preview, people]);
  const figure = figureAt(variant, key);
  const laterFigure = useDeferredValue(figure);
  const problem = variant?.samples.problem;
  return (
    <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="flex min-w-0 flex-col gap-4">
        <KeyLine keys={seen.keys} chosen={index} choose={studio.choose} />
        <KeyTools seen={seen} index={index} studio={studio} />
        <KeyWords movement={seen} index={index} edit={studio.editSeen} />
        <Problems problems={problems} />
        <div className="grid gap-4 rounded-soft border border-sand-300 bg-white p-4 sm:grid-cols-3">
          <Figures figure={figure} later={later} laterFigure={laterFigure} waterline={waterline} studio={studio} />
        </div>
        {problem && (
          <p role="alert" className="font-semibold text-signal-700">
            At {Math.round(100 * problem.phase)}% of the repetition the body {formatMovementProblem(problem.what)}.
          </p>
        )}
        <MovementFacts movement={present} edit={studio.edit} />
        <BeginsAndEnds movement={later} edit={studio.edit} />
        <SaveForm present={present} shipped={shipped} studio={studio} />
      </div>
      <aside className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-4" aria-label="Demands and figures">
        <DemandPanel preview={preview} people={people} ask={studio.ask} hasDepths={present.vary.depth === true} />
        <OwnPoses movement={present} kind={preview.kind} edit={studio.edit} />
        {figure && <FigureReadings figure={figure} stature={body.stature} inWater={waterline !== undefined} />}
        <PoseValues movement={seen} index={index} edit={studio.editSeen} />
        <LegValues movement={seen} index={index} change={studio.takeKey} />
      </aside>
    </div>
  );
}
