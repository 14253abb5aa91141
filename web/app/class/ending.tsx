import { EFFORT_WORDS } from "@able-tide/words/class";
import { leaveSafely } from "@able-tide/words/closing-steps";
import { type FormEvent, useEffect, useState } from "react";
import { ClassButton } from "../kit/class-button.tsx";

interface Props {
  readonly classId: string;
  readonly inWater: boolean;
  readonly end: (effort: number, note: string) => void;
  readonly back: () => void;
}

const draftShelf = (classId: string): string => `able-tide.ending.${classId}`;

/** The effort of the group on a scale of 0 to 10, one touch. */
function EffortScale({ effort, choose }: { effort: number | null; choose: (effort: number) => void }) {
  return (
    <div className="grid grid-cols-6 gap-2 sm:grid-cols-11">
      {[...EFFORT_WORDS.keys()].map((value) => (
        <label
          key={value}
          className="flex min-h-16 items-center justify-center rounded-[12px] border-2 border-tide-600 text-2xl font-bold has-checked:border-sand-50 has-checked:bg-sand-50 has-checked:text-tide-950 has-focus-visible:outline-3 has-focus-visible:outline-signal-300"
        >
          <input
            type="radio"
            name="effort"
            value={value}
            checked={effort === value}
            onChange={() => choose(value)}
            aria-label={`${value}, ${EFFORT_WORDS[value]}`}
            className="sr-only"
          />
          {value}
        </label>
      ))}
    </div>
  );
}

/** The closing minute, step by step. */
function ClosingSteps({ inWater }: Pick<Props, "inWater">) {
  return (
    <ol className="mt-4 list-decimal pl-8 text-2xl leading-relaxed">
      {leaveSafely(inWater).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ol>
  );
}

/**
 * The last minute, and what is recorded: effort in words and a note. What is typed survives a reload.
 *
 * Long because it is one form, its note kept on the device while it is written.
 */
export function Ending({ classId, inWater, end, back }: Props) {
  const [effort, setEffort] = useState<number | null>(null);
  const [note, setNote] = useState("");
  const [asked, setAsked] = useState(false);

  useEffect(() => {
    setNote(window.localStorage.getItem(draftShelf(classId)) ?? "");
  }, [classId]);

  function write(text: string) {
    setNote(text);
    window.localStorage.setItem(draftShelf(classId), text);
  }

  function finish(event: FormEvent) {
    event.preventDefault();
    setAsked(true);
    if (effort === null) return;
    end(effort, note.trim());
    window.localStorage.removeItem(draftShelf(classId));
  }

  return (
    <div className="mx-auto grid w-full max-w-6xl flex-1 content-start gap-10 p-8 lg:grid-cols-2">
      <section>
        <h1 className="text-4xl">Leave safely</h1>
        <ClosingSteps inWater={inWater} />
        <ClassButton look="quiet" onClick={back} className="mt-8 text-xl">
          Back to last movement
        </ClassButton>
      </section>
      <form onSubmit={finish} className="flex flex-col gap-5">
        <h2 className="text-3xl">How was the class?</h2>
        <fieldset>
          <legend className="mb-2 text-xl font-semibold">Effort of the group, 0 to 10</legend>
          <EffortScale effort={effort} choose={setEffort} />
          <p className="mt-2 min-h-7 text-xl text-sand-200" aria-live="polite">
            {effort === null ? "" : EFFORT_WORDS[effort]}
          </p>
          {asked && effort === null && <p className="text-xl font-semibold text-signal-300">Choose how hard the class was.</p>}
        </fieldset>
        <div>
          <label htmlFor="class-note" className="mb-2 block text-xl font-semibold">
            Note
          </label>
          <textarea
            id="class-note"
            rows={5}
            maxLength={2000}
            value={note}
            onChange={(event) => write(event.currentTarget.value)}
            className="w-full rounded-[12px] border-2 border-tide-300 bg-tide-900 p-4 text-xl"
          />
        </div>
        <ClassButton look="main" type="submit">
          End class
        </ClassButton>
      </form>
    </div>
  );
}
