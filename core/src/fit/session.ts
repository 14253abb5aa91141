import { buildOf, type MeasuredBody } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import type { Demand } from "../movement/demand.ts";
import type { FormChoice } from "../movement/form.ts";
import type { Movement } from "../movement/format.ts";
import type { Turn } from "../plan/count.ts";
import { inOneGo } from "../steps.ts";
import { cellOnFeet, type FittedCell, fitCell, restCell } from "./cell.ts";
import type { FormLibrary } from "./form-library.ts";
import { type BlockOption, chooseOverSession, SESSION_CHANNELS, type SessionLimits, sessionLimits } from "./over-session.ts";

/** A person as the fit needs them. */
export interface FitPerson {
  readonly id: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  /** Caps that hold on the day. */
  readonly caps: readonly Cap[];
}

/** A block as the fit needs it: what the room does, on which sides, at what pace and for how long. */
export interface FitBlock {
  readonly id: string;
  readonly movement: Movement;
  readonly meant: FormChoice;
  readonly turns: readonly Turn[];
  readonly breathSeconds: number;
  /** Seconds of the whole block, and when it ends. */
  readonly total: number;
  readonly to: number;
}

export interface FitPlan {
  readonly blocks: readonly FitBlock[];
}

/** What the fit takes of a plan that was read. */
export const fitPlanOf = ({ blocks }: { readonly blocks: readonly FitBlock[] }): FitPlan => ({
  blocks: blocks.map(({ id, movement, meant, turns, breathSeconds, total, to }) => ({
    id,
    movement,
    meant,
    turns: turns.map(({ lead, rounds }) => ({ lead, rounds })),
    breathSeconds,
    total,
    to,
  })),
});

/** The most rounds that one side of a block has. */
export const mostRounds = ({ turns }: Pick<FitBlock, "turns">): number => Math.max(0, ...turns.map(({ rounds }) => rounds));

/** One person's cells, block by block, and what they add up to. */
export interface FittedRow {
  readonly personId: string;
  readonly cells: readonly FittedCell[];
  /** Seconds on the feet over the whole session. */
  readonly standingSeconds: number;
}

/** What spends a sum over the session, and a cap that stops a block from spending any of it. */
const SPENDERS = [
  { name: "standing", channels: ["standingMinutes", "standingMinutesAtATime"], without: null },
  {
    name: "oneLeg",
    channels: ["oneLegSecondsInAll"],
    without: { channel: "oneLegSeconds", side: "both", limit: 0 },
  },
  {
    name: "handsUp",
    channels: ["handsUpSecondsInAll"],
    without: { channel: "handHeight", side: "both", limit: "shoulder" },
  },
] as const;
type Spender = (typeof SPENDERS)[number];

/** A cap of the session's own making: this block is to spend nothing of a sum. */
const sparing = (limit: Cap["limit"]): Cap => ({
  id: "over-session",
  limit,
  forms: null,
  reason: "spent over the session",
  source: "the session",
  strength: "comfort",
  from: "0001-01-01",
  until: null,
  dateKind: "review",
});

/** Every choice of some of the spenders, the empty one first. */
const subsets = (spenders: readonly Spender[]): Spender[][] =>
  Array.from({ length: 2 ** spenders.length }, (_, bits) => spenders.filter((_, i) => (bits >> i) % 2 === 1));

/** What a cell spends over its block. */
function optionOf(cell: FittedCell, { turns, total: seconds }: FitBlock): BlockOption {
  const total = (of: (demand: Demand) => readonly [number, number]): [number, number] =>
    cell.demands.reduce<[number, number]>(
      (sum, demand, turn) => {
        const rounds = Math.min(cell.rounds, turns[turn]?.rounds ?? 0);
        return [sum[0] + rounds * of(demand)[0], sum[1] + rounds * of(demand)[1]];
      },
      [0, 0],
    );
  return {
    standing: cellOnFeet(cell) ? Math.ceil(seconds) : 0,
    oneLeg: total((demand) => demand.oneLegSeconds),
    handsUp: total((demand) => demand.handAboveShoulderSeconds),
    worth: cell.fidelity,
  };
}

