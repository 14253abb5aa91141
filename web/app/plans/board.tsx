import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { readContent } from "@able-tide/core/plan/content";
import {
  addMovement,
  addRounds,
  changeBreath,
  doubleBlock,
  mirrorOne,
  moveBlock,
  type PlanEdit,
  practiseTogether,
  removeBlock,
  setBlock,
  setBlocks,
} from "@able-tide/core/plan/edit-plan";
import type { PlanSetting } from "@able-tide/core/plan/setting";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import { minutesAndSeconds } from "@able-tide/core/plan/time";
import { useCallback, useEffect, useReducer, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { dayInWords } from "../days.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { KeysSheet, useKeys } from "../kit/keys-sheet.tsx";
import { TideLine } from "../kit/tide-line.tsx";
import { BlockPanel } from "./block-panel.tsx";
import { BlockRow } from "./block-row.tsx";
import { BoardControls } from "./board-controls.tsx";
import { layBoard, phaseStretches, type Span } from "./board-layout.ts";
import { ContentBars } from "./content-bars.tsx";
import { changeDraft, type Draft } from "./draft.ts";
import { FitGrid, type GridPlace } from "./fit-grid.tsx";
import { MovementPalette } from "./movement-palette.tsx";
import { PlanChoices } from "./plan-choices.tsx";
import { ProposeSheet } from "./propose-sheet.tsx";
import { SaveNote } from "./save-note.tsx";
import { SideTotalsLine } from "./side-totals.tsx";
import { beginTeaching, savePlan } from "./submit-plan.ts";
import { ToMind } from "./to-mind.tsx";
import { useAutosave } from "./use-autosave.ts";
import { useFit } from "./use-fit.ts";
import { usePaletteOrder } from "./use-palette-order.ts";
import { usePlanLook, usePlanNotes } from "./use-plan-look.ts";
import { useWidth } from "./use-width.ts";

interface Props {
  readonly plan: { readonly id: string; readonly day: string; readonly version: number };
  readonly content: Draft;
  readonly setting: PlanSetting;
  readonly styles: readonly TeachingStyle[];
  readonly group: {
    readonly name: string;
    readonly place: string;
    readonly minutes: number;
    readonly startsAt: string;
  };
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly stature: number;
    readonly measured: MeasuredBody;
    readonly caps: readonly Cap[];
    readonly brief: string;
  }[];
  readonly movements: readonly Movement[];
  readonly taught: { readonly id: string; readonly ended: boolean } | null;
}

const NAME_WIDTH = 150;
const TIDE_HEIGHT = 132;

const KEYS = [
  ["arrows", "from cell to cell in the grid"],
  ["/", "find a movement to add; Escape goes back"],
  ["n", "to the first thing to mind"],
  ["g", "to the grid of people"],
  ["[ and ]", "move the chosen block earlier or later"],
  [", and .", "choose the block before or after"],
  ["+ and -", "one round more or less"],
  ["d", "the chosen block once more"],
  ["m", "the chosen block for the other side"],
  ["j", "run straight on from the one before, or not"],
  ["Delete", "take the chosen block out"],
  ["Ctrl Z, Ctrl Y", "undo, redo"],
  ["?", "this sheet"],
] as const;

