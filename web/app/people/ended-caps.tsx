import type { CapRecord } from "@able-tide/core/caps/history";
import { formatCap } from "@able-tide/words/format-cap";
import { formatDayAndMonth } from "@able-tide/words/text";

/** Caps that are over, newest first, with how each ended. */
export function EndedCaps({ caps }: { caps: readonly CapRecord[] }) {
  const over = caps.flatMap((cap) => (cap.ended === null ? [] : [{ cap, ended: cap.ended }])).reverse();
  if (over.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">
        Ended caps ({over.length})
      </summary>
      <ul className="mt-1 flex flex-col gap-2 text-sand-600">
        {over.map(({ cap, ended }) => (
          <li key={cap.id}>
            {formatCap(cap)}. Ended {formatDayAndMonth(ended.at.slice(0, 10))} by {ended.by}: {ended.because}
          </li>
        ))}
      </ul>
    </details>
  );
}
