import { itemAt } from "@able-tide/core/checked-access";
import type { Posture } from "@able-tide/core/fit/version";
import type { SessionSheet, SheetItem } from "@able-tide/core/leading/session-sheet";
import { formatChange, postureLabel, versionName } from "@able-tide/words/versions";
import type { BoardColumn } from "./board-columns.ts";
import type { Span } from "./board-layout.ts";

/** Lanes of the picture from top to bottom, with the postures that are in each. */
const LANES: readonly (readonly [label: string, postures: readonly Posture[]])[] = [
  [postureLabel("standing"), ["standing"]],
  [postureLabel("holding"), ["holding"]],
  [postureLabel("seated"), ["seated"]],
  [postureLabel("water"), ["water"]],
  [postureLabel("atWall"), ["atWall"]],
  [postureLabel("poolChair"), ["poolChair"]],
];

interface Props {
  readonly sheet: SessionSheet;
  readonly columns: readonly BoardColumn[];
  readonly spans: readonly Span[];
  readonly width: number;
  readonly nameWidth: number;
  readonly names: ReadonlyMap<string, string>;
}

/** How a column is led: its first part stands for a joined pass. */
export const ledIn = (sheet: SessionSheet, { items }: BoardColumn): SheetItem | undefined => sheet.items[itemAt(items, 0)];

function LaneCell({ item, postures, names }: { item: SheetItem; postures: readonly Posture[]; names: Props["names"] }) {
  const there = item.versions.filter(({ posture }) => postures.includes(posture));
  const people = there.flatMap((version) => version.people);
  if (people.length === 0) return null;
  const shown = item.shown === null ? null : itemAt(item.versions, item.shown);
  const isRoom = shown !== null && postures.includes(shown.posture);
  const words = there
    .map((version) => `${versionName(version)}: ${version.people.map((id) => names.get(id)).join(", ")}`)
    .join(". ");
  return (
    <span
      title={words}
      className={`mx-auto flex h-8 w-[82%] max-w-12 items-center justify-center rounded-[10px] font-bold ${isRoom ? "bg-tide-700 text-sand-50" : "border-[1.5px] border-tide-800 bg-white"}`}
    >
      <span aria-hidden="true">{people.length}</span>
      <span className="sr-only">{words}</span>
    </span>
  );
}

function ChangeCell({ item, names }: { item: SheetItem; names: Props["names"] }) {
  const { change } = item;
  if (change === null) return null;
  const words = formatChange(change, names);
  return (
    <span title={words} className="block text-[14px] leading-[1.2]">
      <span aria-hidden="true">
        {change.rise.length > 0 && <span className="block font-bold">↑{change.rise.length}</span>}
        {change.hands.length > 0 && <span className="block font-bold text-signal-700">hand {change.hands.length}</span>}
        {change.sit.length > 0 && <span className="block font-bold">↓{change.sit.length}</span>}
        <span className="block text-sand-600">{change.seconds} s</span>
      </span>
      <span className="sr-only">{words}</span>
    </span>
  );
}

/** How the session is led: postures down, movements across on the time axis of the tide, and who changes between them. */
export function VersionsGrid({ sheet, columns, spans, width, nameWidth, names }: Props) {
  const led = columns.map((column) => ledIn(sheet, column));
  const lanes = LANES.filter(([, postures]) =>
    led.some((item) => item?.versions.some(({ posture }) => postures.includes(posture))),
  );
  return (
    <table className="table-fixed border-collapse" style={{ width: nameWidth + width }}>
      <caption className="sr-only">How many do each movement in which posture, and who stands up or sits down before it.</caption>
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
        {lanes.map(([label, postures]) => (
          <tr key={label}>
            <th scope="row" className="py-1 pl-2 text-left">
              {label}
            </th>
            {led.map((item, i) => (
              <td
                key={itemAt(columns, i).id}
                className={`p-0 text-center ${item && !item.onFeet && lanes.length > 1 ? "bg-sand-200" : ""}`}
              >
                {item && <LaneCell item={item} postures={postures} names={names} />}
              </td>
            ))}
            <td />
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="border-t border-sand-300">
          <th scope="row" className="py-1 pl-2 text-left align-top leading-[1.15]">
            Changes before
          </th>
          {led.map((item, i) => (
            <td key={itemAt(columns, i).id} className="p-0 text-center align-top">
              {item && <ChangeCell item={item} names={names} />}
            </td>
          ))}
          <td />
        </tr>
      </tfoot>
    </table>
  );
}
