import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import {
  addMovement,
  addRepetitions,
  changeBreath,
  duplicateItem,
  holdAllTo,
  holdTo,
  moveItem,
  type PlanEdit,
  practiseTogether,
  removeItem,
  replaceItems,
  switchOneSide,
  updateItem,
} from "@able-tide/core/plan/edit-plan";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import { readContent } from "@able-tide/core/planner/content";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import type { PlanSchedule } from "@able-tide/core/schedule/schedule-plan";
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { KeysSheet, useKeys } from "../kit/keys-sheet.tsx";
import { TideLine } from "../kit/tide-line.tsx";
import { BoardControls } from "./board-controls.tsx";
import { BoardHead } from "./board-head.tsx";
import { BOARD_KEYS } from "./board-keys.ts";
import { layBoard, phaseStretches } from "./board-layout.ts";
import { ContentBars } from "./content-bars.tsx";
import { changeDraft, type Draft } from "./draft.ts";
import { FitGrid, type GridPlace } from "./fit-grid.tsx";
import { formatGap, formatImprovement, formatSupportOptions } from "./fit-messages.ts";
import { HelpfulChanges } from "./helpful-changes.tsx";
import { MovementPalette } from "./movement-palette.tsx";
import { PersonCell } from "./person-cell.tsx";
import { PersonSession } from "./person-session.tsx";
import { PlanChoices } from "./plan-choices.tsx";
import { PlanIssues } from "./plan-issues.tsx";
import { BlockPanel } from "./plan-item-panel.tsx";
import type { BlockActions } from "./plan-item-settings.tsx";
import { BlockRow } from "./plan-timeline.tsx";
import { ProposeSheet } from "./propose-sheet.tsx";
import { SaveNote } from "./save-note.tsx";
import { SideTotalsLine } from "./side-totals.tsx";
import { beginTeaching, savePlan } from "./submit-plan.ts";
import { formatSupportNeeds, handsNeeded } from "./support-needs.ts";
import { formatTide } from "./tide-words.ts";
import { useAutosave } from "./use-autosave.ts";
import { useDebouncedTransition } from "./use-debounced-transition.ts";
import { type FittedRows, type ServedRows, useFit } from "./use-fit.ts";
import { usePaletteOrder } from "./use-palette-order.ts";
import { usePlanIssues } from "./use-plan-issues.ts";
import { usePlanLook } from "./use-plan-look.ts";
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
  readonly fitted: ServedRows;
}

/** The blocks along the board with what comes after them. */
const layoutOf = ({ blocks, leavingSeconds, leaveSafely }: PlanSchedule, width: number) =>
  layBoard(blocks, leavingSeconds + leaveSafely, width);

/** How people are listed in the grid. */
type GridOrder = "name" | "limited";

const keptOf = (rows: FittedRows["rows"], personId: string): number => rows.get(personId)?.kept ?? 1;

const NAME_WIDTH = 150;
const TIDE_HEIGHT = 132;

