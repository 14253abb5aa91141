import { addDays, daysBetween } from "@able-tide/core/calendar";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";
import { formatLimitation } from "@able-tide/words/limitations";
import type { StoredCap } from "../../server/people/caps.ts";
import type { StoredLimitation } from "../../server/people/limitations.ts";
import { shortDay } from "../days.ts";

/** Weeks behind and ahead of today that the picture shows. */
const WEEKS = { behind: 18, ahead: 8 } as const;
const SPAN = 7 * (WEEKS.behind + WEEKS.ahead);
/** Weeks between two marks of the time axis. */
const MARKS = 4;

interface Stretch {
  readonly key: string;
  readonly from: string;
  readonly to: string | null;
  /** The day of its review or its end. */
  readonly date: string | null;
}

/** One line of the picture: what it is about and the stretches in which it held. */
interface Line {
  readonly key: string;
  readonly label: string;
  readonly look: string;
  readonly under: boolean;
  readonly stretches: readonly Stretch[];
}

const stretchOfCap = (cap: StoredCap): Stretch => ({
  key: cap.id,
  from: cap.from,
  to: cap.ended?.at.slice(0, 10) ?? (cap.strength === "comfort" ? cap.until : null),
  date: cap.until,
});

/** Caps that say the same, one after the other, share a line. */
function linesOfCaps(caps: readonly StoredCap[], under: boolean): Line[] {
  const byLabel = new Map<string, StoredCap[]>();
  for (const cap of caps) {
    const label = formatCapLimitBriefly(cap.limit);
    byLabel.set(label, [...(byLabel.get(label) ?? []), cap]);
  }
  return [...byLabel].map(([label, same]) => ({
    key: same[0]?.id ?? label,
    label,
    look: "bg-tide-300",
    under,
    stretches: same.map(stretchOfCap),
  }));
}

function Bar({ stretch, start, look }: { stretch: Stretch; start: string; look: string }) {
  const at = (day: string): number => Math.min(100, Math.max(0, (100 * daysBetween(start, day)) / SPAN));
  const from = at(stretch.from);
  const to = stretch.to === null ? 100 : at(stretch.to);
  return (
    <>
      <div
        className={`absolute inset-y-1 rounded-full ${look}`}
        style={{ left: `${from}%`, width: `${Math.max(0.8, to - from)}%` }}
      />
      {stretch.date !== null && stretch.to === null && at(stretch.date) < 100 && at(stretch.date) > 0 && (
        <div className="absolute inset-y-0 w-[3px] bg-signal-600" style={{ left: `${at(stretch.date)}%` }} />
      )}
    </>
  );
}

/** A line for each limitation with its caps under it, then the caps that belong to none. */
function linesOf(limitations: readonly StoredLimitation[], shown: readonly StoredCap[]): Line[] {
  const lines = limitations.flatMap((limitation): Line[] => {
    const rule = limitationRule(limitation.rule);
    if (!rule) return [];
    const itself = {
      key: limitation.id,
      from: limitation.eventDay ?? limitation.setAt.slice(0, 10),
      to: limitation.ended?.at.slice(0, 10) ?? null,
      date: null,
    };
    return [
      {
        key: limitation.id,
        label: formatLimitation(limitation),
        look: "bg-tide-700",
        under: false,
        stretches: [itself],
      },
      ...linesOfCaps(
        shown.filter(({ limitationId }) => limitationId === limitation.id),
        true,
      ),
    ];
  });
  lines.push(
    ...linesOfCaps(
      shown.filter(({ limitationId }) => limitationId === null),
      false,
    ),
  );
  return lines;
}

/** Days under the lines, every few weeks. */
function WeekMarks({ start, today }: { start: string; today: string }) {
  const marks = Array.from({ length: (WEEKS.behind + WEEKS.ahead) / MARKS }, (_, i) =>
    addDays(today, 7 * (MARKS * i - WEEKS.behind + 2)),
  );
  return (
    <div className="relative h-6 text-sand-600" aria-hidden="true">
      {marks.map((day) => (
        <span
          key={day}
          className="absolute -translate-x-1/2 whitespace-nowrap"
          style={{ left: `${(100 * daysBetween(start, day)) / SPAN}%` }}
        >
          {shortDay(day)}
        </span>
      ))}
    </div>
  );
}

/** A person's limitations as stretches of weeks with the caps that followed beneath; marks show the dates that ask. */
export function LimitsOverWeeks({
  limitations,
  caps,
  today,
}: {
  limitations: readonly StoredLimitation[];
  caps: readonly StoredCap[];
  today: string;
}) {
  const start = addDays(today, -7 * WEEKS.behind);
  const shown = caps.filter(({ origin, ended }) => origin === "person" && (ended === null || ended.at.slice(0, 10) >= start));
  const lines = linesOf(limitations, shown);
  if (lines.length === 0) return null;
  const todayAt = (100 * WEEKS.behind) / (WEEKS.behind + WEEKS.ahead);
  return (
    <figure className="rounded-soft border border-sand-300 bg-white p-4">
      <div className="grid grid-cols-[minmax(10rem,20rem)_1fr] gap-x-4">
        {lines.map(({ key, label, look, under, stretches }) => (
          <div key={key} className="col-span-2 grid grid-cols-subgrid items-center">
            <span className={`leading-tight ${under ? "pl-5 text-sand-600" : "font-semibold"}`}>{label}</span>
            <div className="relative h-6 border-l border-sand-200">
              {stretches.map((stretch) => (
                <Bar key={stretch.key} stretch={stretch} start={start} look={look} />
              ))}
              <div className="absolute inset-y-0 border-l-2 border-dashed border-tide-800" style={{ left: `${todayAt}%` }} />
            </div>
          </div>
        ))}
        <span />
        <WeekMarks start={start} today={today} />
      </div>
      <figcaption className="mt-1 text-sand-600">
        Dashed line: today. Dark bars: limitations. Light bars: caps. Orange mark: review date.
      </figcaption>
    </figure>
  );
}
