import { AS_USUAL, type CheckIn } from "@able-tide/core/caps/answers";
import { BODY_PARTS, type BodyPart } from "@able-tide/core/caps/body-parts";
import { readCheckIn } from "@able-tide/core/caps/check-in";
import type { Policy, Question } from "@able-tide/core/caps/policy";
import type { CheckedIn } from "@able-tide/core/class/events";
import { Dialog } from "radix-ui";
import { type ReactNode, useState } from "react";
import { outcomeInWords } from "./outcome.ts";

interface Props {
  readonly person: { readonly id: string; readonly name: string } | null;
  readonly checkedIn: CheckedIn | null;
  readonly policy: Policy;
  readonly keep: (personId: string, answers: CheckIn, overriddenBecause: string | null) => void;
  readonly close: () => void;
}

/** One question whose answers are buttons. */
function Ask<Value extends string>({
  label,
  value,
  options,
  choose,
}: {
  label: string;
  value: Value;
  options: readonly (readonly [Value, string])[];
  choose: (value: Value) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-tide-200">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map(([name, words]) => (
          <button
            key={name}
            type="button"
            aria-pressed={value === name}
            onClick={() => choose(name)}
            className={`min-h-16 rounded-[12px] border-2 px-4 font-semibold ${value === name ? "border-sand-50 bg-sand-50 text-tide-950" : "border-tide-600 hover:bg-tide-800"}`}
          >
            {words}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

const PAINS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10] as const;

function AskPain({ pains, set }: { pains: CheckIn["pains"]; set: (pains: CheckIn["pains"]) => void }) {
  const [first] = pains;
  const part = first?.part ?? null;
  const put = (change: Partial<CheckIn["pains"][number]> & { part: BodyPart }) =>
    set([{ now: first?.now ?? 4, usual: first?.usual ?? 0, fresh: first?.fresh ?? "no", ...change }]);
  return (
    <div className="flex flex-col gap-2">
      <Ask
        label="Pain, and where"
        value={part ?? "none"}
        options={[["none", "none"], ...BODY_PARTS.map(({ name, label }) => [name, label] as const)]}
        choose={(where) => (where === "none" ? set([]) : put({ part: where }))}
      />
      {part && first && (
        <div className="flex flex-wrap items-end gap-4">
          {(["now", "usual"] as const).map((when) => (
            <label key={when} className="flex flex-col text-tide-200">
              {when === "now" ? "now, 0 to 10" : "their usual there"}
              <select
                value={first[when]}
                onChange={(event) => put({ part, [when]: Number(event.currentTarget.value) })}
                className="min-h-16 rounded-[12px] border-2 border-tide-600 bg-tide-900 px-4 text-2xl font-bold text-sand-50"
              >
                {PAINS.map((value) => (
                  <option key={value} value={value}>
                    {value}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <Ask
            label="New?"
            value={first.fresh}
            options={[
              ["no", "no"],
              ["new", "new"],
              ["night", "new, at night"],
            ]}
            choose={(fresh) => put({ part, fresh })}
          />
        </div>
      )}
    </div>
  );
}

/** A number that is measured; empty stays unasked. */
function Measure({ label, value, set }: { label: string; value: number | undefined; set: (value: number | undefined) => void }) {
  return (
    <label className="flex flex-col text-tide-200">
      {label}
      <input
        inputMode="decimal"
        defaultValue={value ?? ""}
        onChange={(event) => {
          const number = Number(event.currentTarget.value.replace(",", "."));
          set(event.currentTarget.value.trim() === "" || !(number >= 0 && number <= 300) ? undefined : number);
        }}
        className="min-h-16 w-32 rounded-[12px] border-2 border-tide-600 bg-tide-900 px-4 text-2xl font-bold text-sand-50"
      />
    </label>
  );
}

type Pressure = Partial<CheckIn["pressures"][number]>;

function AskPressure({ pressures, set }: { pressures: CheckIn["pressures"]; set: (pressures: CheckIn["pressures"]) => void }) {
  const [typed, setTyped] = useState<readonly Pressure[]>(pressures.length > 0 ? pressures : [{}]);
  const put = (i: number, change: Pressure) => {
    const next = typed.map((pressure, at) => (at === i ? { ...pressure, ...change } : pressure));
    setTyped(next);
    set(
      next.flatMap(({ systolic, diastolic, heartRate }) =>
        systolic === undefined || diastolic === undefined
          ? []
          : [{ systolic, diastolic, ...(heartRate === undefined ? {} : { heartRate }) }],
      ),
    );
  };
  return (
    <div className="flex flex-col gap-2">
      {typed.map((pressure, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the first and the second reading
        <div key={i} className="flex flex-wrap gap-3">
          <Measure
            label={i === 0 ? "systolic" : "again: systolic"}
            value={pressure.systolic}
            set={(systolic) => put(i, { systolic } as Pressure)}
          />
          <Measure label="diastolic" value={pressure.diastolic} set={(diastolic) => put(i, { diastolic } as Pressure)} />
          <Measure label="pulse" value={pressure.heartRate} set={(heartRate) => put(i, { heartRate } as Pressure)} />
        </div>
      ))}
      {typed.length === 1 && (
        <button
          type="button"
          onClick={() => setTyped([...typed, {}])}
          className="min-h-16 w-fit px-2 underline underline-offset-4"
        >
          taken again after 5 minutes of sitting
        </button>
      )}
    </div>
  );
}

/** How far the pressure falls within three minutes of standing, where it is taken. */
function AskDrop({ drop, set }: { drop: CheckIn["drop"]; set: (drop: CheckIn["drop"]) => void }) {
  const put = (change: Partial<NonNullable<CheckIn["drop"]>>) =>
    set({ systolic: 0, diastolic: 0, felt: false, ...drop, ...change });
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Measure label="on standing, falls by: systolic" value={drop?.systolic} set={(systolic = 0) => put({ systolic })} />
      <Measure label="diastolic" value={drop?.diastolic} set={(diastolic = 0) => put({ diastolic })} />
      <Ask
        label="Felt?"
        value={drop?.felt ? "yes" : "no"}
        options={[
          ["no", "no"],
          ["yes", "yes"],
        ]}
        choose={(felt) => put({ felt: felt === "yes" })}
      />
    </div>
  );
}

/** The questions that a group asks, each with its answers. */
function questionsOf(answers: CheckIn, set: (change: Partial<CheckIn>) => void): Readonly<Record<Question, ReactNode>> {
  return {
    pain: <AskPain pains={answers.pains} set={(pains) => set({ pains })} />,
    dizziness: (
      <Ask
        label="Dizziness"
        value={answers.dizziness}
        options={[
          ["none", "none"],
          ["settled", "earlier, settled"],
          ["now", "now"],
        ]}
        choose={(dizziness) => set({ dizziness })}
      />
    ),
    breath: (
      <Ask
        label="Breath"
        value={answers.breath}
        options={[
          ["asUsual", "as usual"],
          ["more", "more breathless"],
          ["noSentence", "cannot finish a sentence"],
        ]}
        choose={(breath) => set({ breath })}
      />
    ),
    sleep: (
      <Ask
        label="Sleep"
        value={answers.sleep}
        options={[
          ["fine", "fine"],
          ["badNight", "a bad night"],
          ["twoBadNights", "two, or a new sedative"],
        ]}
        choose={(sleep) => set({ sleep })}
      />
    ),
    fatigue: (
      <Measure
        label="Fatigue, 0 to 10"
        value={answers.fatigue}
        set={(fatigue) => set({ fatigue: fatigue !== undefined && fatigue <= 10 ? fatigue : undefined } as Partial<CheckIn>)}
      />
    ),
    fall: (
      <Ask
        label="Since last time"
        value={answers.fall}
        options={[
          ["none", "no fall"],
          ["nearFall", "a near-fall"],
          ["oneUnhurt", "one fall, explained, unhurt"],
          ["worse", "worse"],
        ]}
        choose={(fall) => set({ fall })}
      />
    ),
    medicine: (
      <Ask
        label="Medicines"
        value={answers.medicine}
        options={[
          ["asUsual", "as usual"],
          ["changed", "changed this week"],
          ["wearingOff", "the dose is wearing off"],
        ]}
        choose={(medicine) => set({ medicine })}
      />
    ),
    illness: (
      <Ask
        label="Illness"
        value={answers.illness}
        options={[
          ["none", "none"],
          ["firstClassBack", "first class back"],
          ["secondClassBack", "second class back"],
          ["feverOrWound", "fever, infection, new wound"],
          ["bowels", "diarrhoea"],
        ]}
        choose={(illness) => set({ illness })}
      />
    ),
    pressure: (
      <div className="flex flex-col gap-3">
        <AskPressure pressures={answers.pressures} set={(pressures) => set({ pressures })} />
        <AskDrop drop={answers.drop} set={(drop) => set({ drop } as Partial<CheckIn>)} />
      </div>
    ),
    saturation: (
      <Measure
        label="Oxygen saturation, %"
        value={answers.saturation}
        set={(saturation) =>
          set({ saturation: saturation !== undefined && saturation <= 100 ? saturation : undefined } as Partial<CheckIn>)
        }
      />
    ),
    glucose: (
      <div className="flex flex-wrap items-end gap-3">
        <Measure
          label="Glucose, mmol/l"
          value={answers.glucose}
          set={(glucose) => set({ glucose: glucose !== undefined && glucose <= 40 ? glucose : undefined } as Partial<CheckIn>)}
        />
        <Ask
          label="Ketones, or unwell with it"
          value={answers.glucoseIll ? "yes" : "no"}
          options={[
            ["no", "no"],
            ["yes", "yes"],
          ]}
          choose={(ill) => set({ glucoseIll: ill === "yes" })}
        />
      </div>
    ),
  };
}

/** An answer that was cleared is left out, not sent as nothing. */
const withoutNothing = (answers: CheckIn): CheckIn =>
  Object.fromEntries(Object.entries(answers).filter(([, value]) => value !== undefined)) as CheckIn;

function Sheet({ person, checkedIn, policy, keep }: Props & { person: NonNullable<Props["person"]> }) {
  const [answers, setAnswers] = useState<CheckIn>(checkedIn?.answers ?? AS_USUAL);
  const [because, setBecause] = useState(checkedIn?.overriddenBecause ?? "");
  const set = (change: Partial<CheckIn>) => setAnswers((before) => withoutNothing({ ...before, ...change }));
  const questions = questionsOf(answers, set);
  const reading = readCheckIn(answers, policy);
  const barred = reading.outcome !== "class" && reading.outcome !== "askFirst";
  return (
    <>
      <div className="flex flex-col gap-5">
        <Ask
          label="Today"
          value={answers.overall}
          options={[
            ["asUsual", "as usual"],
            ["lighter", "lighter"],
            ["sitOut", "sits out"],
          ]}
          choose={(overall) => set({ overall })}
        />
        {policy.questions.map((question) => (
          <div key={question}>{questions[question]}</div>
        ))}
        <Ask
          label="Chest pain, blackout, palpitations, alcohol, 2 kg up in 3 days with heart failure, severe low glucose since yesterday"
          value={answers.warning ? "yes" : "no"}
          options={[
            ["no", "none of these"],
            ["yes", "one of these"],
          ]}
          choose={(warning) => set({ warning: warning === "yes" })}
        />
      </div>
      <div className="mt-5 rounded-[12px] bg-tide-950 p-4" aria-live="polite">
        <p className={`text-2xl font-bold ${reading.outcome === "class" ? "" : "text-signal-300"}`}>
          {outcomeInWords(reading.outcome)}
        </p>
        {reading.findings.map(({ words, also, source }) => (
          <p key={words}>
            {words.charAt(0).toUpperCase() + words.slice(1)}
            {also && `: ${also}`} <span className="text-tide-200">({source})</span>
          </p>
        ))}
        {barred && (
          <label className="mt-3 flex flex-col gap-1">
            Let them in all the same? A word why, it stays on record.
            <input
              value={because}
              onChange={(event) => setBecause(event.currentTarget.value)}
              maxLength={200}
              className="min-h-16 rounded-[12px] border-2 border-tide-600 bg-tide-900 px-4 text-xl text-sand-50"
            />
          </label>
        )}
      </div>
      <div className="mt-5 flex flex-wrap gap-3">
        <button
          type="button"
          onClick={() => keep(person.id, answers, barred && because.trim() !== "" ? because.trim() : null)}
          className="min-h-16 flex-1 rounded-full bg-sand-50 px-8 text-2xl font-bold text-tide-950"
        >
          Keep
        </button>
        <Dialog.Close className="min-h-16 px-4 underline underline-offset-4">Close</Dialog.Close>
      </div>
    </>
  );
}

/** What the group's policy asks one person, what it means for today, and a word to decide otherwise. */
export function CheckInSheet(props: Props) {
  const { person, close } = props;
  return (
    <Dialog.Root open={person !== null} onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-tide-950/70" />
        <Dialog.Content
          aria-describedby={undefined}
          className="class-room fixed top-1/2 left-1/2 max-h-[94vh] w-[min(96vw,52rem)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-[20px] bg-tide-900 p-6 text-lg text-sand-50"
        >
          {person && (
            <>
              <Dialog.Title className="mb-4 text-3xl">{person.name} today</Dialog.Title>
              <Sheet key={person.id} {...props} person={person} />
            </>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
