import { itemAt } from "@able-tide/core/checked-access";
import type { Floor } from "@able-tide/core/setup/standing-positions";
import type { Station } from "@able-tide/core/setup/stations";
import { formatHelperPlace, formatInstructorPlace, formatUnseen, type NamedPlace } from "@able-tide/words/stations";
import { formatMinutes, inAList } from "@able-tide/words/text";

interface Props {
  readonly floor: Floor;
  readonly stations: readonly Station[];
  /** Items of the plan: what each is called, and when it begins, seconds. */
  readonly items: readonly { readonly id: string; readonly from: number; readonly name: string }[];
  readonly people: readonly (NamedPlace & { readonly id: string })[];
  /** The place in `stations` of the one on the map. */
  readonly shown: number;
  readonly show: (station: number) => void;
}

/** Who cannot see what, those with the same together: "Bela and Ruud cannot see the instructor's feet". */
function unseenInWords({ unseen }: Station, nameOf: (id: string) => string): string[] {
  const alike = new Map<string, string[]>();
  for (const { personId, parts } of unseen) {
    const words = formatUnseen(parts);
    alike.set(words, [...(alike.get(words) ?? []), nameOf(personId)]);
  }
  return [...alike].map(([words, names]) => `${inAList(names)} ${words}.`);
}

/** Where the instructor and the helpers stand in each part of a session, and who is out of sight or reach there. */
export function StationList({ floor, stations, items, people, shown, show }: Props) {
  const nameOf = (id: string): string => people.find((person) => person.id === id)?.name ?? "";
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
                You: {formatInstructorPlace(floor, station.instructor)}.
                {station.helpers.map((at) => ` Helper: ${formatHelperPlace(at, people)}.`)}
              </button>
              {unseenInWords(station, nameOf).map((words) => (
                <p key={words} className="pl-2">
                  {words}
                </p>
              ))}
              {station.unreached.length > 0 && (
                <p className="pl-2">No one reaches {inAList(station.unreached.map(nameOf))} in time while they stand.</p>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
