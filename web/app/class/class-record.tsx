import { itemAt } from "@able-tide/core/checked-access";
import type { ClassStep } from "@able-tide/core/class/class-steps";
import type { ClassState } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { joinedCell } from "@able-tide/core/fit/joined-cell";
import { joinedName, joinedPasses } from "@able-tide/core/schedule/joined-passes";
import { effortWords, observationLabel } from "@able-tide/words/class";
import { formatClassStep } from "@able-tide/words/class-step";
import { ScrollArea } from "../kit/scroll-area.tsx";
import { VariantSymbol } from "../kit/variant-symbol.tsx";

interface Props {
  readonly script: ClassScript;
  readonly steps: readonly ClassStep[];
  readonly state: ClassState;
}

/** A sentence about a correction, who made it and when, in words. */
export interface CorrectionLine {
  readonly id: string;
  readonly words: string;
  readonly by: string;
  readonly at: string;
}

/** Sentences with who did what they say, and when. */
function DatedLines({ title, id: headId, lines }: { title: string; id: string; lines: readonly CorrectionLine[] }) {
  if (lines.length === 0) return null;
  return (
    <section className="mb-6 max-w-3xl" aria-labelledby={headId}>
      <h2 id={headId} className="text-lg font-bold">
        {title}
      </h2>
      <ul>
        {lines.map(({ id, words, by, at }) => (
          <li key={id}>
            {words}{" "}
            <span className="text-sand-600">
              ({by}, {at})
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Says that a class counts no more, how it was fitted again, and what was put right in its record. */
export function RecordNotices({
  withdrawal,
  refits,
  corrections,
}: {
  withdrawal: Omit<CorrectionLine, "id"> | null;
  refits: readonly CorrectionLine[];
  corrections: readonly CorrectionLine[];
}) {
  return (
    <>
      {withdrawal && (
        <p className="mb-4 max-w-3xl rounded-soft border-2 border-signal-700 bg-white p-4 text-lg">
          <strong>Withdrawn. It counts no more.</strong> {withdrawal.words} ({withdrawal.by}, {withdrawal.at})
        </p>
      )}
      <DatedLines title="Variants changed" id="refits" lines={refits} />
      <DatedLines title="Corrected since" id="corrections" lines={corrections} />
    </>
  );
}

/** One participant: the variant of each movement, and what was observed. */
function RecordRow({ person, script, steps, state }: Props & { person: Props["script"]["people"][number] }) {
  const here = state.here.has(person.id);
  const notes = state.notes.filter((note) => note.personId === person.id);
  return (
    <tr className="border-t border-sand-200">
      <th scope="row" className="p-3 font-bold">
        {person.name}
        {!here && <span className="font-normal text-sand-600"> absent</span>}
      </th>
      {joinedPasses(script.blocks).map((items) => {
        const cell = joinedCell(items.flatMap((i) => person.cells[i] ?? []));
        return (
          <td key={items[0]} className="p-1 text-center">
            {here && cell && (
              <span className="inline-block align-middle">
                <VariantSymbol {...cell} label={`${cell.form}, ${Math.round(100 * cell.level)}%`} />
              </span>
            )}
          </td>
        );
      })}
      <td className="p-3">
        {notes.map((note) => {
          const where = formatClassStep(script.blocks, steps[note.step] ?? null);
          return (
            <span key={note.id} className="block font-semibold text-signal-700">
              {observationLabel(note.sign)}
              {where && `, ${where}`}
            </span>
          );
        })}
      </td>
    </tr>
  );
}

/** An ended class: who was there, in which variants, observations, effort. */
export function ClassRecord({ script, steps, state }: Props) {
  const { ended } = state;
  return (
    <>
      {ended && (
        <p className="mb-6 max-w-3xl text-xl">
          Effort {effortWords(ended.effort)}. {ended.note}
        </p>
      )}
      <ScrollArea label="Variants by participant" className="rounded-soft border border-sand-300 bg-white">
        <table className="w-full border-collapse text-left">
          <caption className="sr-only">Variant of each participant in each movement, with observations</caption>
          <thead>
            <tr className="align-bottom">
              <th scope="col" className="p-3">
                Participant
              </th>
              {joinedPasses(script.blocks).map((items) => (
                <th key={items[0]} scope="col" className="min-w-11 p-1 font-semibold">
                  <span className="inline-block max-h-40 rotate-180 text-left leading-tight [writing-mode:vertical-rl]">
                    {joinedName(items.map((i) => itemAt(script.blocks, i).movement))}
                  </span>
                </th>
              ))}
              <th scope="col" className="p-3">
                Observations
              </th>
            </tr>
          </thead>
          <tbody>
            {script.people.map((person) => (
              <RecordRow key={person.id} person={person} script={script} steps={steps} state={state} />
            ))}
          </tbody>
        </table>
      </ScrollArea>
    </>
  );
}
