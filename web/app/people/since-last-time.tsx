import type { CapChange } from "@able-tide/core/caps/history";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { formatDayAndMonth } from "@able-tide/words/text";

/** What changed since the person was last in class, newest first. */
export function SinceLastTime({
  changes,
  since,
  limitOf,
}: {
  changes: readonly CapChange[];
  since: string | null;
  limitOf: (capId: string) => Parameters<typeof formatCapLimit>[0] | null;
}) {
  const title = since === null ? "No classes yet" : `Since they were in class, ${formatDayAndMonth(since)}`;
  return (
    <section className="mt-4">
      <h2 className="text-xl">{title}</h2>
      {changes.length === 0 && <p className="text-lg">{since === null ? "" : "Nothing changed."}</p>}
      <ul className="mt-1 flex flex-col gap-1">
        {changes.toReversed().map((change) => {
          const limit = change.kind === "set" ? change.cap.limit : limitOf(change.capId);
          return (
            <li key={`${change.kind} ${change.kind === "set" ? change.cap.id : change.capId}`}>
              <strong>{change.kind === "set" ? "New" : "Ended"}</strong> {formatDayAndMonth(change.at.slice(0, 10))}:{" "}
              {limit && formatCapLimit(limit)}
              {change.kind === "ended" && `. ${change.because}`}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
