import { AS_USUAL, type CheckIn } from "@able-tide/core/caps/answers";
import type { Policy } from "@able-tide/core/caps/policy";
import type { CheckedIn } from "@able-tide/core/class/events";
import { formatSeatUse } from "@able-tide/words/seats";
import { OUT_OF_WATER } from "@able-tide/words/versions";
import { Check } from "lucide-react";
import { useState } from "react";
import { Form, Link } from "react-router";
import { ChoiceGroup } from "../kit/choice-group.tsx";
import { ClassButton, classButton } from "../kit/class-button.tsx";
import { useKeys } from "../kit/keys-sheet.tsx";
import { type ArrivalRow, type Arriving, arrivalKey, arrivalRow } from "./arrivals-model.ts";
import { CheckInSheet, type KnownAtCheckIn, NOTHING_KNOWN } from "./check-in-sheet.tsx";
import type { Fitting } from "./script-model.ts";
import { WalkIn } from "./walk-in.tsx";

interface Props {
  readonly classId: string;
  /** Whether the class is in the water. */
  readonly inWater: boolean;
  readonly people: readonly Arriving[];
  readonly here: ReadonlySet<string>;
  readonly checkIns: ReadonlyMap<string, CheckedIn>;
  readonly policy: Policy;
  /** What each person's answers are read with. */
  readonly known: Readonly<Record<string, KnownAtCheckIn>>;
  /** Whether the signed-in user records answers; a helper only marks who is here. */
  readonly asks: boolean;
  /** Where today's fit stands. */
  readonly fitting: Fitting;
  /** Whether the class begins as soon as the variants are ready. */
  readonly beginning: boolean;
  readonly tick: (personId: string, here: boolean) => void;
  readonly checkIn: (personId: string, answers: CheckIn, overriddenBecause: string | null) => void;
  readonly taken: (personId: string) => void;
  readonly begin: () => void;
}

const FITTING_WORDS = {
  working: "Updating variants for today…",
  noConnection: "No connection. Answers are saved on this device. Variants have not been updated yet.",
} as const;

const OVERALL = [
  ["asUsual", "As usual"],
  ["lighter", "Lighter"],
  ["sitOut", "Not taking part today"],
] as const;

interface RowProps {
  readonly row: ArrivalRow;
  /** Whether the row offers answers. */
  readonly asks: boolean;
  readonly tick: (here: boolean) => void;
  readonly answer: (overall: CheckIn["overall"]) => void;
  readonly more: () => void;
}

function PersonRow({
  row: { name, digit, here, overall: given, meaning, seat, outOfWater },
  asks,
  tick,
  answer,
  more,
}: RowProps) {
  return (
    <li className={`rounded-[14px] border-2 ${here ? "border-tide-300 bg-tide-800" : "border-tide-600 bg-tide-900"}`}>
      <div className="flex flex-wrap items-stretch">
        <button
          type="button"
          aria-pressed={here}
          onClick={() => tick(!here)}
          className="flex min-h-16 min-w-40 flex-1 items-center gap-3 px-4 text-2xl font-bold"
        >
          <span
            className={`flex size-8 shrink-0 items-center justify-center rounded-full border-2 ${here ? "border-tide-200 bg-tide-200 text-tide-950" : "border-tide-300"}`}
          >
            {here && <Check size={22} strokeWidth={3} aria-hidden="true" />}
          </span>
          <span className="text-left leading-tight">
            {name}
            {seat && <span className="block text-base font-normal text-tide-200">{formatSeatUse(seat)}</span>}
          </span>
          <span aria-hidden="true" className="text-lg font-normal text-tide-200">
            {digit}
          </span>
        </button>
        {asks && (
          <div className="flex basis-full items-stretch border-tide-600 max-sm:border-t-2 sm:basis-auto">
            <ChoiceGroup
              label={`${name} today`}
              spoken={`${name}:`}
              value={given ?? null}
              options={OVERALL}
              choose={answer}
              className="flex flex-1 items-stretch"
              optionClassName={(chosen) =>
                `min-h-16 min-w-20 flex-auto border-tide-600 px-2 text-lg leading-tight sm:border-l-2 max-sm:not-first:border-l-2 ${chosen ? "bg-sand-50 font-bold text-tide-950" : "hover:bg-tide-700"}`
              }
            />
            <button
              type="button"
              aria-label={`${name}: more`}
              onClick={more}
              className="min-h-16 min-w-16 rounded-r-[12px] border-l-2 border-tide-600 px-2 text-lg hover:bg-tide-700"
            >
              More
            </button>
          </div>
        )}
      </div>
      {outOfWater && !meaning && <p className="px-4 pb-2 text-signal-300">{OUT_OF_WATER}</p>}
      {meaning && <p className={`px-4 pb-2 ${meaning.takesPart ? "text-tide-200" : "text-signal-300"}`}>{meaning.words}</p>}
    </li>
  );
}