/** The plan in one picture: the tide over time, the blocks under it, and everybody's form in each block. */
export function PlanBoard({ plan, content, setting, styles, group, people, movements, taught, fitted: served }: Props) {
  const navigate = useNavigate();
  const [history, change] = useReducer(changeDraft, { past: [], present: content, future: [] });
  const draft = history.present;
  const edit = useCallback((made: PlanEdit, along = false) => change({ kind: "edit", edit: made, along }), []);
  const [place, setPlace] = useState<GridPlace | null>(null);
  const [order, setOrder] = useState<GridOrder>("name");
  const [problem, setProblem] = useState<string | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const column = useRef<HTMLDivElement>(null);
  const mind = useRef<HTMLElement>(null);
  const available = useWidth(column, 900);

  const looked = usePlanLook(draft, setting, movements);
  const { look } = looked;
  const { reading } = look;
  const { blocks } = reading;
  const width = Math.max(0, available - NAME_WIDTH);
  const layout = layoutOf(reading, width);
  // Tide, blocks, clock and totals follow the hand at once; all else once it rests, so that it is never held up.
  const later = useDebouncedTransition(looked);
  const laterBlocks = later.look.reading.blocks;
  const { notes, fixes } = usePlanIssues(later, movements, setting, group.minutes);
  const fills = usePaletteOrder(movements, later.look, later.draft.purpose, later.question.circumstances, later.question.library);
  const fitted = useFit(later.fitPlan, people, served);
  const laterLayout = useMemo(() => layoutOf(later.look.reading, width), [later, width]);
  const named = useMemo(() => laterBlocks.map(({ id, movement }) => ({ id, name: taughtName(movement) })), [laterBlocks]);
  const contents = useMemo(() => readContent(later.look, draft.purpose), [later, draft.purpose]);

  const send = useCallback((sending: Draft, version: number) => savePlan(plan.id, sending, version), [plan.id]);
  const saving = useAutosave(draft, plan.version, send);

  const chosenAt = blocks.findIndex((block) => block.id === place?.blockId);
  const chosen = blocks[chosenAt] ?? blocks[0] ?? null;
  const at = chosen ? blocks.indexOf(chosen) : -1;
  const shownAt = laterBlocks.findIndex(({ id }) => id === chosen?.id);
  const shown = laterBlocks[shownAt] ?? null;
  const person = people.find(({ id }) => id === place?.personId) ?? null;
  const row = person ? (fitted.rows.get(person.id) ?? null) : null;
  const cell = row && shown ? (row.cells[shownAt] ?? null) : null;
  const hands = useMemo(
    () => laterBlocks.map((_, i) => handsNeeded(people.map(({ id, name }) => ({ name, cell: fitted.rows.get(id)?.cells[i] })))),
    [laterBlocks, people, fitted.rows],
  );
  const listed = useMemo(
    () => (order === "name" ? people : people.toSorted((a, b) => keptOf(fitted.rows, a.id) - keptOf(fitted.rows, b.id))),
    [order, people, fitted.rows],
  );
  const { chooseCell, askWithout } = fitted;
  const settled = fitted.settled && later.draft === draft;
  const better = settled ? fitted.better : null;
  const askedPerson = person?.id ?? null;
  const askedBlock = shown?.id ?? null;
  useEffect(
    () => chooseCell(askedPerson !== null && askedBlock !== null ? { personId: askedPerson, blockId: askedBlock } : null),
    [chooseCell, askedPerson, askedBlock],
  );
  const explained =
    fitted.explained?.personId === askedPerson && fitted.explained?.blockId === askedBlock ? fitted.explained : null;
  const chooseBlock = useCallback(
    (blockId: string) => setPlace((before) => ({ blockId, personId: before?.personId ?? null })),
    [],
  );
  const add = useCallback((movementId: string) => edit(addMovement(movementId, null)), [edit]);
  const take = useCallback((taken: Draft["blocks"]) => edit(replaceItems(taken)), [edit]);
  const chosenId = chosen?.id ?? "";
  const leadsFirst = chosen?.turns[0]?.lead ?? "right";
  const actions = useMemo(
    (): BlockActions => ({
      rounds: (by) => edit(addRepetitions(chosenId, by)),
      move: (by) => edit(moveItem(chosenId, { by })),
      remove: () => edit(removeItem(chosenId)),
      double: () => edit(duplicateItem(chosenId)),
      mirror: () => edit(switchOneSide(chosenId, leadsFirst)),
      set: (differs) => edit(updateItem(chosenId, differs)),
      practise: (parts, name) => edit(practiseTogether(chosenId, parts, name)),
    }),
    [edit, chosenId, leadsFirst],
  );

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
    if (event.key === "[") edit(moveItem(id, { by: -1 }));
    if (event.key === "]") edit(moveItem(id, { by: 1 }));
    if (event.key === "+" || event.key === "=") edit(addRepetitions(id, 1));
    if (event.key === "-") edit(addRepetitions(id, -1));
    if (event.key === "d") edit(duplicateItem(id));
    if (event.key === "m") actions.mirror();
    if (event.key === "j") edit(updateItem(id, { straight: chosen.block.straight ? undefined : true }));
    if (event.key === "Delete") edit(removeItem(id));
  });

  async function teach() {
    setProblem(null);
    if (!(await saving.save())) return;
    const answer = await beginTeaching(plan.id).catch(() => null);
    if (answer === null) setProblem("No connection to the server. Your work is kept on this device. Try again.");
    else if (answer.kind === "begun") navigate(`/classes/${answer.classId}`);
    else setProblem(answer.message);
  }

  const ownCap = person?.caps.flatMap(({ limit }) => (limit.channel === "steadiness" ? [limit.limit] : [])) ?? [];
  const tideBlocks = layout.blocks.map((span, i) => ({
    ...span,
    height: look.steadiness[i] ?? 0,
    rising: look.rising[i] ?? null,
  }));
  return (
    <>
      <BoardHead plan={plan} group={group} people={people.length} total={reading.total} taught={taught} teach={teach}>
        <ProposeSheet draft={draft} setting={setting} minutes={group.minutes} movements={movements} people={people} take={take} />
        <PlanChoices draft={draft} styles={styles} question={later.question} change={change} />
      </BoardHead>
      <div className="mb-1 flex flex-wrap items-center gap-x-4">
        <SideTotalsLine totals={look.totals} />
        {notes.length > 0 && (
          <PlanIssues ref={mind} notes={notes} fixes={later.draft === draft ? fixes : null} choose={chooseBlock} take={take} />
        )}
        {notes.length === 0 && blocks.length > 0 && (
          <p className="text-tide-700">All checks passed: transitions, left–right balance and time.</p>
        )}
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
          <KeysSheet keys={BOARD_KEYS} className="ml-3 underline underline-offset-4" />
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
              No movements yet. Add the first one below; start with an Arrive movement.
            </p>
          ) : (
            <div className="relative overflow-x-auto pb-2" data-testid="board">
              <div className="flex" style={{ width: NAME_WIDTH + layout.width }}>
                <div className="shrink-0 pt-3" style={{ width: NAME_WIDTH }}>
                  <p className="font-bold">Tide line</p>
                  <p className="text-sand-600">Balance demand, 0 to 10</p>
                  {person && <p className="text-sand-600">Dashed line: {person.name}</p>}
                </div>
                <TideLine
                  blocks={tideBlocks}
                  width={layout.width}
                  height={TIDE_HEIGHT}
                  leaving={look.rising.at(-1) ?? null}
                  scale
                  own={row?.cells.map(({ steadiness }) => steadiness) ?? null}
                  cap={
                    person && ownCap.length > 0
                      ? { height: Math.min(...ownCap), label: `${person.name}'s cap: ${Math.min(...ownCap)}` }
                      : null
                  }
                  label={`Balance demand through the session: ${formatTide(blocks, look)}`}
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
                pull={(id, by, along) => edit(moveItem(id, { by }), along)}
                pullRounds={(id, by, along) => edit(addRepetitions(id, by), along)}
              />
              <FitGrid
                people={listed}
                blocks={named}
                spans={laterLayout.blocks}
                width={laterLayout.width}
                nameWidth={NAME_WIDTH}
                rows={fitted.rows}
                settled={settled}
                chosen={place}
                choose={setPlace}
                hands={hands}
                offers={formatSupportOptions(setting.fitPlace)}
              />
              {people.length === 0 && (
                <p className="p-4">
                  No participants in this group yet.{" "}
                  <Link to="/people/new" className="font-semibold underline underline-offset-4">
                    Add participant
                  </Link>
                </p>
              )}
            </div>
          )}
          {blocks.length > 0 && people.length > 0 && (
            <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
              <label className="flex items-center gap-2">
                Participants
                <select
                  value={order}
                  onChange={({ currentTarget }) => setOrder(currentTarget.value === "limited" ? "limited" : "name")}
                  className="min-h-11 rounded-[10px] border border-sand-300 bg-white px-2 font-semibold"
                >
                  <option value="name">By name</option>
                  <option value="limited">Most caps first</option>
                </select>
              </label>
              <HelpfulChanges draft={draft} setting={setting} movements={movements} people={people} take={take} />
              <p className="text-sand-600">{formatGap(fitted.gap)}</p>
              {better && (
                <button
                  type="button"
                  onClick={() => edit(holdAllTo(better.holds))}
                  className="min-h-11 underline underline-offset-4"
                >
                  {formatImprovement(better)}
                </button>
              )}
            </div>
          )}
          {blocks.length > 0 && <ContentBars contents={contents} purpose={draft.purpose} />}
          <MovementPalette movements={movements} fills={fills} add={add} ref={search} />
        </div>
        {shown && (
          <aside aria-label="Selected movement" className="rounded-soft border border-sand-300 bg-white p-4 xl:sticky xl:top-4">
            <BlockPanel
              key={shown.movement.id}
              block={shown}
              following={laterBlocks.length - 1 - shownAt}
              person={person}
              cell={cell}
              actions={actions}
            >
              {person && row && cell ? (
                <>
                  <PersonCell
                    name={person.name}
                    cell={cell}
                    explained={explained}
                    without={fitted.without?.personId === person.id ? fitted.without : null}
                    held={
                      draft.holds.find(({ personId, blockId }) => personId === person.id && blockId === shown.id)?.way ?? null
                    }
                    hold={(way) => edit(holdTo(person.id, shown.id, way))}
                    askWithout={(capId) => askWithout(person.id, capId)}
                    blockName={(blockId) => named.find(({ id }) => id === blockId)?.name ?? ""}
                  />
                  <PersonSession person={person} row={row} people={people} blocks={laterBlocks} rows={fitted.rows} />
                </>
              ) : (
                people.length > 0 && <p>Here {formatSupportNeeds(hands[shownAt] ?? { rail: [], helper: [], other: [] })}.</p>
              )}
            </BlockPanel>
          </aside>
        )}
      </div>
    </>
  );
}