/** The plan in one picture: the tide over time, the blocks under it, and everybody's form in each block. */
export function PlanBoard({ plan, content, setting, styles, group, people, movements, taught }: Props) {
  const navigate = useNavigate();
  const [history, change] = useReducer(changeDraft, { past: [], present: content, future: [] });
  const draft = history.present;
  const edit = (made: PlanEdit, along = false) => change({ kind: "edit", edit: made, along });
  const [place, setPlace] = useState<GridPlace | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const column = useRef<HTMLDivElement>(null);
  const mind = useRef<HTMLElement>(null);
  const available = useWidth(column, 900);

  const looked = usePlanLook(draft, setting, movements);
  const { look, question } = looked;
  const { reading } = look;
  const { blocks } = reading;
  const notes = usePlanNotes(looked, draft, group.minutes);
  const fills = usePaletteOrder(movements, look, draft, question.circumstances, question.library);
  const fitted = useFit(looked.fitPlan, people);
  const layout = layBoard(blocks, reading.leavingSeconds + reading.leaveSafely, Math.max(0, available - NAME_WIDTH));

  const send = useCallback((sending: Draft, version: number) => savePlan(plan.id, sending, version), [plan.id]);
  const saving = useAutosave(draft, plan.version, send);

  const chosenAt = blocks.findIndex((block) => block.id === place?.blockId);
  const chosen = blocks[chosenAt] ?? blocks[0] ?? null;
  const at = chosen ? blocks.indexOf(chosen) : -1;
  const person = people.find(({ id }) => id === place?.personId) ?? null;
  const cell = person && chosen ? (fitted.rows.get(person.id)?.cells[at] ?? null) : null;
  /** The chosen block for the other side; one that is not sided begins with the right. */
  function mirrorChosen() {
    const [first] = chosen?.turns ?? [];
    if (chosen && first) edit(mirrorOne(chosen.id, first.lead));
  }
  const chooseBlock = (blockId: string) => setPlace({ blockId, personId: place?.personId ?? null });

  function add(movementId: string) {
    setProblem(null);
    edit(addMovement(movementId, null));
  }

  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.target instanceof HTMLInputElement) return;
      const key = event.key.toLowerCase();
      if (key !== "z" && key !== "y") return;
      event.preventDefault();
      change({ kind: key === "y" || event.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);

  useKeys((event) => {
    if (event.key === "/") {
      event.preventDefault();
      search.current?.focus();
    }
    if (event.key === "n") mind.current?.querySelector<HTMLElement>("button, summary")?.focus();
    if (event.key === "g") column.current?.querySelector<HTMLElement>('[data-cell][tabindex="0"]')?.focus();
    if (!chosen) return;
    const { id } = chosen;
    const neighbour = event.key === "," ? blocks[at - 1] : event.key === "." ? blocks[at + 1] : undefined;
    if (neighbour) chooseBlock(neighbour.id);
    if (event.key === "[") edit(moveBlock(id, { by: -1 }));
    if (event.key === "]") edit(moveBlock(id, { by: 1 }));
    if (event.key === "+" || event.key === "=") edit(addRounds(id, 1));
    if (event.key === "-") edit(addRounds(id, -1));
    if (event.key === "d") edit(doubleBlock(id));
    if (event.key === "m") mirrorChosen();
    if (event.key === "j") edit(setBlock(id, { straight: chosen.block.straight ? undefined : true }));
    if (event.key === "Delete") edit(removeBlock(id));
  });

  async function teach() {
    setProblem(null);
    if (!(await saving.save())) return;
    const answer = await beginTeaching(plan.id).catch(() => null);
    if (answer === null) setProblem("The server did not answer. Nothing is lost; please try again.");
    else if (answer.kind === "begun") navigate(`/classes/${answer.classId}`);
    else setProblem(answer.message);
  }

  const ownCap = person?.caps.flatMap(({ limit }) => (limit.channel === "steadiness" ? [limit.limit] : [])) ?? [];
  const tideBlocks = layout.blocks.map((span, i) => ({ ...span, height: look.steadiness[i] ?? 0 }));
  const over = reading.total - group.minutes * 60;
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <div>
          <h1 className="text-3xl">
            {group.name}, {dayInWords(plan.day)}
          </h1>
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <p className="mr-2 text-right" aria-live="polite">
            <span className="font-display text-3xl font-bold" data-testid="duration">
              {minutesAndSeconds(reading.total)}
            </span>{" "}
            <span className={over > 0 ? "font-semibold text-signal-700" : "text-sand-600"}>
              of {group.minutes} min{over > 0 ? `, ${minutesAndSeconds(over)} too long` : ""}
            </span>
          </p>
          <ProposeSheet
            draft={draft}
            setting={setting}
            minutes={group.minutes}
            movements={movements}
            people={people}
            take={(proposed) => edit(setBlocks(proposed))}
          />
          {taught === null && (
            <Button type="button" onClick={teach}>
              Teach
            </Button>
          )}
          {taught !== null && (
            <ButtonLink to={`/classes/${taught.id}`}>{taught.ended ? "What happened" : "Back to class"}</ButtonLink>
          )}
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-x-4">
        <p className="text-lg text-sand-600">
          {people.length} people · {group.place} · {group.startsAt}
        </p>
        <PlanChoices draft={draft} styles={styles} question={question} change={change} />
        <span className="ml-auto flex gap-x-4">
          {(
            [
              ["script", "Script"],
              ["versions", "Versions"],
              ["file", "As a file"],
            ] as const
          ).map(([page, label]) => (
            <Link
              key={page}
              to={`/plans/${plan.id}/${page}`}
              reloadDocument={page === "file"}
              className="flex min-h-11 items-center underline underline-offset-4"
            >
              {label}
            </Link>
          ))}
        </span>
      </div>
      <div className="mb-1 flex flex-wrap items-center gap-x-4">
        <SideTotalsLine totals={look.totals} />
        {notes.length > 0 && <ToMind ref={mind} notes={notes} choose={chooseBlock} take={(mended) => edit(setBlocks(mended))} />}
        {notes.length === 0 && blocks.length > 0 && <p className="text-tide-700">Joins up, even, on time.</p>}
        <span className="ml-auto flex flex-wrap items-center">
          <BoardControls
            breathSeconds={draft.breathSeconds}
            breath={(by) => edit(changeBreath(by))}
            undo={history.past.length > 0 ? () => change({ kind: "undo" }) : null}
            redo={history.future.length > 0 ? () => change({ kind: "redo" }) : null}
          />
          <SaveNote
            state={saving.state}
            takeTheirs={(theirs, version) => {
              edit(() => theirs);
              saving.goOnFrom(version, theirs);
            }}
            keepOurs={(version) => saving.goOnFrom(version, null)}
          />
          <KeysSheet keys={KEYS} className="ml-3 underline underline-offset-4" />
        </span>
      </div>
      {problem && (
        <p
          role="alert"
          className="mb-3 rounded-[10px] border-[1.5px] border-signal-600 bg-signal-100 p-3 font-semibold text-signal-700"
        >
          {problem}
        </p>
      )}

      <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)_18rem]">
        <div ref={column} className="min-w-0">
          {blocks.length === 0 ? (
            <p className="rounded-soft border-2 border-dashed border-sand-300 p-10 text-center text-lg">
              An empty shore. Add the first movement below: begin with one to arrive.
            </p>
          ) : (
            <div className="overflow-x-auto pb-2" data-testid="board">
              <div className="flex" style={{ width: NAME_WIDTH + layout.width }}>
                <div className="shrink-0 pt-3" style={{ width: NAME_WIDTH }}>
                  <p className="font-bold">Tide line</p>
                  <p className="text-sand-600">steadiness asked, 0 to 10</p>
                </div>
                <TideLine
                  blocks={tideBlocks}
                  width={layout.width}
                  height={TIDE_HEIGHT}
                  scale
                  cap={
                    person && ownCap.length > 0
                      ? { height: Math.min(...ownCap), label: `${person.name} stops at ${Math.min(...ownCap)}` }
                      : null
                  }
                  label={`Steadiness asked over the session: ${blocks.map(({ movement }, i) => `${taughtName(movement)} ${(look.steadiness[i] ?? 0).toFixed(1)}`).join(", ")}`}
                />
              </div>
              <BlockRow
                blocks={blocks}
                spans={layout.blocks}
                leaving={layout.leaving}
                leavingSeconds={reading.leavingSeconds}
                stretches={phaseStretches(blocks, layout.blocks)}
                nameWidth={NAME_WIDTH}
                chosenId={chosen?.id ?? null}
                choose={chooseBlock}
                pull={(id, by, along) => edit(moveBlock(id, { by }), along)}
                pullRounds={(id, by, along) => edit(addRounds(id, by), along)}
              />
              <FitGrid
                people={people}
                blocks={blocks.map(({ id, movement }) => ({ id, name: taughtName(movement) }))}
                spans={layout.blocks as readonly Span[]}
                width={layout.width}
                nameWidth={NAME_WIDTH}
                fitted={fitted}
                chosen={place}
                choose={setPlace}
              />
              {people.length === 0 && (
                <p className="p-4">
                  Nobody is in this group yet.{" "}
                  <Link to="/people/new" className="font-semibold underline underline-offset-4">
                    Add a person
                  </Link>
                </p>
              )}
            </div>
          )}
          {blocks.length > 0 && <ContentBars contents={readContent(look, draft.purpose)} purpose={draft.purpose} />}
          <MovementPalette movements={movements} fills={fills} add={add} ref={search} />
        </div>
        {chosen && (
          <aside aria-label="The chosen movement" className="rounded-soft border border-sand-300 bg-white p-4 xl:sticky xl:top-4">
            <BlockPanel
              key={chosen.movement.id}
              block={chosen}
              following={blocks.length - 1 - at}
              person={person}
              cell={cell}
              actions={{
                rounds: (by) => edit(addRounds(chosen.id, by)),
                move: (by) => edit(moveBlock(chosen.id, { by })),
                remove: () => edit(removeBlock(chosen.id)),
                double: () => edit(doubleBlock(chosen.id)),
                mirror: mirrorChosen,
                set: (differs) => edit(setBlock(chosen.id, differs)),
                practise: (parts, name) => edit(practiseTogether(chosen.id, parts, name)),
              }}
            />
            {person && (
              <p className="mt-3">
                On the feet in all: <strong>{Math.round((fitted.rows.get(person.id)?.standingSeconds ?? 0) / 60)} min</strong> ·{" "}
                <Link to={`/people/${person.id}`} className="underline underline-offset-4">
                  {person.name}'s caps
                </Link>
              </p>
            )}
          </aside>
        )}
      </div>
    </>
  );
}
