import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { itemAt } from "@able-tide/core/checked-access";
import type { HoldRecord } from "@able-tide/core/class/clean-holds";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { Combination } from "@able-tide/core/plan/combination";
import { addCombination, changeCombination, combineItems, separateParts } from "@able-tide/core/plan/edit-combination";
import {
  addMovement,
  addRepetitions,
  duplicateItem,
  holdItem,
  moveItem,
  type PlanEdit,
  removeItem,
  replaceItems,
  switchOneSide,
  updateItem,
} from "@able-tide/core/plan/edit-plan";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import { readContent } from "@able-tide/core/planner/content";
import type { SessionTime } from "@able-tide/core/planner/fix-duration";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { type RefObject, useCallback, useEffect, useMemo, useReducer, useState } from "react";
import { useNavigate } from "react-router";
import type { ShownRows } from "../../jobs/fit-jobs.ts";
import { useKeys } from "../kit/keys-sheet.tsx";
import { type BoardColumn, columnsOf, columnWith } from "./board-columns.ts";
import { boardKey, chosenItem, firstLead, type GridOrder, historyKey, itemLike, listPeople } from "./board-model.ts";
import { changeDraft, type Draft } from "./draft.ts";
import type { GridPlace } from "./fit-grid.tsx";
import type { PlanItemActions } from "./plan-item-settings.tsx";
import { beginTeaching, keepCombination } from "./submit-plan.ts";
import { handsNeeded } from "./support-needs.ts";
import { useAutosave } from "./use-autosave.ts";
import { useBreakFixes } from "./use-break-fixes.ts";
import { useDebouncedTransition } from "./use-debounced-transition.ts";
import { useFit } from "./use-fit.ts";
import { useLedReading } from "./use-led-reading.ts";
import { usePaletteOrder } from "./use-palette-order.ts";
import { type CheckedSession, usePlanIssues } from "./use-plan-issues.ts";
import { usePlanLook } from "./use-plan-look.ts";

/** What the grid of the board shows. */
export type BoardView = "participants" | "versions";

export interface BoardProps {
  readonly plan: { readonly id: string; readonly day: string; readonly revision: number };
  readonly content: Draft;
  readonly setting: PlanSetting;
  readonly styles: readonly TeachingStyle[];
  /** Combinations of the library. */
  readonly combinations: readonly Combination[];
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
  readonly known: ShownRows | null;
  /** How the group last held movements, by their ids. */
  readonly held: Readonly<Record<string, HoldRecord>>;
}

const tenth = (seconds: number): number => Math.round(10 * seconds) / 10;

/** The plan that is being edited, with what is computed from it. */
function useEditedPlan({ plan, content, setting, group, people, movements, known }: BoardProps) {
  const [history, change] = useReducer(changeDraft, { past: [], present: content, future: [] });
  const draft = history.present;
  const edit = useCallback((made: PlanEdit, along = false) => change({ kind: "edit", edit: made, along }), []);
  const looked = usePlanLook(draft, setting, movements);
  // Tide, movements, clock and totals follow the hand at once; all else once it rests, so that it is never held up.
  const later = useDebouncedTransition(looked);
  const fitted = useFit(later, people, known);
  const reading = useLedReading(looked, fitted.latest);
  const laterReading = useLedReading(later, fitted.latest);
  const changing = tenth(laterReading.total - later.analysis.reading.total);
  const time = useMemo((): SessionTime => ({ minutes: group.minutes, changing }), [group.minutes, changing]);
  const planned = usePlanIssues(later, movements, setting, time);
  const breaks = useBreakFixes(later, setting, people, fitted.sheet);
  const isCurrent = later.draft === draft;
  const settled = fitted.settled && isCurrent;
  return {
    history,
    change,
    draft,
    edit,
    analysis: looked.analysis,
    /** The schedule as the session is led. */
    reading,
    later,
    laterReading,
    checks: useMemo(
      (): CheckedSession => ({
        notes: [...planned.notes, ...breaks.notes],
        fixesOf: (note) => (!isCurrent ? null : note.toFix?.what === "breaks" ? breaks.fixes : planned.fixesOf(note)),
        findFixes: (note) =>
          note.toFix?.what === "breaks" && !breaks.asked && isCurrent ? { find: breaks.find, again: breaks.failed } : null,
      }),
      [planned.notes, planned.fixesOf, breaks.notes, breaks.fixes, breaks.asked, breaks.failed, breaks.find, isCurrent],
    ),
    fitted,
    settled,
    /** The time that it has, and what of that goes into sitting down and standing up. */
    time,
    fills: usePaletteOrder(movements, later.analysis, later.draft.purpose, later.input.context, later.input.variants),
    contents: useMemo(() => readContent(later.analysis, draft.purpose), [later, draft.purpose]),
    saving: useAutosave(plan.id, draft, plan.revision),
  };
}

