import type { Reading } from "@able-tide/core/caps/answers";
import { GLUCOSE_UNITS, type GlucoseUnit, readTyped } from "@able-tide/core/caps/typed-reading";
import { formatReadingDoubt } from "@able-tide/words/check-in";
import { sentenceCase } from "@able-tide/words/text";
import { useEffect, useId, useState } from "react";
import { ChoiceGroup } from "../kit/choice-group.tsx";

/** Says what still has to be answered under a name, or that nothing has to. */
export type Unanswered = (name: string, words: string | null) => void;

/** One question whose answers are buttons. */
export function Ask<Value extends string>({
  label,
  value,
  options,
  choose,
  spoken,
  verbatim = false,
}: {
  label: string;
  /** Null where no one has answered yet. */
  value: Value | null;
  options: readonly (readonly [Value, string])[];
  choose: (value: Value) => void;
  /** Said before each answer where the answers alone would be read out twice on a page. */
  spoken?: string;
  /** Whether the answers are written as they are, such as units. */
  verbatim?: boolean;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-tide-200">{label}</legend>
      <ChoiceGroup
        value={value}
        options={options}
        choose={choose}
        {...(spoken !== undefined && { spoken })}
        className="flex flex-wrap gap-2"
        optionClassName={(chosen) =>
          `min-h-16 min-w-14 rounded-[12px] border-2 px-4 font-semibold ${chosen ? "border-sand-50 bg-sand-50 text-tide-950" : "border-tide-600 hover:bg-tide-800"}`
        }
        draw={verbatim ? (words) => words : sentenceCase}
      />
    </fieldset>
  );
}

const UNIT_OPTIONS = GLUCOSE_UNITS.map((unit) => [unit, unit] as const);

/** A number that is measured; empty stays unasked, one that cannot be is asked about and stays as it was typed. */
export function Measure({
  label,
  reading,
  name = reading,
  value,
  set,
  unanswered,
}: {
  label: string;
  reading: Reading;
  /** Tells two fields for the same reading apart. */
  name?: string;
  value: number | undefined;
  set: (value: number | undefined) => void;
  unanswered: Unanswered;
}) {
  const problemId = useId();
  const [text, setText] = useState(value === undefined ? "" : String(value));
  const [unit, setUnit] = useState<GlucoseUnit | null>(null);
  const typed = readTyped(reading, text, unit);
  const problem = typed.kind === "ask" ? formatReadingDoubt(typed, reading) : null;
  const put = (nextText: string, nextUnit: GlucoseUnit | null) => {
    setText(nextText);
    setUnit(nextUnit);
    const next = readTyped(reading, nextText, nextUnit);
    set(next.kind === "value" ? next.value : undefined);
    unanswered(name, next.kind === "ask" ? formatReadingDoubt(next, reading) : null);
  };
  useEffect(() => () => unanswered(name, null), [name, unanswered]);
  const asksUnit = reading === "glucose" && (problem !== null || unit !== null);
  return (
    <div className="flex flex-wrap items-end gap-3">
      <label className="flex flex-col text-tide-200">
        {label}
        <input
          inputMode="decimal"
          value={text}
          aria-invalid={problem !== null || undefined}
          aria-describedby={problem === null ? undefined : problemId}
          onChange={(event) => put(event.currentTarget.value, unit)}
          className={`min-h-16 w-32 rounded-[12px] border-2 bg-tide-900 px-4 text-2xl font-bold text-sand-50 ${problem === null ? "border-tide-600" : "border-signal-300"}`}
        />
      </label>
      {asksUnit && (
        <Ask label="Unit of the meter" verbatim value={unit} options={UNIT_OPTIONS} choose={(chosen) => put(text, chosen)} />
      )}
      {unit === "mg/dl" && typed.kind === "value" && <p className="pb-4 text-xl">= {typed.value} mmol/l</p>}
      {problem !== null && (
        <p id={problemId} role="alert" className="basis-full font-semibold text-signal-300">
          {problem}
        </p>
      )}
    </div>
  );
}
