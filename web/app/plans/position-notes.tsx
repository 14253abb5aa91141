import { isAway, type PositionProblem } from "@able-tide/core/setup/position-problems";
import { depthAt, type Floor, type PlacedPerson, type StandingPosition } from "@able-tide/core/setup/standing-positions";
import { formatPositionFinding } from "@able-tide/words/setup";
import { Button } from "../kit/button.tsx";

const WHY: Readonly<Record<StandingPosition["why"], string>> = {
  rail: "at the rail, for support",
  near: "near the instructor, to see and hear",
  helper: "at the end of a row, for the helper",
  depth: "where the water has the planned depth",
  row: "in a row",
  moved: "position set by you",
};

interface Props {
  readonly floor: Floor;
  readonly people: readonly (Pick<PlacedPerson, "id" | "walk"> & { readonly name: string })[];
  readonly positions: readonly StandingPosition[];
  /** Names of those who do not go into the water. */
  readonly ashore: readonly string[];
  readonly problems: readonly PositionProblem[];
  readonly chosen: string | null;
  /** Takes all moved positions back; null where no one was moved. */
  readonly reset: (() => void) | null;
}

/** What is wrong with the positions, and why everyone stands where they do. */
export function PositionNotes({ floor, people, positions, ashore, problems, chosen, reset }: Props) {
  const walks = people.some(({ walk }) => walk.some(isAway));
  const nameOf = (personId: string): string => people.find(({ id }) => id === personId)?.name ?? "";
  return (
    <div className="flex flex-col gap-4">
      <section className="rounded-soft border border-sand-300 bg-white p-4">
        <h2 className="text-xl">Room to move</h2>
        {problems.length === 0 ? (
          <p role="status">Everyone has enough room for their arms, their longest step and every walk in this plan.</p>
        ) : (
          <ul role="status" className="list-disc pl-5">
            {problems.map(({ personId, finding }) => (
              <li key={`${personId} ${finding.found}`}>
                <strong>{nameOf(personId)}</strong>: {formatPositionFinding(finding)}
              </li>
            ))}
          </ul>
        )}
        <p className="mt-2 text-sand-600">
          Each ring shows the space a participant needs (arm reach or longest step).
          {walks && " A line shows where a walk leads, and a dot where it turns or ends."} Drag a participant, or move them with
          the arrow keys.
        </p>
        {reset && (
          <Button type="button" look="plain" className="mt-2" onClick={reset}>
            Reset positions
          </Button>
        )}
      </section>
      <ul className="rounded-soft border border-sand-300 bg-white p-4">
        {positions.map((place) => {
          const depth = depthAt(floor, place);
          return (
            <li key={place.personId} className={place.personId === chosen ? "font-semibold" : ""}>
              {nameOf(place.personId)}: {place.why === "rail" && depth !== null ? "at the wall, for support" : WHY[place.why]}
              {depth !== null && `, ${depth.toFixed(2)} m deep`}
            </li>
          );
        })}
        {ashore.map((name) => (
          <li key={name} className="text-sand-600">
            {name}: not in the water
          </li>
        ))}
      </ul>
    </div>
  );
}
