import { itemAt } from "@able-tide/core/checked-access";
import type { SessionSheet, SheetItem } from "@able-tide/core/leading/session-sheet";
import { formatChange, postureLabel, versionName } from "@able-tide/words/versions";
import { ArrowDown, ArrowUp, Hand } from "lucide-react";
import type { ReactNode } from "react";
import type { BoardColumn } from "./board-columns.ts";
import type { Span } from "./board-layout.ts";
import { LANE, type LaneCell, roomPath, type VersionLanes, versionLanes } from "./version-lanes.ts";

interface Props {
  readonly sheet: SessionSheet;
  /** Whether it is of the plan as it is now. */
  readonly settled: boolean;
  readonly columns: readonly BoardColumn[];
  readonly spans: readonly Span[];
  readonly width: number;
  readonly nameWidth: number;
  readonly names: ReadonlyMap<string, string>;
  /** By id: what stands for a name where there is little room. */
  readonly initials: ReadonlyMap<string, string>;
  /** The id of the chosen column. */
  readonly chosenId: string | null;
  readonly choose: (columnId: string) => void;
}

/** As many people are told by their initials; more by how many they are. */
const FEW = 3;

function Lane({ cell, item, names, initials }: { cell: LaneCell; item: SheetItem } & Pick<Props, "names" | "initials">) {
  const { people, isRoom } = cell;
  const inOrder = [...names.keys()].filter((id) => people.includes(id));
  const words = item.versions
    .filter((version) => version.people.some((id) => people.includes(id)))
    .map((version) => `${versionName(version)}: ${version.people.map((id) => names.get(id)).join(", ")}`)
    .join(". ");
  const few = !isRoom && people.length <= FEW;
  return (
    <span
      title={words}
      className={`relative mx-auto flex h-[30px] w-fit min-w-8 max-w-full items-center justify-center rounded-[10px] px-1 font-bold ${isRoom ? "text-sand-50" : "border-[1.5px] border-tide-800 bg-white"} ${few ? "narrow-name" : ""}`}
    >
      <span aria-hidden="true">{few ? inOrder.map((id) => initials.get(id)).join("") : people.length}</span>
      <span className="sr-only">{words}</span>
    </span>
  );
}

const Count = ({ icon, people, warn = false }: { icon: ReactNode; people: readonly string[]; warn?: boolean }) =>
  people.length > 0 && (
    <span className={`flex items-center justify-center font-bold ${warn ? "text-signal-700" : ""}`}>
      {icon}
      {people.length}
    </span>
  );

function ChangeCell({ item, names }: { item: SheetItem; names: Props["names"] }) {
  const { change } = item;
  if (change === null) return null;
  const words = formatChange(change, names);
  return (
    <span title={words} className="block pt-1 text-[15px] leading-[1.25]">
      <span aria-hidden="true">
        <Count icon={<ArrowUp size={15} strokeWidth={2.5} />} people={change.rise} />
        <Count icon={<Hand size={15} strokeWidth={2.5} />} people={change.hands} warn />
        <Count icon={<ArrowDown size={15} strokeWidth={2.5} />} people={change.sit} />
        <span className="block text-sand-600">{change.seconds} s</span>
      </span>
      <span className="sr-only">{words}</span>
    </span>
  );
}

interface RibbonProps {
  readonly lanes: VersionLanes;
  readonly spans: readonly Span[];
  readonly left: number;
  /** The span of the chosen column; null where none is. */
  readonly chosen: Span | null;
}

/** The way of the room through the lanes, behind what is written in them. */
const Ribbon = ({ lanes, spans, left, chosen }: RibbonProps) => (
  <svg
    aria-hidden="true"
    className="pointer-events-none absolute top-0 h-full"
    style={{ left }}
    width={spans.at(-1)?.right ?? 0}
    height={lanes.lanes.length * LANE.height}
  >
    {chosen && (
      <rect x={chosen.left + 1} width={chosen.right - chosen.left - 2} height="100%" rx="10" fill="var(--color-tide-100)" />
    )}
    <path
      d={roomPath(lanes.room, spans)}
      fill="none"
      stroke="var(--color-tide-700)"
      strokeWidth={LANE.ribbon}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  </svg>
);

/**
 * How the session is led: postures down, movements across on the time axis of the tide, the way of the room through them, and
 * who stands up or sits down between them.
 *
 * Long because it is one table whose cells share their columns.
 */
export function VersionsGrid({ sheet, settled, columns, spans, width, nameWidth, names, initials, chosenId, choose }: Props) {
  const led = versionLanes(sheet, columns);
  const changes = led.items.some((item) => item !== null && item.change !== null);
  return (
    <div className="relative" style={{ width: nameWidth + width }}>
      <Ribbon lanes={led} spans={spans} left={nameWidth} chosen={spans[columns.findIndex(({ id }) => id === chosenId)] ?? null} />
      <table aria-busy={!settled} className="table-fixed border-collapse" style={{ width: nameWidth + width }}>
        <caption className="sr-only">
          How many do each movement in which posture, and who stands up or sits down before it.
        </caption>
        <colgroup>
          <col style={{ width: nameWidth }} />
          {columns.map(({ id }, i) => (
            <col key={id} style={{ width: itemAt(spans, i).right - itemAt(spans, i).left }} />
          ))}
          <col />
        </colgroup>
        <thead className="sr-only">
          <tr>
            <th scope="col">Posture</th>
            {columns.map(({ id, name }) => (
              <th key={id} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {led.lanes.map((posture, lane) => (
            <tr key={posture} style={{ height: LANE.height }}>
              <th scope="row" className="p-0 pl-2 text-left">
                {postureLabel(posture)}
              </th>
              {led.cells.map((cells, i) => {
                const { id } = itemAt(columns, i);
                const cell = itemAt(cells, lane);
                const item = itemAt(led.items, i);
                return (
                  // The movement is chosen on the timeline, by keys too; here a touch is enough.
                  // biome-ignore lint/a11y/useKeyWithClickEvents: the tile above is the button
                  <td key={id} className="relative p-0 text-center" onClick={() => choose(id)}>
                    {cell && item && <Lane cell={cell} item={item} names={names} initials={initials} />}
                  </td>
                );
              })}
              <td />
            </tr>
          ))}
        </tbody>
        {changes && (
          <tfoot>
            <tr>
              <th scope="row" className="py-1 pl-2 text-left align-top leading-[1.15]">
                Changes before
              </th>
              {led.items.map((item, i) => (
                <td key={itemAt(columns, i).id} className="relative p-0 text-center align-top">
                  {item && <ChangeCell item={item} names={names} />}
                </td>
              ))}
              <td />
            </tr>
          </tfoot>
        )}
      </table>
    </div>
  );
}
