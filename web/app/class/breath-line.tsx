import type { TrackSegment } from "@able-tide/core/movement/track";

const WIDTH = 560;
const LOW = 44;
const HIGH = 10;

interface Stretch {
  from: number;
  to: number;
  readonly breath: "in" | "out" | "pause";
}

/** A whole breath on the way to one key pose is in and then out. */
const halves = ({ from, to, breath }: TrackSegment): Stretch[] => {
  if (breath !== "both") return [{ from, to, breath }];
  const middle = (from + to) / 2;
  return [
    { from, to: middle, breath: "in" },
    { from: middle, to, breath: "out" },
  ];
};

/** Stretches of one breath direction, from and to in the repetition. */
function breaths(segments: readonly TrackSegment[]): Stretch[] {
  const joined: Stretch[] = [];
  for (const stretch of segments.flatMap(halves)) {
    const before = joined[joined.length - 1];
    if (before?.breath === stretch.breath) before.to = stretch.to;
    else joined.push({ ...stretch });
  }
  return joined;
}

/** Height of the breath at a phase, 0 empty to 1 full. */
function fullness(stretches: ReturnType<typeof breaths>, phase: number): number {
  const found = stretches.findIndex(({ to }) => phase <= to);
  const at = found < 0 ? stretches.length - 1 : found;
  const stretch = stretches[at];
  if (!stretch) return 0;
  // A pause stays as full or as empty as the breath before it left the lungs; at the start that is the last one.
  if (stretch.breath === "pause") return stretches.at(at - 1)?.breath === "in" ? 1 : 0;
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
