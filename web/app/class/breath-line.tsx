import type { TrackSegment } from "@able-tide/core/movement/track";

const WIDTH = 560;
const LOW = 44;
const HIGH = 10;

/** Stretches of one breath direction, from and to in the repetition. */
function breaths(segments: readonly TrackSegment[]): { from: number; to: number; breath: "in" | "out" }[] {
  const joined: { from: number; to: number; breath: "in" | "out" }[] = [];
  for (const { from, to, breath } of segments) {
    const before = joined[joined.length - 1];
    if (before?.breath === breath) before.to = to;
    else joined.push({ from, to, breath });
  }
  return joined;
}

/** Height of the breath at a phase, 0 empty to 1 full. */
function fullness(stretches: ReturnType<typeof breaths>, phase: number): number {
  const stretch = stretches.find(({ to }) => phase <= to) ?? stretches[stretches.length - 1];
  if (!stretch) return 0;
  const u = (phase - stretch.from) / (stretch.to - stretch.from);
  const rise = (1 - Math.cos(Math.PI * u)) / 2;
  return stretch.breath === "in" ? rise : 1 - rise;
}

/** The breath of one repetition as a line with a float on it, and the words of each stretch under it. */
export function BreathLine({ segments, phase }: { segments: readonly TrackSegment[]; phase: number }) {
  const stretches = breaths(segments);
  const y = (at: number) => LOW + (HIGH - LOW) * fullness(stretches, at);
  const path = Array.from({ length: 57 }, (_, i) => `${i ? "L" : "M"}${(i / 56) * WIDTH} ${y(i / 56).toFixed(1)}`).join("");
  const said = segments.filter(({ say }) => say !== "");
  const now = segments.find(({ to }) => phase <= to);
  return (
    <div>
      <svg viewBox={`-14 0 ${WIDTH + 28} 56`} className="block h-14 w-full" aria-hidden="true">
        <path d={path} fill="none" stroke="var(--color-tide-300)" strokeWidth="4" strokeLinecap="round" />
        <circle cx={phase * WIDTH} cy={y(phase)} r="12" fill="var(--color-sand-50)" />
      </svg>
      <p className="flex min-h-8 flex-wrap gap-x-8 px-3 text-xl">
        {said.map((segment) => (
          <span key={segment.from} className={segment === now ? "font-bold text-sand-50" : "text-tide-200"}>
            {segment.say}
          </span>
        ))}
      </p>
    </div>
  );
}
