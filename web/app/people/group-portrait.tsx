import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { Link } from "react-router";
import { Figure } from "../kit/figure.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { neutralPosture } from "../kit/neutral-posture.ts";

export interface Portrayed {
  readonly id: string;
  readonly name: string;
  readonly age: number;
  /** Metres. */
  readonly stature: number;
  readonly measured: MeasuredBody;
  readonly uses: string;
  /** Whether they wait for a clinician's limits. */
  readonly waits: boolean;
  /** Whether the newcomers' limits still hold. */
  readonly isNew: boolean;
  /** Whether they sit although their body could stand. */
  readonly sits: boolean;
  /** Personal caps that decide; standard caps are not listed here. */
  readonly caps: readonly (Cap & { readonly brief: string; readonly reviewDue: boolean })[];
}

/** Caps listed under a portrait. */
const MOST_SHOWN = 4;

/** Pixels of the picture for a metre of stature. */
const SCALE = 104;

function Portrait({ person }: { person: Portrayed }) {
  const { row, frame } = neutralPosture(person, person.sits);
  const shown = [...person.caps].sort((a, b) => Number(b.reviewDue) - Number(a.reviewDue)).slice(0, MOST_SHOWN);
  const more = person.caps.length - shown.length;
  return (
    <li className="w-[120px]">
      <Link to={`/people/${person.id}`} className="flex h-full flex-col rounded-[10px] px-1 pb-2 no-underline hover:bg-tide-100">
        <span className="flex h-52 items-end justify-center border-b-2 border-sand-300">
          <span className="block w-full overflow-hidden" style={{ height: person.stature * SCALE * 1.12 }}>
            <Figure
              row={row}
              frame={frame}
              view="front"
              room="body"
              lines={handLines(person.caps, row)}
              className="h-full w-full"
            />
          </span>
        </span>
        <span className="mt-2 font-display text-xl font-bold">{person.name}</span>
        <span className="leading-snug text-sand-600">
          about {person.age}
          {person.uses && `, ${person.uses}`}
        </span>
        <span className="mt-1 flex flex-col gap-1 leading-snug">
          {person.waits && <span className="font-bold text-signal-700">waiting for clinician</span>}
          {person.isNew && <span className="font-semibold">new: newcomer caps</span>}
          {shown.map((cap) => (
            <span key={cap.id} className={cap.reviewDue ? "font-bold text-signal-700" : ""}>
              {cap.brief}
              {cap.reviewDue && ", review due"}
            </span>
          ))}
          {more > 0 && <span className="text-sand-600">and {more} more</span>}
          {person.caps.length === 0 && !person.waits && <span className="text-sand-600">standard caps</span>}
        </span>
      </Link>
    </li>
  );
}

/** A group as it stands there: each in their own height, hand limits drawn across, what each may do beneath. */
export function GroupPortrait({ people }: { people: readonly Portrayed[] }) {
  return (
    <ul className="flex flex-wrap gap-y-6 rounded-soft border border-sand-300 bg-white p-2">
      {people.map((person) => (
        <Portrait key={person.id} person={person} />
      ))}
    </ul>
  );
}
