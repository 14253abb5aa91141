import { column, type MidlineRange, type SidedRange, sidedColumn, sidedColumns } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import type { Demand } from "../movement/demand.ts";
import { recordOf } from "../named.ts";
import { CONTENTS, type Content, type SessionPurpose } from "../plan/purpose.ts";
import type { ScheduledItem } from "../schedule/schedule-plan.ts";
import { pairOf } from "../side.ts";
import type { PlanAnalysis } from "./analyze-plan.ts";
import type { TurnDemands } from "./side-balance.ts";

const share = (value: number, from: number, full: number): number => Math.min(1, Math.max(0, (value - from) / (full - from)));

const sidedSpan = ({ highest, lowest }: Demand, name: SidedRange): number =>
  Math.max(...sidedColumns(name).map((index) => numberAt(highest, index) - numberAt(lowest, index)));
const midlineSpan = ({ highest, lowest }: Demand, name: MidlineRange): number =>
  numberAt(highest, column(name)) - numberAt(lowest, column(name));
const sidedPeak = ({ highest }: Demand, name: Parameters<typeof sidedColumns>[0]): number =>
  Math.max(...sidedColumns(name).map((index) => numberAt(highest, index)));

/** Degrees from which a range counts, and at which it counts in full. */
const sided = (demand: Demand, name: SidedRange, from: number, full: number) => share(sidedSpan(demand, name), from, full);
const midline = (demand: Demand, name: MidlineRange, from: number, full: number) => share(midlineSpan(demand, name), from, full);

type Rates = Readonly<Record<Content, number>>;

/** How much a turn trains each, 0 to 1. */
function ratesOf(demand: Demand, block: ScheduledItem): Rates {
  const { keys } = block.movement;
  const seated = block.plannedVariant.kind === "seated";
  const steadiness = demand.balance.total;
  const asymmetry = share(
    Math.max(
      ...(["shoulderElevation", "shoulderPlane", "elbow"] as const).map((name) => {
        const [left, right] = pairOf((side) => numberAt(demand.mean, sidedColumn(name, side)));
        return Math.abs(left - right);
      }),
    ),
    5,
    40,
  );
  const learning = block.familiarity === "new" ? 0.5 : block.familiarity === "second" ? 0.25 : 0;
  return {
    steadiness: seated ? share(steadiness, 0.5, 3) : share(steadiness, 2.5, 5.5),
    spine: Math.max(
      midline(demand, "spineFlexion", 8, 30),
      midline(demand, "spineSideBend", 8, 25),
      midline(demand, "spineRotation", 8, 40),
    ),
    neckAndShoulders: Math.max(
      sided(demand, "shoulderElevation", 20, 90),
      sided(demand, "shoulderPlane", 30, 90),
      midline(demand, "headRotation", 15, 70),
      midline(demand, "headSideBend", 15, 45),
      midline(demand, "headFlexion", 8, 30),
    ),
    hipsAndKnees: Math.max(
      share(sidedPeak(demand, "loadedKnee"), 10, 35),
      sided(demand, "hipFlexion", 12, 45),
      sided(demand, "knee", 15, 60),
    ),
    anklesAndFeet: sided(demand, "dorsiflexion", 8, 28),
    handsAndWrists: Math.max(sided(demand, "forearm", 20, 70), sided(demand, "wrist", 15, 45)),
    // Calm counts movements of low demand; breath counts those that move with each breath.
    calmBreath: (1 - share(steadiness, seated ? 1 : 3.2, 4)) * (1 - share(sidedPeak(demand, "loadedKnee"), 15, 35)),
    memory: Math.min(1, 0.6 * share(keys.length, 2, 6) + 0.3 * asymmetry + 0.3 * share(demand.steps.length, 0, 2) + learning),
  };
}

