import { itemAt } from "@able-tide/core/checked-access";
import { addRepetitions, moveItem } from "@able-tide/core/plan/edit-plan";
import type { PlanSchedule } from "@able-tide/core/schedule/schedule-plan";
import { useMemo } from "react";
import { Link } from "react-router";
import { TideLine } from "../kit/tide-line.tsx";
import { type BoardColumn, columnWith, spansOfItems } from "./board-columns.ts";
import { layBoard, phaseStretches, type Span } from "./board-layout.ts";
import { balanceCap } from "./board-model.ts";
import { FitGrid } from "./fit-grid.tsx";
import { formatSupportOptions } from "./fit-messages.ts";
import { PictureKey } from "./picture-key.tsx";
import { PlanTimeline } from "./plan-timeline.tsx";
import { formatTide } from "./tide-words.ts";
import type { Board, BoardProps } from "./use-board.ts";
import { initialsOf, sittingSpans } from "./version-lanes.ts";
import { VersionsGrid } from "./versions-grid.tsx";

/** The columns along the board with what comes after them. */
const layoutOf = (columns: readonly BoardColumn[], { leavingSeconds, leaveSafely }: PlanSchedule, width: number) =>
  layBoard(columns, leavingSeconds + leaveSafely, width);

const NAME_WIDTH = 128;
const TIDE_HEIGHT = 112;

interface Props extends Pick<BoardProps, "people" | "setting"> {
  readonly board: Board;
  /** Pixels that the board has. */
  readonly available: number;
}

interface TideRowProps {
  readonly board: Board;
  readonly width: number;
  /** Of the columns, and of the items in them. */
  readonly spans: readonly Span[];
  readonly itemSpans: readonly Span[];
}

function TideRow({ board, width, spans, itemSpans }: TideRowProps) {
  const { analysis, person, row, columns } = board;
  const { latest } = board.fitted;
  const sitting = useMemo(() => (latest === null ? [] : sittingSpans(latest, columns, spans)), [latest, columns, spans]);
  return (
    <div className="flex" style={{ width: NAME_WIDTH + width }}>
      <div className="shrink-0 pt-3" style={{ width: NAME_WIDTH }}>
        <p className="font-bold">Tide line</p>
        <p className="text-sand-600">
          Balance demand, <br />0 to 10
        </p>
        {person && <p className="text-sand-600">Dashed line: {person.name}</p>}
        <PictureKey />
      </div>
      <TideLine
        blocks={itemSpans.map((span, i) => ({ ...span, height: analysis.balance[i] ?? 0, rising: analysis.rising[i] ?? null }))}
        width={width}
        height={TIDE_HEIGHT}
        leaving={analysis.rising.at(-1) ?? null}
        scale
        sitting={sitting}
        own={row?.cells.map(({ steadiness }) => steadiness) ?? null}
        cap={balanceCap(person)}
        label={`Balance demand through the session: ${formatTide(board.reading.blocks, analysis)}`}
      />
    </div>
  );
}

/** Everyone's variant in each movement, or how many do each movement in which version. */
function BoardGrid({
  board,
  people,
  setting,
  layout,
}: Pick<Props, "board" | "people" | "setting"> & { layout: ReturnType<typeof layoutOf> }) {
  const { fitted, laterColumns } = board;
  const names = useMemo(() => new Map(people.map(({ id, name }) => [id, name])), [people]);
  const initials = useMemo(() => {
    const short = initialsOf(people.map(({ name }) => name));
    return new Map(people.map(({ id }, i) => [id, itemAt(short, i)]));
  }, [people]);
  const shared = { columns: laterColumns, spans: layout.blocks, width: layout.width, nameWidth: NAME_WIDTH };
  if (board.view === "versions" && fitted.latest)
    return (
      <VersionsGrid
        sheet={fitted.latest}
        settled={board.settled}
        names={names}
        initials={initials}
        chosenId={columnWith(laterColumns, board.laterReading.blocks, board.chosen?.id ?? null)?.id ?? null}
        choose={board.chooseBlock}
        {...shared}
      />
    );
  const place = board.place && {
    ...board.place,
    blockId: columnWith(laterColumns, board.laterReading.blocks, board.place.blockId)?.id ?? board.place.blockId,
  };
  return (
    <FitGrid
      {...shared}
      people={board.listed}
      rows={fitted.rows}
      settled={board.settled}
      chosen={place}
      choose={board.setPlace}
      hands={board.hands}
      offers={formatSupportOptions(setting.fitPlace)}
    />
  );
}

/** The session in one picture: the tide over time, the movements under it, and everyone's variant in each. */
export function BoardPicture({ board, people, setting, available }: Props) {
  const { reading, laterReading, edit, chosen, chooseBlock } = board;
  const width = Math.max(0, available - NAME_WIDTH);
  const { columns, laterColumns } = board;
  const layout = layoutOf(columns, reading, width);
  const laterLayout = useMemo(() => layoutOf(laterColumns, laterReading, width), [laterColumns, laterReading, width]);
  return (
    <div className="relative overflow-x-auto pb-2" data-testid="board">
      <TideRow
        board={board}
        width={layout.width}
        spans={layout.blocks}
        itemSpans={spansOfItems(columns, layout.blocks, reading.blocks)}
      />
      <PlanTimeline
        blocks={reading.blocks}
        columns={columns}
        spans={layout.blocks}
        leaving={layout.leaving}
        leavingSeconds={reading.leavingSeconds}
        stretches={phaseStretches(
          columns.map(({ items }) => itemAt(reading.blocks, itemAt(items, 0))),
          layout.blocks,
        )}
        nameWidth={NAME_WIDTH}
        chosenId={columnWith(columns, reading.blocks, chosen?.id ?? null)?.id ?? null}
        choose={chooseBlock}
        pull={(id, by, along) => edit(moveItem(id, { by }), along)}
        pullRounds={(id, by, along) => edit(addRepetitions(id, by), along)}
      />
      <BoardGrid board={board} people={people} setting={setting} layout={laterLayout} />
      {people.length === 0 && (
        <p className="p-4">
          No participants in this group yet.{" "}
          <Link to="/people/new" className="font-semibold underline underline-offset-4">
            Add participant
          </Link>
        </p>
      )}
    </div>
  );
}
