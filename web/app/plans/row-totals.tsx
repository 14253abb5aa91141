import type { Cap } from "@able-tide/core/caps/cap";
import { itemAt } from "@able-tide/core/checked-access";
import type { RowSums } from "@able-tide/core/fit/fitted-row";
import { SESSION_SUMS, sessionLimits } from "@able-tide/core/fit/session-limits";
import { sideIndex } from "@able-tide/core/side";
import { count } from "@able-tide/words/text";

interface Total {
  readonly label: string;
  readonly words: string;
  /** Share of the limit, 0 to 1; null without one. */
  readonly share: number | null;
}

const minutes = (seconds: number): string => `${Math.round(seconds / 60)} min`;
const seconds = (value: number): string => `${Math.round(value)} s`;

function total(label: string, value: number, limit: number, inWords: (value: number) => string): Total {
  const bounded = Number.isFinite(limit);
  return {
    label,
    words: bounded ? `${inWords(value)} of ${inWords(limit)}` : inWords(value),
    share: bounded ? (limit > 0 ? Math.min(1, value / limit) : value > 0 ? 1 : 0) : null,
  };
}

const LABELS = { standing: "Standing", oneLeg: "On one leg", handsUp: "Hand above shoulder", held: "Timed holds" } as const;

/** What a person's session adds up to, each sum with the cap it has. */
function totalsOf(sums: RowSums, caps: readonly Cap[]): Total[] {
  const limits = sessionLimits(caps);
  const totals = SESSION_SUMS.flatMap(({ name, side }, i) => {
    const limit = itemAt(limits.sums, i);
    if (name === "standing") return [total(LABELS.standing, sums.standing, limit, minutes)];
    if (name === "held") {
      const held = sums.held;
      return held < 0.5 ? [] : [total(LABELS.held, held, limit, seconds)];
    }
    const value = sums[name][sideIndex(side)];
    if (value < 0.5 && !Number.isFinite(limit)) return [];
    return [total(`${LABELS[name]}, ${side}`, value, limit, seconds)];
  });
  const changes = { label: "Extra sit-to-stands (not with the group)", words: count(sums.changes, "time", "times"), share: null };
  return [total("Longest time standing without a break", sums.longestStanding, limits.run, minutes), ...totals, changes];
}

/** What a person's session adds up to, against their caps. */
export function RowTotals({ sums, caps }: { sums: RowSums; caps: readonly Cap[] }) {
  return (
    <dl aria-label="Session totals" className="flex flex-col gap-1">
      {totalsOf(sums, caps).map(({ label, words, share }) => (
        <div key={label} className="flex flex-wrap justify-between gap-x-3">
          <dt>{label}</dt>
          <dd className="font-bold">{words}</dd>
          {share !== null && (
            <dd aria-hidden="true" className="h-2 w-full rounded-full bg-sand-200">
              <span
                className={`block h-full rounded-full ${share > 0.97 ? "bg-signal-600" : "bg-tide-600"}`}
                style={{ width: `${100 * share}%` }}
              />
            </dd>
          )}
        </div>
      ))}
    </dl>
  );
}
