import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";
import type { PersonNow } from "./class-view.ts";

function PersonRow({ person, pick }: { person: PersonNow; pick: (id: string) => void }) {
  const { cell } = person;
  return (
    <li>
      <button
        type="button"
        onClick={() => pick(person.id)}
        className="flex min-h-16 w-full items-center gap-3 rounded-[12px] px-3 text-left hover:bg-tide-800"
      >
        {cell && <VariantSymbol {...cell} size={40} label={describeVariant(cell)} />}
        <span className="text-2xl font-bold">{person.name}</span>
        <span className="ml-auto text-right text-lg leading-tight text-sand-200">
          {person.sits ? <strong className="block text-signal-300">Sit. Ask first.</strong> : cell?.brief}
          {person.noted.length > 0 && <span className="block font-semibold text-signal-300">{person.noted.join(", ")}</span>}
          {person.due && <span className="block text-tide-200">Fitting what comes next…</span>}
        </span>
        <span aria-hidden="true" className="w-5 text-right text-lg text-tide-200">
          {person.digit}
        </span>
      </button>
    </li>
  );
}

/** Everyone here: first those who do it differently now, then the rest. */
export function ClassRoster({ people, pick }: { people: readonly PersonNow[]; pick: (id: string) => void }) {
  const different = people.filter(({ cell, sits }) => sits || (cell !== null && !cell.whole));
  const whole = people.filter((person) => !different.includes(person));
  return (
    <div className="min-h-0 flex-1 overflow-y-auto rounded-[20px] bg-tide-900 p-3">
      <h2 className="px-3 pt-1 font-sans text-lg font-normal text-tide-200">
        {different.length > 0 ? "Adapted for this movement" : "Everyone does the full movement"}
      </h2>
      <ul>
        {different.map((person) => (
          <PersonRow key={person.id} person={person} pick={pick} />
        ))}
      </ul>
      {different.length > 0 && whole.length > 0 && (
        <h2 className="px-3 pt-2 font-sans text-lg font-normal text-tide-200">As demonstrated</h2>
      )}
      <ul className="grid grid-cols-2">
        {whole.map((person) => (
          <PersonRow key={person.id} person={person} pick={pick} />
        ))}
      </ul>
    </div>
  );
}