/** Seconds of each content in one block. */
export function itemContent(block: ScheduledItem, demands: TurnDemands): Rates {
  const seconds = recordOf(CONTENTS, () => 0);
  block.turns.forEach(({ rounds }, turn) => {
    const demand = demands[turn];
    if (!demand) return;
    const rates = ratesOf(demand, block);
    for (const name of CONTENTS) seconds[name] += rates[name] * rounds * block.cycleSeconds;
  });
  return seconds;
}

/** Of the time that is moved, at least this much should be what the session is for; and no other more than that. */
export const PURPOSE_SHARE = 0.35;
const OVERDONE_SHARE = 0.6;
/** Seconds of everything else that a session should not be without. */
const SOME_OF_ALL = 60;

/** What one session has of one content. */
export interface ContentReading {
  readonly content: Content;
  readonly seconds: number;
  /** Of the seconds moved. */
  readonly share: number;
  /** Seconds that are missing for the purpose. */
  readonly missing: number;
  readonly overdone: boolean;
}

/** What a session trains, against its purpose. @param purpose what it is for; null where no one has said */
export function readContent({ reading, demands }: PlanAnalysis, purpose: SessionPurpose | null): ContentReading[] {
  const moved = reading.blocks.reduce((sum, { parts }) => sum + parts.repetitions, 0);
  const blocks = reading.blocks.map((block, i) => itemContent(block, demands[i] ?? []));
  const seated = reading.blocks.every(({ plannedVariant }) => plannedVariant.kind === "seated");
  return CONTENTS.map((name): ContentReading => {
    const seconds = blocks.reduce((sum, each) => sum + each[name], 0);
    const part = moved > 0 ? seconds / moved : 0;
    // A group that sits throughout has little balance to train.
    const some = seated && name === "steadiness" ? 0 : Math.min(SOME_OF_ALL, 0.1 * moved);
    const wanted = name === purpose ? PURPOSE_SHARE * moved : some;
    const overdone = name !== purpose && name !== "calmBreath" && part > OVERDONE_SHARE;
    return { content: name, seconds, share: part, missing: Math.max(0, wanted - seconds), overdone };
  });
}

/** The muscles that a session can wear out, with what counts as hard for one block. */
export const STRAINS = [
  { name: "shoulders", hard: 0.7 },
  { name: "knees", hard: 28 },
  { name: "back", hard: 0.03 },
  { name: "oneLeg", hard: 0.3 },
] as const;
export type Strain = (typeof STRAINS)[number]["name"];

function strainOf(demand: Demand, name: Strain): number {
  const { cycleSeconds } = demand;
  switch (name) {
    case "shoulders":
      return Math.max(...demand.heldOutSeconds) / cycleSeconds;
    case "knees":
      return sidedPeak(demand, "loadedKnee");
    case "back":
      return numberAt(demand.highest, column("lowBackLoad"));
    case "oneLeg":
      return Math.max(...demand.oneLegSeconds) / cycleSeconds;
  }
}

/** A run of blocks that are hard on the same. */
export interface StrainSequence {
  readonly strain: Strain;
  readonly blockIds: readonly string[];
}

/** From so many blocks in a row it is shown. */
const RUN = 3;

/** Three or more blocks in a row that are hard on the same shoulders, knees, back or leg. */
export function strainSequences({ reading, demands }: PlanAnalysis): StrainSequence[] {
  return STRAINS.flatMap(({ name, hard }) => {
    const runs: StrainSequence[] = [];
    // The parts of a combination come back in every pass: each movement of it counts once.
    let run = new Map<string, string>();
    const close = () => {
      if (run.size >= RUN) runs.push({ strain: name, blockIds: [...run.values()] });
      run = new Map();
    };
    reading.blocks.forEach(({ id, movement, part }, i) => {
      const isHard = (demands[i] ?? []).some((demand) => strainOf(demand, name) >= hard);
      const counted = part === null ? id : `${part.item.id} ${movement.id}`;
      if (!isHard) close();
      else if (!run.has(counted)) run.set(counted, id);
    });
    close();
    return runs;
  });
}
