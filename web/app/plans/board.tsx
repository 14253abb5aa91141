import { useRef } from "react";
import { BoardAside } from "./board-aside.tsx";
import { BoardHead } from "./board-head.tsx";
import { BoardPicture } from "./board-picture.tsx";
import { BoardStatus } from "./board-status.tsx";
import { ContentBars } from "./content-bars.tsx";
import { GridFooter } from "./grid-footer.tsx";
import { LedView } from "./led-view.tsx";
import { MovementPalette } from "./movement-palette.tsx";
import { PlanChoices } from "./plan-choices.tsx";
import { ProposeSheet } from "./propose-sheet.tsx";
import { type BoardProps, useBoard } from "./use-board.ts";
import { useWidth } from "./use-width.ts";

/** Width of the board before the page is in the browser, pixels. */
const USUAL_WIDTH = 900;

/** The plan in one picture: the tide over time, the movements under it, and everyone's variant in each movement. */
export function PlanBoard(props: BoardProps) {
  const { plan, setting, styles, group, people, movements, taught } = props;
  const search = useRef<HTMLInputElement>(null);
  const column = useRef<HTMLDivElement>(null);
  const checks = useRef<HTMLElement>(null);
  const board = useBoard(props, { search, checks, column });
  const available = useWidth(column, USUAL_WIDTH);
  const { draft, reading, later, take, problem } = board;
  const isEmpty = reading.blocks.length === 0;
  return (
    <>
      <BoardHead
        plan={plan}
        group={group}
        people={people.length}
        total={reading.total}
        changing={board.time.changing}
        taught={taught}
        teach={board.teach}
      >
        <ProposeSheet draft={draft} setting={setting} time={board.time} movements={movements} people={people} take={take} />
      </BoardHead>
      <BoardStatus board={board} hasPeople={people.length > 0} checksRef={checks}>
        <PlanChoices draft={draft} styles={styles} input={later.input} change={board.change} />
      </BoardStatus>
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
          {isEmpty ? (
            <p className="rounded-soft border-2 border-dashed border-sand-300 p-10 text-center text-lg">
              No movements yet. Add the first one below; start with an Arrive movement.
            </p>
          ) : (
            <BoardPicture board={board} people={people} setting={setting} available={available} />
          )}
          {!isEmpty && people.length > 0 && <LedView board={board} people={people} />}
          {!isEmpty && people.length > 0 && <GridFooter board={board} people={people} setting={setting} movements={movements} />}
          {!isEmpty && <ContentBars contents={board.contents} purpose={draft.purpose} />}
          <MovementPalette
            movements={movements}
            combinations={board.library.combinations}
            fills={board.fills}
            add={board.add}
            addCombination={board.addCombination}
            ref={search}
          />
        </div>
        <BoardAside board={board} people={people} held={props.held} movements={movements} softFloor={setting.softFloor} />
      </div>
    </>
  );
}
