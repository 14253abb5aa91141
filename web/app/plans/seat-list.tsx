import type { FurnitureName, SeatPosition } from "@able-tide/core/body/seats";
import type { PersonSeat } from "@able-tide/core/plan/plan";
import type { Seat } from "@able-tide/core/venues/venue";
import { formatSeatProblem, seatLabel, seatPositionLabel } from "@able-tide/words/seats";
import { sentenceCase } from "@able-tide/words/text";
import { useMemo } from "react";
import { chooseSeat, type SeatedPerson, type SeatRow, seatRows } from "./seat-choices.ts";

interface Props {
  readonly people: readonly SeatedPerson[];
  readonly seats: readonly Seat[] | null;
  readonly chosen: readonly PersonSeat[];
  readonly choose: (seats: readonly PersonSeat[]) => void;
}

/** What is wrong with the seat that was chosen or found for someone; null where nothing is. */
function noteOn({ name, chosen, seated, options, full }: SeatRow): string | null {
  if (seated.problem !== null) return `No seat here suits ${name}: the nearest one ${formatSeatProblem(seated.problem)}.`;
  const problem = options.find(({ seat }) => seat === chosen?.seat)?.problem;
  if (chosen && problem) return `${sentenceCase(seatLabel(chosen.seat))} not used: it ${formatSeatProblem(problem)}.`;
  if (chosen && options.every(({ seat }) => seat !== chosen.seat)) return `There is no ${seatLabel(chosen.seat)} here.`;
  return full ? `All places on this seat are taken.` : null;
}

function OneRow({ row, chosen, choose }: { row: SeatRow } & Pick<Props, "chosen" | "choose">) {
  const { id, name, wheelchair, seated, options, positions } = row;
  const found = seated.seat?.seat ?? "chair";
  const height = seated.chair === null ? "" : `, ${Math.round(100 * seated.chair)} cm`;
  const note = noteOn(row);
  return (
    <li className="grid grid-cols-1 items-center gap-x-4 gap-y-1 border-b border-sand-300 py-2 sm:grid-cols-[9rem_minmax(0,1fr)_minmax(0,1fr)]">
      <strong>{name}</strong>
      {wheelchair ? (
        <span className="min-h-11 content-center sm:col-span-2">own wheelchair</span>
      ) : (
        <>
          <select
            aria-label={`${name}, seat`}
            className="field-box"
            value={row.chosen?.seat ?? ""}
            onChange={({ currentTarget: { value } }) =>
              choose(chooseSeat(chosen, id, value === "" ? null : (value as FurnitureName), row.chosen?.position))
            }
          >
            <option value="">{row.chosen ? "Automatic" : `Automatic: ${seatLabel(found)}${height}`}</option>
            {row.chosen && options.every(({ seat }) => seat !== row.chosen?.seat) && (
              <option value={row.chosen.seat}>{sentenceCase(seatLabel(row.chosen.seat))}, not here</option>
            )}
            {options.map(({ seat, problem }) => (
              <option key={seat} value={seat} disabled={problem !== null && seat !== row.chosen?.seat}>
                {sentenceCase(seatLabel(seat))}
                {problem && `: ${formatSeatProblem(problem)}`}
              </option>
            ))}
          </select>
          <select
            aria-label={`${name}, position on the seat`}
            className="field-box"
            value={row.chosen?.position ?? seated.seat?.position ?? "middle"}
            disabled={positions.length < 2}
            onChange={({ currentTarget: { value } }) =>
              choose(chooseSeat(chosen, id, row.chosen?.seat ?? found, value as SeatPosition))
            }
          >
            {positions.map((position) => (
              <option key={position} value={position}>
                {sentenceCase(seatPositionLabel(position))}
              </option>
            ))}
          </select>
        </>
      )}
      {note && <p className="font-semibold text-signal-700 sm:col-span-3">{note}</p>}
    </li>
  );
}

/** What everyone sits on, and where on it; what the instructor says goes first, as far as limits allow. */
export function SeatList({ people, seats, chosen, choose }: Props) {
  const rows = useMemo(() => seatRows(people, seats, chosen), [people, seats, chosen]);
  return (
    <section aria-labelledby="seats" className="mt-8 max-w-4xl">
      <h2 id="seats" className="text-2xl">
        Seats
      </h2>
      <p className="text-sand-600">
        Each movement is checked against the seat: an arm of a chair, a back or a mattress that is in the way makes the movement
        smaller or leaves it out. Choose "back supported" only where someone needs it: it leaves less room to turn and lean.
      </p>
      <ul className="mt-2">
        {rows.map((row) => (
          <OneRow key={row.id} row={row} chosen={chosen} choose={choose} />
        ))}
      </ul>
    </section>
  );
}