/** Starting the class, with where the variants of today stand. */
function StartBar({ classId, people, here, asks, fitting, beginning, tick, begin }: Props) {
  return (
    <div className="mt-auto flex flex-wrap items-center gap-4">
      <ClassButton look="main" onClick={begin}>
        {beginning ? "Starting…" : "Start class"}
      </ClassButton>
      {here.size < people.length && (
        <ClassButton
          look="quiet"
          className="text-xl"
          onClick={() => {
            for (const { id } of people) if (!here.has(id)) tick(id, true);
          }}
        >
          Mark everyone as here
        </ClassButton>
      )}
      {asks && (
        <Form method="post" action={`/classes/${classId}/fit`} className="flex flex-wrap items-center gap-x-3 text-lg">
          <Link to="/people" className={classButton("quiet", "flex items-center")}>
            Set a cap
          </Link>
          <ClassButton look="quiet" type="submit">
            Update all variants
          </ClassButton>
        </Form>
      )}
      <p className="text-lg text-tide-200" role="status">
        {fitting === "done"
          ? "Space: start the class · Digit: mark a participant as here, then L lighter, O not taking part, M more"
          : FITTING_WORDS[fitting]}
      </p>
    </div>
  );
}

/** Who is here and how they are: one touch a person, more only where it is needed, then the class begins. */
export function Arrivals(props: Props) {
  const { classId, inWater, people, here, checkIns, policy, known, tick, checkIn, taken, asks } = props;
  const [asked, setAsked] = useState<Arriving | null>(null);
  const [lastId, setLastId] = useState<string | null>(null);
  /** Whoever answers is here. */
  const answer: Props["checkIn"] = (personId, answers, because) => {
    if (!here.has(personId)) tick(personId, true);
    checkIn(personId, answers, because);
  };
  useKeys((event) => {
    if (!asks || asked !== null) return;
    const command = arrivalKey(event.key, people, lastId);
    if (command?.kind === "choose") setLastId(command.personId);
    else if (command?.kind === "more") setAsked(people.find(({ id }) => id === command.personId) ?? null);
    else if (command?.kind === "answer") answer(command.personId, command.answers, null);
  });
  return (
    <div className="mx-auto flex w-full max-w-7xl flex-1 flex-col gap-5 p-6">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-4xl">Who is here, and how are they?</h1>
          <p className="mt-1 text-xl text-sand-200">
            {here.size} of {people.length} here.{" "}
            {inWater
              ? "Check steps, rail, hoist and lookout while participants arrive. Count everyone in."
              : "Check chairs, rail and floor while participants arrive."}
          </p>
        </div>
        {asks && <WalkIn classId={classId} taken={taken} />}
      </div>
      <ul className="grid gap-3 lg:grid-cols-2">
        {people.map((person) => (
          <PersonRow
            key={person.id}
            row={arrivalRow(person, here, checkIns.get(person.id), policy, (known[person.id] ?? NOTHING_KNOWN).screened)}
            asks={asks}
            tick={(isHere) => tick(person.id, isHere)}
            answer={(overall) => answer(person.id, { ...AS_USUAL, overall }, null)}
            more={() => setAsked(person)}
          />
        ))}
      </ul>
      <StartBar {...props} />
      <CheckInSheet
        person={asked}
        checkedIn={asked ? (checkIns.get(asked.id) ?? null) : null}
        policy={policy}
        known={(asked && known[asked.id]) ?? NOTHING_KNOWN}
        keep={(personId, answers, because) => {
          answer(personId, answers, because);
          setAsked(null);
        }}
        close={() => setAsked(null)}
      />
    </div>
  );
}
