import { AS_USUAL, type CheckIn } from "@able-tide/core/caps/answers";
import { readCheckIn } from "@able-tide/core/caps/check-in";
import type { Policy, Question } from "@able-tide/core/caps/policy";
import { NOTHING_SPECIAL, type ScreenedPerson } from "@able-tide/core/caps/screening";
import type { CheckedIn } from "@able-tide/core/class/events";
import { sentenceCase } from "@able-tide/core/sentence-case";
import { Dialog } from "radix-ui";
import { type ReactNode, useCallback, useState } from "react";
import { Ask, Measure, type Unanswered } from "./ask.tsx";
import { AskPain } from "./ask-pain.tsx";
import { AskDrop, AskPressure } from "./ask-pressure.tsx";
import { formatOutcome } from "./outcome.ts";

/** What is known of a person that their answers are read with. */
export interface KnownAtCheckIn {
  readonly screened: ScreenedPerson;
  /** Their usual pain where it was told before, by place. */
  readonly usualPains: Readonly<Record<string, number>>;
}
export const NOTHING_KNOWN: KnownAtCheckIn = { screened: NOTHING_SPECIAL, usualPains: {} };

interface Props {
  readonly person: { readonly id: string; readonly name: string } | null;
  readonly checkedIn: CheckedIn | null;
  readonly policy: Policy;
  readonly known: KnownAtCheckIn;
  readonly keep: (personId: string, answers: CheckIn, overriddenBecause: string | null) => void;
  readonly close: () => void;
}

/** The questions that a group asks, each with its answers. */
function questionsOf(
  name: string,
  answers: CheckIn,
  usualPains: KnownAtCheckIn["usualPains"],
  set: (change: Partial<CheckIn>) => void,
  unanswered: Unanswered,
): Readonly<Record<Question, ReactNode>> {
  return {
    pain: (
      <div className="flex flex-col gap-4">
        <AskPain name={name} pains={answers.pains} usual={usualPains} set={(pains) => set({ pains })} unanswered={unanswered} />
        <div className="flex flex-wrap gap-6">
          {(["right", "left"] as const).map((side) => (
            <Ask
              key={side}
              label={`Can you lean on your ${side} hand today?`}
              value={answers.leans?.[side] === undefined ? null : answers.leans[side] ? "yes" : "no"}
              options={[
                ["yes", "yes"],
                ["no", "no"],
              ]}
              choose={(leans) => set({ leans: { ...answers.leans, [side]: leans === "yes" } })}
            />
          ))}
        </div>
      </div>
    ),
    dizziness: (
      <Ask
        label="Dizziness"
        value={answers.dizziness}
        options={[
          ["none", "none"],
          ["settled", "Earlier, now settled"],
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
          ["noSentence", "Cannot finish a sentence"],
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
          ["twoBadNights", "Two bad nights, or a new sedative"],
        ]}
        choose={(sleep) => set({ sleep })}
      />
    ),
    fatigue: (
      <Measure
        label="Fatigue, 0 to 10"
        reading="fatigue"
        value={answers.fatigue}
        set={(fatigue) => set({ fatigue } as Partial<CheckIn>)}
        unanswered={unanswered}
      />
    ),
    fall: (
      <Ask
        label="Since last time"
        value={answers.fall}
        options={[
          ["none", "No fall"],
          ["nearFall", "Near-fall"],
          ["oneUnhurt", "One fall, cause known, no injury"],
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
          ["wearingOff", "Medicine wearing off"],
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
          ["firstClassBack", "First class after illness"],
          ["secondClassBack", "second class back"],
          ["feverOrWound", "fever, infection, new wound"],
          ["bowels", "diarrhoea"],
        ]}
        choose={(illness) => set({ illness })}
      />
    ),
    pressure: (
      <div className="flex flex-col gap-3">
        <AskPressure pressures={answers.pressures} set={(pressures) => set({ pressures })} unanswered={unanswered} />
        <AskDrop drop={answers.drop} set={(drop) => set({ drop } as Partial<CheckIn>)} unanswered={unanswered} />
      </div>
    ),
    saturation: (
      <Measure
        label="Oxygen saturation, %"
        reading="saturation"
        value={answers.saturation}
        set={(saturation) => set({ saturation } as Partial<CheckIn>)}
        unanswered={unanswered}
      />
    ),
    glucose: (
      <div className="flex flex-wrap items-end gap-3">
        <Measure
          label="Glucose, mmol/l"
          reading="glucose"
          value={answers.glucose}
          set={(glucose) => set({ glucose } as Partial<CheckIn>)}
          unanswered={unanswered}
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

/** What still has to be answered, by the question's name. */
function useUnanswered() {
  const [open, setOpen] = useState<ReadonlyMap<string, string>>(new Map());
  const unanswered = useCallback<Unanswered>(
    (name, words) =>
      setOpen((before) => {
        if ((before.get(name) ?? null) === words) return before;
        const next = new Map(before);
        if (words === null) next.delete(name);
        else next.set(name, words);
        return next;
      }),
    [],
  );
  return { open: [...open.values()], unanswered };
}

function Sheet({ person, checkedIn, policy, known, keep }: Props & { person: NonNullable<Props["person"]> }) {
  const [answers, setAnswers] = useState<CheckIn>(checkedIn?.answers ?? AS_USUAL);
  const [because, setBecause] = useState(checkedIn?.overriddenBecause ?? "");
  const [tried, setTried] = useState(false);
  const { open, unanswered } = useUnanswered();
  const set = (change: Partial<CheckIn>) => setAnswers((before) => withoutNothing({ ...before, ...change }));
  const questions = questionsOf(person.name, answers, known.usualPains, set, unanswered);
  const reading = readCheckIn(answers, policy, known.screened);
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
            ["sitOut", "Not taking part"],
          ]}
          choose={(overall) => set({ overall })}
        />
        {policy.questions.map((question) => (
          <div key={question}>{questions[question]}</div>
        ))}
        <Ask
          label="Warning signs since yesterday: chest pain, blackout, palpitations, alcohol, severe low glucose, or 2 kg weight gain in 3 days with heart failure"
          value={answers.warning ? "yes" : "no"}
          options={[
            ["no", "No, none"],
            ["yes", "one of these"],
          ]}
          choose={(warning) => set({ warning: warning === "yes" })}
        />
      </div>
      <div className="mt-5 rounded-[12px] bg-tide-950 p-4" aria-live="polite">
        <p className={`text-2xl font-bold ${reading.outcome === "class" ? "" : "text-signal-300"}`}>
          {formatOutcome(reading.outcome)}
        </p>
        {reading.findings.map(({ words, also, source }) => (
          <p key={words}>
            {sentenceCase(words)}
            {also && `: ${also}`} <span className="text-tide-200">({source})</span>
          </p>
        ))}
        {barred && (
          <label className="mt-3 flex flex-col gap-1">
            Allow to take part anyway? Give the reason. It stays on record.
            <input
              value={because}
              onChange={(event) => setBecause(event.currentTarget.value)}
              maxLength={200}
              className="min-h-16 rounded-[12px] border-2 border-tide-600 bg-tide-900 px-4 text-xl text-sand-50"
            />
          </label>
        )}
      </div>
      {tried && open.length > 0 && (
        <ul role="alert" className="mt-4 font-semibold text-signal-300">
          {open.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <button
          type="button"
          onClick={() => {
            setTried(true);
            if (open.length === 0) keep(person.id, answers, barred && because.trim() !== "" ? because.trim() : null);
          }}
          className="min-h-16 flex-1 rounded-full bg-sand-50 px-8 text-2xl font-bold text-tide-950"
        >
          Save
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
