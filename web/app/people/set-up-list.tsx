import type { SetUpNumbers } from "../../server/people/set-up-numbers.ts";
import { ScrollArea } from "../kit/scroll-area.tsx";

const cm = (centimetres: number): string => `${centimetres} cm`;

type Row = readonly [what: string, number: string, note: string];

function rowsOf(numbers: SetUpNumbers): readonly Row[] {
  const { seat, withArms, seatForRising, hip, chair, cushion, standing, ankles } = numbers;
  return [
    ["Seat height for sitting", cm(seat), hip === null ? "Feet flat" : `raised: hip bend cap ${hip}°`],
    ["Seat, for rising", `${seatForRising.least} to ${seatForRising.most} cm`, withArms ? "A chair with arms" : ""],
    [
      `Cushion under the feet on a ${chair} cm chair`,
      cushion > 0 ? cm(cushion) : "none",
      cushion > 0 ? "Remove before standing up" : "",
    ],
    ...(standing
      ? standingRows(standing, ankles)
      : ([["Longest step", "none", "does not stand, or standing is capped"]] as const)),
  ];
}

function standingRows(
  { feetApart, longestStep, water, deepest }: NonNullable<SetUpNumbers["standing"]>,
  ankles: SetUpNumbers["ankles"],
): readonly Row[] {
  return [
    ["Feet apart, hip width", cm(feetApart), "Between the ankles"],
    [
      "Longest step standing tall, both heels down",
      longestStep > 0 ? cm(longestStep) : "none",
      ankles ? `ankles to ${ankles.left}° left, ${ankles.right}° right` : "ankles not measured; 25° assumed",
    ],
    ...water.map(
      ({ share, depth }) =>
        [`Water for ${Math.round(100 * share)}% of the weight`, depth === null ? "Too deep to stand" : cm(depth), ""] as const,
    ),
    ["Water at the deepest", cm(deepest), "Mouth well above water"],
  ];
}

/** Set-up numbers of one person: chair, cushion, floor marks, step and pool depth. */
export function SetUpList({ numbers }: { numbers: SetUpNumbers }) {
  return (
    <ScrollArea label="Set-up measurements">
      <table className="w-full max-w-3xl border-collapse text-left">
        <caption className="sr-only">Set-up measurements, from height and caps</caption>
        <tbody>
          {rowsOf(numbers).map(([what, number, note]) => (
            <tr key={what} className="border-b border-sand-200 last:border-0">
              <th scope="row" className="py-1.5 pr-4 font-normal">
                {what}
              </th>
              <td className="pr-4 text-right font-bold whitespace-nowrap">{number}</td>
              <td className="text-sand-600">{note}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollArea>
  );
}
