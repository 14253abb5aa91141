import type { Cap } from "../caps/cap.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { type BlockedBy, bestVariant, cellWorth, type FittedCell, variantWorth } from "./cell.ts";
import { CellSearch } from "./cell-search.ts";
import type { FitPlan } from "./fit-plan.ts";
import type { FittedRow } from "./fitted-row.ts";
import { type FitMemory, type FitPerson, type PersonOptions, personOptionsIncrementally, selectOptions } from "./session.ts";
import { isOverSession, MINUTES_CHANNELS } from "./session-limits.ts";
import type { LimitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";

/** Why a cell is not the whole movement. */
export interface Explanation {
  /**
   * The smallest set of caps that binds: without all of them the cell keeps more, and no smaller part of the set does it.
   * Empty where no caps do.
   */
  readonly caps: readonly Cap[];
  /** What else stands in the way. */
  readonly gaveWay: BlockedBy | null;
  /** What the cell would be worth without those caps, 0 to 1. */
  readonly without: number;
}

/** A way that caps leave open in a cell, and how much of the movement is kept in it. */
export interface OpenWay {
  readonly way: PinnedVariant["way"];
  readonly kept: number;
}

/** The ways that a person's caps leave open in one block: what the instructor may hold them to. */
export function* openWaysIncrementally(
  plan: FitPlan,
  person: FitPerson,
  blockId: string,
  scarce: LimitedResources,
  library: VariantCache,
  memory: FitMemory,
): Generator<undefined, OpenWay[]> {
  const options = yield* personOptionsIncrementally(plan, person, scarce, library, memory);
  const each = options.blocks.find(({ block }) => block.id === blockId);
  if (!each) return [];
  const open = each.search
    .ways()
    .flat()
    .flatMap((way): OpenWay[] => {
      const form = each.search.best([way]);
      return form ? [{ way, kept: form.fidelity }] : [];
    });
  return [...open, { way: "rest", kept: 0 }];
}

/** Sets of caps larger than this are not looked for: no one could say in words what they do together. */
const MOST_TOGETHER = 4;
const MORE = 1e-9;

/** Every choice of so many of some things, in their order. */
function* choicesOf<Thing>(things: readonly Thing[], count: number, from = 0): Generator<Thing[]> {
  if (count === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= things.length - count; i += 1)
    for (const rest of choicesOf(things, count - 1, i + 1)) yield [things[i] as Thing, ...rest];
}

/** The smallest of the sets of some caps whose absence keeps more than a cell does now, tried from single caps upward. */
function* smallest(
  caps: readonly Cap[],
  now: number,
  keptWithout: (gone: readonly Cap[]) => Generator<undefined, number>,
): Generator<undefined, { caps: readonly Cap[]; without: number } | null> {
  for (let count = 1; count <= Math.min(MOST_TOGETHER, caps.length); count += 1) {
    let best: { caps: readonly Cap[]; without: number } | null = null;
    for (const gone of choicesOf(caps, count)) {
      const without = yield* keptWithout(gone);
      if (without > now + MORE && (best === null || without > best.without + MORE)) best = { caps: gone, without };
    }
    if (best) return best;
  }
  return null;
}

/** What a block's best form keeps without some caps, the session left aside. */
const keptInBlock = ({ search }: PersonOptions["blocks"][number], library: VariantCache) =>
  function* (gone: readonly Cap[]): Generator<undefined, number> {
    yield;
    const { question } = search.terms;
    const without = new CellSearch({ ...question, caps: question.caps.filter((cap) => !gone.includes(cap)) }, library);
    const best = bestVariant(without);
    return best === null ? (without.terms.breathing() ?? 0) : variantWorth(best);
  };

/**
 * Finds why one cell of a row is not the whole movement, in steps: some tens of cells are fitted again.
 *
 * @param blockId a block of the plan
 */
export function* explainIncrementally(
  plan: FitPlan,
  person: FitPerson,
  row: FittedRow,
  blockId: string,
  scarce: LimitedResources,
  library: VariantCache,
  memory: FitMemory,
): Generator<undefined, Explanation> {
  const at = plan.blocks.findIndex(({ id }) => id === blockId);
  const cell = row.cells[at] as FittedCell;
  const worth = cellWorth(cell);
  const nothing: Explanation = { caps: [], gaveWay: cell.gaveWay, without: cell.fidelity };
  if (cell.fidelity >= 1 - MORE) return { ...nothing, gaveWay: null };
  if (cell.gaveWay !== null) return nothing;
  const options = yield* personOptionsIncrementally(plan, person, scarce, library, memory);
  const each = options.blocks[at] as PersonOptions["blocks"][number];
  const best = Math.max(...each.all.map(({ worth }) => worth));
  if (worth < best - MORE) {
    const overSession = person.caps.filter((cap) => isOverSession(cap) || MINUTES_CHANNELS.includes(cap.limit.channel));
    const found = yield* smallest(overSession, worth, function* (gone) {
      const caps = person.caps.filter((cap) => !gone.includes(cap));
      const without = yield* personOptionsIncrementally(plan, { ...person, caps }, scarce, library, memory);
      return (selectOptions(without).chosen[at] as { worth: number }).worth;
    });
    return found ? { ...found, gaveWay: null } : { ...nothing, gaveWay: "changes" };
  }
  const found = yield* smallest(each.search.terms.broken(), worth, keptInBlock(each, library));
  return found ? { ...found, gaveWay: null } : nothing;
}
