import { formatMovementProblem } from "@able-tide/core/movement/check";
import { addKeyAfter, copyPose, mirrorKey, moveKey, removeKey } from "@able-tide/core/movement/edit";
import { changeInVariant, seenInVariant } from "@able-tide/core/movement/edit-variant";
import type { Movement } from "@able-tide/core/movement/format";
import type { MovementFileProblem } from "@able-tide/core/movement/read-file";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { BREATH_SECONDS } from "@able-tide/core/plan/style";
import { Copy, FlipHorizontal2, Minus, Plus, Redo2, Undo2 } from "lucide-react";
import { type ReactNode, useCallback, useDeferredValue, useMemo, useRef, useState } from "react";
import { Form } from "react-router";
import { Button } from "../kit/button.tsx";
import { readChosenVariant } from "../kit/chosen-variant.ts";
import { DemandBars } from "../kit/demand-bars.tsx";
import { FloorView } from "../kit/floor-view.tsx";
import { rowAt } from "../kit/moving-figure.tsx";
import { BeginsAndEnds } from "./begins-and-ends.tsx";
import { CueFields } from "./cue-fields.tsx";
import { DemandPanel, FIRST_ASKED, readAsked, type StudioPerson } from "./demand-panel.tsx";
import { type EditMovement, useMovement } from "./edit-movement.ts";
import { KeyLine } from "./key-line.tsx";
import { LegValues } from "./leg-values.tsx";
import { MovementFacts } from "./movement-facts.tsx";
import { OwnPoses } from "./own-poses.tsx";
import { PoseValues } from "./pose-values.tsx";
import { type Handle, type Pulled, type PulledKey, type PullView, pull } from "./pull.ts";
import { PullFigure } from "./pull-figure.tsx";
import { WholeRound } from "./whole-round.tsx";
import { WordAdvice } from "./word-advice.tsx";

interface Props {
  readonly movement: Movement;
  readonly shipped: boolean;
  readonly people: readonly StudioPerson[];
  readonly problems: readonly MovementFileProblem[];
}

/** The form that keeps the movement; its button is in the head of the page, always at hand. */
export const SAVE_FORM = "studio-save";
function Tool({ label, press, children }: { label: string; press: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={press}
      className="flex min-h-11 items-center gap-2 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100"
    >
      {children} {label}
    </button>
  );
}