/** The spenders that the cells as they are would spend more of than a limit leaves. */
function overspent(options: readonly BlockOption[], limits: SessionLimits): Spender[] {
  const sum = (of: (option: BlockOption) => number): number => options.reduce((all, option) => all + of(option), 0);
  let run = 0;
  let longestRun = 0;
  for (const { standing } of options) {
    run = standing > 0 ? run + standing : 0;
    longestRun = Math.max(longestRun, run);
  }
  const over = {
    standing: sum((option) => option.standing) > limits.standing || longestRun > limits.standingAtATime,
    oneLeg: ([0, 1] as const).some((i) => sum((option) => option.oneLeg[i]) > limits.oneLeg[i]),
    handsUp: ([0, 1] as const).some((i) => sum((option) => option.handsUp[i]) > limits.handsUp[i]),
  };
  return SPENDERS.filter(({ name }) => over[name]);
}

/** Fits one block while sparing some sums. */
type FitSparing = (block: number, spared: readonly Spender[]) => FittedCell;

/** Chooses again where the cells spend more than caps on sums and runs leave; a block that gave way says why. */
function withinTheSession(
  cells: readonly FittedCell[],
  blocks: readonly FitBlock[],
  person: FitPerson,
  fit: FitSparing,
): readonly FittedCell[] {
  const limits = sessionLimits(person.caps);
  const spenders = overspent(
    cells.map((cell, i) => optionOf(cell, blocks[i] as FitBlock)),
    limits,
  );
  if (spenders.length === 0) return cells;
  const because = person.caps.filter(({ limit }) =>
    spenders.some(({ channels }) => (channels as readonly string[]).includes(limit.channel)),
  );
  const ways = cells.map((cell, i) => [
    ...subsets(spenders).map((spared) => (spared.length === 0 ? cell : fit(i, spared))),
    restCell(cell.because),
  ]);
  const chosen = chooseOverSession(
    ways.map((options, i) => options.map((cell) => optionOf(cell, blocks[i] as FitBlock))),
    limits,
  );
  return cells.map((cell, i) => {
    const number = chosen[i] as number;
    const way = (ways[i] as FittedCell[])[number] as FittedCell;
    return number === 0 ? cell : { ...way, because: [...new Set([...cell.because, ...because])] };
  });
}

/** Blocks that begin or go on beyond the minutes a person has in the session are spent at rest. */
function withinTheMinutes(cells: readonly FittedCell[], ends: readonly number[], caps: readonly Cap[]): readonly FittedCell[] {
  const limits = caps.flatMap((cap) => (cap.limit.channel === "sessionMinutes" ? [{ cap, seconds: 60 * cap.limit.limit }] : []));
  return cells.map((cell, i) => {
    const spent = limits.filter(({ seconds }) => (ends[i] as number) > seconds).map(({ cap }) => cap);
    return spent.length > 0 ? restCell([...cell.because, ...spent]) : cell;
  });
}

/** Caps that one block can be held against. */
const blockCaps = (caps: readonly Cap[]): Cap[] => caps.filter(({ limit }) => !SESSION_CHANNELS.includes(limit.channel));

/**
 * Fits one person to every block of a plan, within what they may do over the whole session, a block at a time: whoever
 * runs it may let other work in between.
 */
export function* fitPersonInSteps(plan: FitPlan, person: FitPerson, library: FormLibrary): Generator<undefined, FittedRow> {
  const { blocks } = plan;
  const build = buildOf(person.measured, person.stature);
  const caps = blockCaps(person.caps);
  const fit: FitSparing = (number, spared) => {
    const block = blocks[number] as FitBlock;
    const question = {
      movement: block.movement,
      rounds: mostRounds(block),
      leads: block.turns.map(({ lead }) => lead),
      meant: block.meant,
      breathSeconds: block.breathSeconds,
      stature: person.stature,
      build,
      caps: [...caps, ...spared.flatMap(({ without }) => (without === null ? [] : [sparing(without)]))],
    };
    return fitCell(question, library, !spared.some(({ name }) => name === "standing"));
  };
  const fitted: FittedCell[] = [];
  for (const number of blocks.keys()) {
    fitted.push(fit(number, []));
    yield;
  }
  const present = withinTheMinutes(
    fitted,
    blocks.map(({ to }) => to),
    person.caps,
  );
  const cells = withinTheSession(present, blocks, person, (number, spared) =>
    present[number] === fitted[number] ? fit(number, spared) : (present[number] as FittedCell),
  );
  const standingSeconds = cells.reduce((sum, cell, i) => sum + optionOf(cell, blocks[i] as FitBlock).standing, 0);
  return { personId: person.id, cells, standingSeconds };
}

/** Fits one person to every block of a plan in one go. */
export function fitPerson(plan: FitPlan, person: FitPerson, library: FormLibrary): FittedRow {
  return inOneGo(fitPersonInSteps(plan, person, library));
}
