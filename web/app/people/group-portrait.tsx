import type { MeasuredBody } from "@able-tide/core/body/build";
import type { OwnAid } from "@able-tide/core/body/supports";
import type { Cap } from "@able-tide/core/caps/cap";
import { Link } from "react-router";
import { cappedJoints } from "../kit/capped-joints.ts";
import { Figure } from "../kit/figure.tsx";
import { placer } from "../kit/figure-geometry.ts";
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
  /** What they hold on to while standing; null for nothing. */
  readonly aid: OwnAid | null;
  /** Whether they wait for a clinician's limits. */
  readonly waits: boolean;
  /** Whether the newcomers' limits still hold. */
  readonly isNew: boolean;
  /** Whether they sit although their body could stand. */
  readonly sits: boolean;
  /** Personal caps that decide; standard caps are not listed here. */
  readonly caps: readonly (Cap & { readonly brief: string; readonly reviewDue: boolean })[];
}

/** Caps listed beside a portrait. */
const MOST_SHOWN = 4;

/** Pixels of the picture for a metre of stature. */
const SCALE = 78;

/** The person's own body with aid or chair; rings at the joints that are capped, lines where a hand stops. */
function Picture({ person }: { person: Portrayed }) {
  const { row, frame, build } = neutralPosture(person, person.sits, person.aid);
  const sits = frame.seating.kind === "seated";
  const view = sits ? "oblique" : "facing";
  const { at } = placer(row, view);
  return (
    <span className="flex h-40 w-24 shrink-0 items-end overflow-hidden">
      <span className="block w-full" style={{ height: person.stature * SCALE * 1.12 }}>
        <Figure row={row} frame={frame} build={build} view={view} lines={handLines(person.caps, row)} className="h-full w-full">
          {cappedJoints(person.caps.map(({ limit }) => limit)).map((column) => (
            <circle
              key={column}
              cx={at(column).x}
              cy={at(column).y}
              r="4.4"
              fill="var(--vessel-glass)"
              stroke="var(--figure-mark)"
              strokeWidth="2.2"
            />
          ))}
        </Figure>
      </span>
    </span>
  );
}

function Portrait({ person }: { person: Portrayed }) {
  const shown = [...person.caps].sort((a, b) => Number(b.reviewDue) - Number(a.reviewDue)).slice(0, MOST_SHOWN);
  const more = person.caps.length - shown.length;
  return (
    <li>
      <Link to={`/people/${person.id}`} className="flex h-full gap-3 rounded-[10px] p-2 no-underline hover:bg-tide-100">
        <Picture person={person} />
        <span className="min-w-0 pt-2">
          <span className="font-display text-xl font-bold">{person.name}</span>{" "}
          <span className="text-sand-600">about {person.age}</span>
          {person.uses && <span className="block leading-snug text-sand-600">{person.uses}</span>}
          <span className="mt-1 flex flex-col gap-0.5 leading-snug">
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
        </span>
      </Link>
    </li>
  );
}

/** A group: each in their own body and height, with aid or chair, and what is capped. */
export function GroupPortrait({ people }: { people: readonly Portrayed[] }) {
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(17rem,100%),1fr))] gap-2 rounded-soft border border-sand-300 bg-white p-2">
      {people.map((person) => (
        <Portrait key={person.id} person={person} />
      ))}
    </ul>
  );
}
