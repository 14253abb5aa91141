import { handOver, LANDMARK_TOLERANCE, LANDMARKS, sidedColumn } from "@able-tide/core/body/channels";
import { type Cap, sidesOf } from "@able-tide/core/caps/cap";
import { strictestNumber } from "@able-tide/core/caps/effective";
import { numberAt } from "@able-tide/core/checked-access";
import type { Demand } from "@able-tide/core/movement/demand";
import { SIDES, type Side, sideIndex } from "@able-tide/core/side";

interface Bar {
  readonly label: string;
  readonly words: string;
  /** Shares of the bar's length. */
  readonly filled: number;
  readonly cap: number | null;
}

const most = (demands: readonly Demand[], of: (demand: Demand) => number): number => Math.max(0, ...demands.map(of));

/** The highest landmark a hand goes above, and how many it has below it. */
function handReach(demands: readonly Demand[], side: Side): number {
  const over = (name: Parameters<typeof sidedColumn>[0]) =>
    most(demands, (demand) => numberAt(demand.highest, sidedColumn(name, side)));
  return LANDMARKS.filter((landmark) => over(handOver(landmark)) > LANDMARK_TOLERANCE).length;
}

function handCap(caps: readonly Cap[], side: Side): number | null {
  const limits = caps.flatMap(({ limit }) =>
    limit.channel === "handHeight" && sidesOf(limit).includes(side) ? [LANDMARKS.indexOf(limit.limit)] : [],
  );
  return limits.length > 0 ? Math.min(...limits) : null;
}

const heightWords = (below: number): string => {
  const landmark = LANDMARKS[below - 1];
  return landmark === undefined ? "below lap height" : `over ${landmark}`;
};

function barsOf(demands: readonly Demand[], caps: readonly Cap[], rounds: number): Bar[] {
  const column = (name: Parameters<typeof sidedColumn>[0]) =>
    most(demands, (demand) => Math.max(...SIDES.map((side) => numberAt(demand.highest, sidedColumn(name, side)))));
  const steadiness = most(demands, (demand) => demand.balance.total);
  const knee = column("loadedKnee");
  const ankle = column("heelDownDorsiflexion");
  const oneLeg = most(demands, (demand) => Math.max(...demand.longestOneLeg));
  const above = SIDES.map(
    (side) => rounds * demands.reduce((sum, demand) => sum + demand.handAboveShoulderSeconds[sideIndex(side)], 0),
  );
  return [
    scaled("Balance demand", steadiness.toFixed(1), steadiness, 10, strictestNumber(caps, "steadiness")),
    ...SIDES.map((side) => {
      const reach = handReach(demands, side);
      const cap = handCap(caps, side);
      return scaled(side === "left" ? "Left hand" : "Right hand", heightWords(reach), reach, LANDMARKS.length, cap);
    }),
    scaled("Knee bend under load", `${Math.round(knee)}°`, knee, 90, strictestNumber(caps, "loadedKnee")),
    scaled("Ankle bend", `${Math.round(ankle)}°`, ankle, 30, strictestNumber(caps, "dorsiflexion")),
    ...waterBars(demands),
    ...(oneLeg > 0
      ? [scaled("Time on one leg", `${oneLeg.toFixed(1)} s`, oneLeg, 15, strictestNumber(caps, "oneLegSeconds"))]
      : []),
    ...(Math.max(...above) > 0.5
      ? [scaled("Time with hands above shoulders", `${Math.round(Math.max(...above))} s`, Math.max(...above), 180, null)]
      : []),
  ];
}

const scaled = (label: string, words: string, value: number, full: number, cap: number | null): Bar => ({
  label,
  words,
  filled: Math.min(1, value / full),
  cap: cap === null ? null : Math.min(1, cap / full),
});

/** What is left on the feet in water, and what the arms meet there, newton metres. */
function waterBars(demands: readonly Demand[]): Bar[] {
  const waters = demands.flatMap(({ water }) => water ?? []);
  if (waters.length === 0) return [];
  const least = Math.min(...waters.map(({ leastWeight }) => leastWeight));
  const arms = Math.max(0, ...waters.flatMap(({ drag }) => drag?.shoulder ?? []));
  const note = waters.some(({ outOfDepth }) => outOfDepth) ? "Water too deep to stand" : `${Math.round(100 * least)}%`;
  return [
    scaled("Weight on feet", note, least, 1, null),
    scaled("Water resistance on arms", `${arms.toFixed(1)} N m`, arms, 30, null),
  ];
}

/** The demand of the variant, next to the participant's caps: a bar each, the cap as a mark across it. */
export function DemandBars(props: { demands: readonly Demand[]; caps: readonly Cap[]; rounds: number }) {
  return (
    <dl className="flex flex-col gap-2">
      {barsOf(props.demands, props.caps, props.rounds).map((bar) => (
        <div key={bar.label} className="grid grid-cols-[1fr_auto] gap-x-3">
          <dt>{bar.label}</dt>
          <dd className="text-right font-bold">{bar.words}</dd>
          <dd className="relative col-span-2 h-2.5 rounded-full bg-sand-200" aria-hidden="true">
            <span className="absolute inset-y-0 left-0 rounded-full bg-tide-600" style={{ width: `${100 * bar.filled}%` }} />
            {bar.cap !== null && (
              <span className="absolute -inset-y-1 w-[3px] bg-signal-600" style={{ left: `calc(${100 * bar.cap}% - 1px)` }} />
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}
