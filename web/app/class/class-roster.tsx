import type { Movement } from "@able-tide/core/movement/format";
import type { Side } from "@able-tide/core/side";
import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";
import { VersionFigure } from "../kit/version-figure.tsx";
import type { PersonNow } from "./class-view.ts";
import type { PersonInVersion, VersionNow } from "./versions-now.ts";

type Pick = (id: string) => void;

function PersonRow({ person, pick }: { person: PersonInVersion; pick: Pick }) {
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
          {person.sits ? <strong className="block text-signal-300">Sit. Ask first.</strong> : person.own}
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

/** Those who do it differently, a row each, then the others, two in a row. */
function PeopleRows({ people, pick }: { people: readonly PersonInVersion[]; pick: Pick }) {
  const different = people.filter(({ own, noted, sits, due }) => own !== "" || noted.length > 0 || sits || due);
  const whole = people.filter((person) => !different.includes(person));
  return (
    <>
      <ul>
        {different.map((person) => (
          <PersonRow key={person.id} person={person} pick={pick} />
        ))}
      </ul>
      <ul className="grid grid-cols-2">
        {whole.map((person) => (
          <PersonRow key={person.id} person={person} pick={pick} />
        ))}
      </ul>
    </>
  );
}

interface Props {
  readonly people: readonly PersonNow[];
  /** Null for a class that was begun before it was written down how it is led. */
  readonly versions: readonly VersionNow[] | null;
  readonly movement: Movement;
  readonly side: Side | null;
  readonly pick: Pick;
}

/** Everyone here, by the version of the movement that they do, in the order in which the versions are cued. */
export function ClassRoster({ people, versions, movement, side, pick }: Props) {
  return (
    <div className="min-h-0 flex-1 overflow-y-auto rounded-[20px] bg-tide-900 p-3">
      {versions?.map(({ name, isShown, variant, people: doing }) => (
        <section
          key={name}
          aria-label={name}
          className={`mb-2 rounded-[16px] border-2 p-2 ${isShown ? "border-tide-300" : "border-transparent bg-tide-800"}`}
        >
          <div className="flex items-center gap-3">
            {variant && <VersionFigure movement={movement} variant={variant} side={side} />}
            <h2 className="flex-1 font-display text-2xl font-bold">{name}</h2>
            <span className="pr-2 text-lg text-tide-200">
              {isShown && "Shown · "}
              {doing.length}
            </span>
          </div>
          <PeopleRows people={doing} pick={pick} />
        </section>
      ))}
      {versions === null && (
        <PeopleRows people={people.map((person) => ({ ...person, own: person.cell?.brief ?? "" }))} pick={pick} />
      )}
    </div>
  );
}
