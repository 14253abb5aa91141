import type { Movement } from "@able-tide/core/movement/format";
import type { Side } from "@able-tide/core/side";
import { Hand } from "lucide-react";
import type { CSSProperties } from "react";
import { VersionFigure } from "../kit/version-figure.tsx";
import type { PersonNow } from "./class-view.ts";
import { inRows, inTwoLines, type NameRows, type PersonInVersion, type VersionNow } from "./versions-now.ts";

type Pick = (id: string) => void;

/** What is to be seen at a glance of someone, below their name. */
function Besides({ person: { sits, own, noted, due } }: { person: PersonInVersion }) {
  const { said, more } = inTwoLines(own);
  return (
    <>
      {sits && <strong className="block text-signal-300">Sit. Ask first.</strong>}
      {!sits && said.length > 0 && (
        <span className="line-clamp-2">
          {said.join(", ")}
          {more.length > 0 && (
            <span className="whitespace-nowrap text-tide-200">
              {" "}
              +{more.length} <span className="sr-only">more: {more.join(", ")}</span>
            </span>
          )}
        </span>
      )}
      {noted.length > 0 && <span className="block font-semibold text-signal-300">{noted.join(", ")}</span>}
      {due && <span className="block text-tide-200">Fitting what comes next…</span>}
    </>
  );
}

function PersonButton({ person, span, pick }: { person: PersonInVersion; span: string; pick: Pick }) {
  return (
    <li className={span}>
      <button
        type="button"
        onClick={() => pick(person.id)}
        className={`class-roster-name relative flex w-full flex-col items-center justify-center rounded-[12px] border-2 bg-tide-800 px-0.5 text-center leading-tight hover:bg-tide-700 ${person.hand ? "border-signal-300" : "border-transparent"}`}
      >
        <span className="flex max-w-full items-center gap-1.5 text-[1.375rem] font-bold [overflow-wrap:anywhere]">
          {person.hand && <Hand role="img" aria-label="with a helping hand" className="size-5 shrink-0 text-signal-300" />}
          {person.name}
        </span>
        <span className="leading-tight text-sand-200">
          <Besides person={person} />
        </span>
        <span aria-hidden="true" className="absolute top-0 right-1.5 text-sm text-tide-200">
          {person.digit}
        </span>
      </button>
    </li>
  );
}

function Names({ names: { wide, narrow }, pick }: { names: NameRows; pick: Pick }) {
  return (
    <ul className="grid grid-cols-6 gap-1.5 md:max-lg:grid-cols-12">
      {wide.map((person) => (
        <PersonButton key={person.id} person={person} span="col-span-3 text-[0.9375rem] md:max-lg:col-span-4" pick={pick} />
      ))}
      {narrow.map((person) => (
        <PersonButton key={person.id} person={person} span="col-span-2 text-sm" pick={pick} />
      ))}
    </ul>
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

/**
 * Everyone here, by the version of the movement that they do, in the order in which the versions are cued. Each name is a
 * button; the rows are as high as there is room for, so that twelve people in three versions are seen at once.
 */
export function ClassRoster({ people, versions, movement, side, pick }: Props) {
  const cards = (versions ?? []).map((version) => ({ ...version, names: inRows(version.people) }));
  const style = {
    "--roster-cards": cards.length,
    "--roster-rows": cards.reduce((sum, { names }) => sum + names.rows, 0),
    "--roster-shared": cards.filter(({ shared }) => shared !== "").length,
  } as CSSProperties;
  return (
    <div className="class-roster flex min-h-0 flex-1 flex-col gap-1.5 overflow-y-auto" style={style}>
      {cards.map(({ name, isShown, variant, inWater, shared, people: doing, names }) => (
        <section
          key={name}
          aria-label={name}
          className={`flex items-center gap-2 rounded-[16px] border-2 bg-tide-900 px-2 py-1 ${isShown ? "border-tide-300" : "border-transparent"}`}
        >
          {variant && (
            <VersionFigure
              movement={movement}
              variant={variant}
              side={side}
              inWater={inWater}
              className="class-roster-figure h-20 w-16"
            />
          )}
          <div className="min-w-0 flex-1">
            <div className="mb-0.5 flex items-baseline gap-3 pl-1">
              <h2 className="flex-1 font-display text-xl leading-tight font-bold">{name}</h2>
              <span className="text-base text-tide-200">
                {isShown && "Shown · "}
                {doing.length}
              </span>
            </div>
            {shared !== "" && <p className="mb-0.5 pl-1 text-base leading-tight text-sand-200">{shared}</p>}
            <Names names={names} pick={pick} />
          </div>
        </section>
      ))}
      {versions === null && (
        <Names names={inRows(people.map((person) => ({ ...person, own: person.cell ? [person.cell.brief] : [] })))} pick={pick} />
      )}
    </div>
  );
}
