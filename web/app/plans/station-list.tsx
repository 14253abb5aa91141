import { itemAt } from "@able-tide/core/checked-access";
import type { Floor } from "@able-tide/core/setup/standing-positions";
import type { Station } from "@able-tide/core/setup/stations";
import { formatOutOfSight, formatStation, type PersonPlace } from "@able-tide/words/stations";
import { formatMinutes } from "@able-tide/words/text";

interface Props {
  readonly floor: Floor;
  readonly stations: readonly Station[];
  /** Items of the plan: what each is called, and when it begins, seconds. */
  readonly items: readonly { readonly id: string; readonly from: number; readonly name: string }[];
  readonly people: readonly PersonPlace[];
  /** The place in `stations` of the one on the map. */
  readonly shown: number;
  readonly show: (station: number) => void;
}

/** Where the instructor and the helpers stand in each part of a session, and who is out of sight or reach there. */
export function StationList({ floor, stations, items, people, shown, show }: Props) {
  return (
    <section className="rounded-soft border border-sand-300 bg-white p-4">
      <h2 className="text-xl">Where you and the helper stand</h2>
      <p className="text-sand-600">
        {floor.pool === null
          ? "A helper reaches two steps and an arm's length, the dotted ring."
          : "A helper reaches as far as five seconds of walking in water, the dotted ring. You are at the edge, where your arms and legs stay in sight."}
      </p>
      <ol className="mt-2 flex flex-col gap-2">
        {stations.map((station, i) => {
          const first = itemAt(items, station.from);
          const last = itemAt(items, station.to);
          return (
            <li key={first.id}>
              <button
                type="button"
                aria-pressed={i === shown}
                className={`min-h-11 w-full rounded-soft border-2 p-2 text-left ${i === shown ? "border-tide-800 bg-tide-100" : "border-sand-300"}`}
                onClick={() => show(i)}
              >
                <strong>{formatMinutes(first.from)}</strong> {first.name}
                {station.to > station.from && ` to ${last.name}`}
                <br />
                {formatStation(floor, station, people)}
              </button>
              {formatOutOfSight(station, people).map((words) => (
                <p key={words} className="pl-2">
                  {words}
                </p>
              ))}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