/** A movement taken apart: key poses on a line, the figure that can be pulled, its numbers, and what it asks of a body. */
export function Studio({ movement, shipped, people, problems }: Props) {
  const { present, edit, undo, redo } = useMovement(movement);
  const [wanted, setIndex] = useState(1);
  const [asked, setAsked] = useState(FIRST_ASKED);
  const { kind } = asked;
  // A form with key poses of its own is worked on in those.
  const seen = useMemo(() => seenInVariant(present, kind), [present, kind]);
  const editSeen: EditMovement = useCallback(
    (change, field) => edit((now) => changeInVariant(now, kind, change), field),
    [edit, kind],
  );
  const index = Math.min(wanted, seen.keys.length - 1);
  const pulls = useRef(0);
  const to = (next: Movement) => editSeen(() => next);
  const toKey = useCallback(
    (after: PulledKey) => {
      editSeen(() => after.movement);
      setIndex(after.index);
    },
    [editSeen],
  );
  // What hangs on the poses but need not follow a pull at once.
  const later = useDeferredValue(present);
  const key = seen.keys[index];
  const { body, choice, waterline } = useMemo(() => readAsked(asked, people), [asked, people]);
  const form = useMemo(
    () =>
      readChosenVariant(
        present,
        choice,
        body,
        BREATH_SECONDS.usual * present.breaths,
        waterline === undefined ? undefined : waterline * body.stature,
      ),
    [present, choice, body, waterline],
  );
  const laterForm = useDeferredValue(form);
  const shown = form && key ? rowAt(form.samples, key.at) : null;
  const frame = form && shown ? segmentOfSample(form.samples, shown.sample).frame : null;
  const pulled = (view: PullView) => (handle: Handle, where: Pulled, along: boolean) => {
    if (!shown || !form) return false;
    const after = pull(seen, index, shown.row, handle, view, where, { build: form.samples.build, seated: kind === "seated" });
    // All that one pull changes is one change.
    if (!along) pulls.current += 1;
    editSeen(() => after.movement, `pull ${pulls.current}`);
    setIndex(after.index);
    return after.movement !== seen;
  };
  const shiftKey = (by: number) => key && to(moveKey(seen, index, key.at + by));
  return (
    <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="flex min-w-0 flex-col gap-4">
        <KeyLine keys={seen.keys} chosen={index} choose={setIndex} />
        <div className="flex flex-wrap gap-2">
          <Tool label="Undo" press={undo}>
            <Undo2 size={18} aria-hidden="true" />
          </Tool>
          <Tool label="Redo" press={redo}>
            <Redo2 size={18} aria-hidden="true" />
          </Tool>
          <Tool label="Add after" press={() => to(addKeyAfter(seen, index))}>
            <Plus size={18} aria-hidden="true" />
          </Tool>
          <Tool label="Remove" press={() => to(removeKey(seen, index))}>
            <Minus size={18} aria-hidden="true" />
          </Tool>
          <Tool label="Mirror" press={() => to(mirrorKey(seen, index))}>
            <FlipHorizontal2 size={18} aria-hidden="true" />
          </Tool>
          {index > 0 && (
            <label className="flex min-h-11 items-center gap-2 rounded-full border-[1.5px] border-tide-800 pl-3 font-semibold">
              <Copy size={18} aria-hidden="true" /> Same as key pose
              <select
                value=""
                onChange={({ currentTarget }) => to(copyPose(seen, Number(currentTarget.value), index))}
                className="min-h-11 rounded-r-full bg-transparent pr-2 font-semibold"
              >
                <option value="" disabled>
                  …
                </option>
                {seen.keys.slice(0, index).map(({ at }, earlier) => (
                  <option key={at} value={earlier}>
                    {earlier + 1}
                  </option>
                ))}
              </select>
            </label>
          )}
          <Tool label="Earlier" press={() => shiftKey(-0.05)}>
            {null}
          </Tool>
          <Tool label="Later" press={() => shiftKey(0.05)}>
            {null}
          </Tool>
        </div>
        {problems.length > 0 && (
          <ul className="list-disc pl-6 font-semibold text-signal-700" role="alert">
            {problems.map((problem) => (
              <li key={`${problem.path} ${problem.message}`}>
                {problem.path} {problem.message}
              </li>
            ))}
          </ul>
        )}
        <div className="grid gap-4 rounded-soft border border-sand-300 bg-white p-4 sm:grid-cols-3">
          {shown && frame ? (
            <>
              <PullFigure row={shown.row} frame={frame} view="front" waterline={waterline} pull={pulled("front")} />
              <PullFigure row={shown.row} frame={frame} view="side" waterline={waterline} pull={pulled("side")} />
              {laterForm && (
                <WholeRound
                  movement={later}
                  samples={laterForm.samples}
                  waterline={waterline}
                  cycleSeconds={BREATH_SECONDS.usual * later.breaths}
                />
              )}
            </>
          ) : (
            <p>This movement does not have that variant.</p>
          )}
        </div>
        {form?.samples.problem && (
          <p role="alert" className="font-semibold text-signal-700">
            At {Math.round(100 * form.samples.problem.phase)}% of the repetition the body{" "}
            {formatMovementProblem(form.samples.problem.what)}.
          </p>
        )}
        <MovementFacts movement={present} edit={edit} />
        <BeginsAndEnds movement={later} edit={edit} />
        <Form id={SAVE_FORM} method="post" className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-5">
          <input type="hidden" name="document" value={JSON.stringify(present)} />
          <CueFields name={present.name} cues={present.cues} edit={edit} />
          <WordAdvice movement={present} />
          <div className="flex flex-wrap items-center gap-3">
            {!shipped && (
              <Button look="quiet" name="intent" value="delete">
                Delete it
              </Button>
            )}
            {shipped && (
              <span className="text-sand-600">Built-in movements stay as they are; your changes are saved as a copy.</span>
            )}
          </div>
        </Form>
      </div>
      <aside className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-4" aria-label="Demands and figures">
        <DemandPanel asked={asked} people={people} ask={setAsked} hasDepths={present.vary.depth === true} />
        <OwnPoses movement={present} kind={kind} edit={edit} />
        {form && shown && frame && (
          <>
            <div data-testid="demands">
              <DemandBars demands={form.demands} caps={[]} rounds={6} />
            </div>
            <FloorView
              row={shown.row}
              base={form.samples.bases[shown.sample] ?? []}
              frame={frame}
              stature={body.stature}
              className="w-full rounded-[10px] bg-sand-100"
            />
            <p className="text-sand-600">
              Computed from a body model of rigid segments and average shares. It ranks forms; it does not measure risk.
              {waterline !== undefined &&
                " With the water at the hips it reads 6 to 13 points heavier than people were measured."}
            </p>
          </>
        )}
        <PoseValues movement={seen} index={index} edit={editSeen} />
        <LegValues movement={seen} index={index} change={toKey} />
      </aside>
    </div>
  );
}
