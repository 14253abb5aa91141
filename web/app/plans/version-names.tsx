import type { SheetItem } from "@able-tide/core/leading/session-sheet";
import { APART, formatChange, versionName } from "@able-tide/words/versions";

interface Props {
  readonly name: string;
  readonly item: SheetItem;
  /** Names by id, for as many as take part. */
  readonly names: ReadonlyMap<string, string>;
}

/** The versions of one movement as rows of names, in the order in which they are cued. */
export function VersionNames({ name, item, names }: Props) {
  const named = (ids: readonly string[]): string[] => ids.map((id) => names.get(id) ?? id);
  const { change, versions, apart, shown } = item;
  return (
    <section aria-label={`Versions of ${name}`} className="mt-2 rounded-soft border-2 border-tide-800 bg-white p-4">
      <h2 className="text-lg">{name}</h2>
      {change && <p className="text-sand-600">Before: {formatChange(change, names)}</p>}
      <ul className="mt-2 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {versions.map((version, i) => (
          <li
            key={versionName(version)}
            className={`rounded-[10px] border p-3 ${i === shown ? "border-tide-700 bg-tide-100" : "border-sand-300 bg-sand-50"}`}
          >
            <p className="flex justify-between gap-2 font-bold">
              {versionName(version)}
              <span className="font-normal text-sand-600">
                {i === shown ? "Shown · " : version.besides ? "Besides · " : ""}
                {version.people.length}
              </span>
            </p>
            <p>{named(version.people).join(", ")}</p>
          </li>
        ))}
        {apart.length > 0 && (
          <li className="rounded-[10px] border border-sand-300 bg-sand-50 p-3">
            <p className="font-bold">{APART}</p>
            <p>{named(apart).join(", ")}</p>
          </li>
        )}
      </ul>
    </section>
  );
}
