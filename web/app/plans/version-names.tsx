import { isInWater } from "@able-tide/core/leading/in-water";
import type { SheetItem } from "@able-tide/core/leading/session-sheet";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { APART, formatChange, OUT_OF_WATER, versionName } from "@able-tide/words/versions";
import { VersionFigure } from "../kit/version-figure.tsx";
import { firstLead } from "./board-model.ts";

interface Props {
  readonly name: string;
  readonly item: SheetItem;
  /** The item as it is scheduled. */
  readonly scheduled: Pick<ScheduledItem, "movement" | "turns">;
  /** Names by id, for as many as take part. */
  readonly names: ReadonlyMap<string, string>;
  /** Who stays out of the water in the whole session, by id. */
  readonly ashore: readonly string[];
}

/** The versions of one movement as rows of names with their figures, in the order in which they are cued. */
export function VersionNames({ name, item, scheduled, names, ashore }: Props) {
  const named = (ids: readonly string[]): string => ids.map((id) => names.get(id) ?? id).join(", ");
  const { change, versions, apart, shown } = item;
  const others = [
    { name: APART, people: apart.filter((id) => !ashore.includes(id)) },
    { name: OUT_OF_WATER, people: ashore },
  ].filter(({ people }) => people.length > 0);
  return (
    <section aria-label={`Versions of ${name}`} className="mt-1 rounded-soft border-2 border-tide-800 bg-white p-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-lg">{name}</h2>
        {change && <p className="text-sand-600">Before: {formatChange(change, names)}</p>}
      </div>
      <ul className="mt-2 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {versions.map((version, i) => (
          <li
            key={versionName(version)}
            className={`flex gap-2 rounded-[10px] border p-2 ${i === shown ? "border-tide-700 bg-tide-100" : "border-sand-300 bg-sand-50"}`}
          >
            <VersionFigure
              movement={scheduled.movement}
              variant={version.variant}
              side={firstLead(scheduled)}
              inWater={isInWater(version.posture)}
            />
            <div className="min-w-0 flex-1">
              <p className="flex flex-wrap justify-between gap-x-2 font-bold">
                {versionName(version)}
                <span className="font-normal text-sand-600">
                  {i === shown ? "Shown · " : version.besides ? "Besides · " : ""}
                  {version.people.length}
                </span>
              </p>
              <p>{named(version.people)}</p>
            </div>
          </li>
        ))}
        {others.map(({ name: words, people }) => (
          <li key={words} className="rounded-[10px] border border-sand-300 bg-sand-50 p-2">
            <p className="font-bold">{words}</p>
            <p>{named(people)}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