type EditedPlan = ReturnType<typeof useEditedPlan>;

/** What is chosen on the board: a movement, and perhaps a participant in it. */
function useSelection({ reading, laterReading, fitted }: EditedPlan, people: BoardProps["people"]) {
  const [place, setPlace] = useState<GridPlace | null>(null);
  const { blocks } = reading;
  const laterBlocks = laterReading.blocks;
  const chosen = chosenItem(blocks, place?.blockId ?? null);
  const shown = itemLike(laterBlocks, chosen?.id ?? null);
  const shownAt = shown === null ? -1 : laterBlocks.indexOf(shown);
  const person = people.find(({ id }) => id === place?.personId) ?? null;
  const row = person ? (fitted.rows.get(person.id) ?? null) : null;
  const personId = person?.id ?? null;
  const blockId = shown?.id ?? null;
  const { chooseCell } = fitted;
  useEffect(
    () => chooseCell(personId !== null && blockId !== null ? { personId, blockId } : null),
    [chooseCell, personId, blockId],
  );
  const explained = fitted.explained;
  return {
    place,
    setPlace,
    chosen,
    shown,
    shownAt,
    person,
    row,
    cell: row && shown ? (row.cells[shownAt] ?? null) : null,
    explained: explained?.personId === personId && explained?.blockId === blockId ? explained : null,
    chooseBlock: useCallback((id: string) => setPlace((before) => ({ blockId: id, personId: before?.personId ?? null })), []),
  };
}

/** Ctrl or Cmd with Z and Y take changes back and make them again, but not while someone types. */
function useHistoryKeys(change: EditedPlan["change"]): void {
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.target instanceof HTMLInputElement) return;
      const kind = historyKey(event);
      if (kind === null) return;
      event.preventDefault();
      change({ kind });
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, [change]);
}

/** Parts of the board that a key moves the focus to. */
export interface BoardParts {
  readonly search: RefObject<HTMLInputElement | null>;
  readonly checks: RefObject<HTMLElement | null>;
  readonly column: RefObject<HTMLDivElement | null>;
}

function focusPart(part: "search" | "checks" | "grid", { search, checks, column }: BoardParts): void {
  if (part === "search") search.current?.focus();
  if (part === "checks") checks.current?.querySelector<HTMLElement>("button, summary")?.focus();
  if (part === "grid") column.current?.querySelector<HTMLElement>('[data-cell][tabindex="0"]')?.focus();
}

const NO_ANSWER = "No connection to the server. Your work is kept on this device. Try again.";

/** The combinations of the library, with those that are saved here, and how one is saved. */
function useCombinations(served: readonly Combination[], say: (problem: string | null) => void) {
  const [added, setAdded] = useState<readonly Combination[]>([]);
  return {
    combinations: useMemo(() => [...served, ...added], [served, added]),
    save: async (combination: Combination): Promise<void> => {
      say(null);
      const answer = await keepCombination(combination).catch(() => null);
      if (answer?.kind === "saved") setAdded((before) => [...before, combination]);
      else say(answer?.message ?? NO_ANSWER);
    },
  };
}

/**
 * The board's state and its commands; everything drawn follows from it.
 *
 * Long because it gathers the models that all parts of the board read.
 */
export function useBoard(props: BoardProps, parts: BoardParts) {
  const { plan, people } = props;
  const edited = useEditedPlan(props);
  const { edit, change, fitted, reading, saving } = edited;
  const selection = useSelection(edited, people);
  const { chosen, chooseBlock } = selection;
  const laterBlocks = edited.laterReading.blocks;
  const columns = useMemo(() => columnsOf(reading.blocks), [reading]);
  const laterColumns = useMemo(() => columnsOf(laterBlocks), [laterBlocks]);
  const [order, setOrder] = useState<GridOrder>("name");
  const [view, setView] = useState<BoardView>("versions");
  const [problem, setProblem] = useState<string | null>(null);
  const library = useCombinations(props.combinations, setProblem);
  const navigate = useNavigate();

  useHistoryKeys(change);
  useKeys((event) => {
    const { blocks } = reading;
    const headOf = ({ items }: BoardColumn) => itemAt(blocks, itemAt(items, 0));
    const column = columnWith(columns, blocks, chosen?.id ?? null);
    const command = boardKey(event.key, columns.map(headOf), column && headOf(column));
    if (command === null) return;
    if (command.kind === "focus") {
      event.preventDefault();
      if (command.part === "grid") setView("participants");
      // The grid may only be drawn now.
      requestAnimationFrame(() => focusPart(command.part, parts));
    } else if (command.kind === "choose") chooseBlock(command.blockId);
    else edit(command.edit);
  });

  async function teach(): Promise<void> {
    setProblem(null);
    if (!(await saving.save())) return;
    const answer = await beginTeaching(plan.id).catch(() => null);
    if (answer === null) setProblem(NO_ANSWER);
    else if (answer.kind === "begun") navigate(`/classes/${answer.classId}`);
    else setProblem(answer.message);
  }

  const chosenId = chosen?.id ?? "";
  const lead = firstLead(chosen);
  const actions = useMemo(
    (): PlanItemActions => ({
      rounds: (by) => edit(addRepetitions(chosenId, by)),
      move: (by) => edit(moveItem(chosenId, { by })),
      remove: () => edit(removeItem(chosenId)),
      double: () => edit(duplicateItem(chosenId)),
      mirror: () => edit(switchOneSide(chosenId, lead)),
      set: (differs) => edit(updateItem(chosenId, differs)),
      hold: (change) => edit(holdItem(chosenId, change)),
      combine: (parts, name) => edit(combineItems(chosenId, parts, name)),
      changeCombination: (change) => edit(changeCombination(chosenId, change)),
      separate: () => edit(separateParts(chosenId)),
    }),
    [edit, chosenId, lead],
  );

  return {
    ...edited,
    ...selection,
    actions,
    order,
    setOrder,
    view,
    setView,
    problem,
    teach,
    named: useMemo(() => laterBlocks.map(({ id, movement }) => ({ id, name: taughtName(movement) })), [laterBlocks]),
    listed: useMemo(() => listPeople(people, fitted.rows, order), [people, fitted.rows, order]),
    columns,
    laterColumns,
    hands: useMemo(
      () =>
        laterColumns.map(({ items }) =>
          handsNeeded(people.map(({ id, name }) => ({ name, cells: items.flatMap((i) => fitted.rows.get(id)?.cells[i] ?? []) }))),
        ),
      [laterColumns, people, fitted.rows],
    ),
    library,
    add: useCallback((movement: Movement) => edit(addMovement(movement, null)), [edit]),
    addCombination: useCallback(
      (combination: Combination) => edit((content) => addCombination(combination, content.style.rounds, null)(content)),
      [edit],
    ),
    take: useCallback((taken: Draft["blocks"]) => edit(replaceItems(taken)), [edit]),
  };
}

export type Board = ReturnType<typeof useBoard>;
