import type { Cap } from "../caps/cap.ts";
import { itemAt } from "../checked-access.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { type BlockedBy, bestVariant, cellWorth, variantWorth } from "./cell.ts";
import type { FitPlan } from "./fit-plan.ts";
import type { FittedRow } from "./fitted-row.ts";
import { createSearch } from "./hold-search.ts";
import { type FitMemory, type FitPerson, type PersonOptions, personOptionsIncrementally, selectOptions } from "./session.ts";
import { isOverSession, MINUTES_CHANNELS } from "./session-limits.ts";
import type { LimitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";

/** Why a cell is not the whole movement. */
export interface Explanation {
  /**
   * The smallest set of caps that binds: without all of them the cell keeps more, and no smaller part of the set does
   * it. Empty where no caps do.
   */
  readonly caps: readonly Cap[];
  /** What else stands in the way. */
  readonly gaveWay: BlockedBy | null;
  /** What the cell would be worth without those caps, 0 to 1. */
  readonly without: number;
}

/** A mode that caps leave open in a cell, and how much of the movement is kept in it. */
export interface AllowedMode {
  readonly mode: PinnedVariant["way"];
  readonly fidelity: number;
}

/**
 * Finds the support modes that a participant's caps leave open in one item: what the instructor may pin.
 *
 * @param plan what is taught
 * @param person whose caps apply
 * @param blockId item of the plan
 * @param scarce resources that may run short
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function* allowedModesIncrementally(
  plan: FitPlan,
  person: FitPerson,
  blockId: string,
  scarce: LimitedResources,
  variants: VariantCache,
  memory: FitMemory,
): Generator<undefined, AllowedMode[]> {
  const options = yield* personOptionsIncrementally(plan, person, scarce, variants, memory);
  const each = options.blocks.find(({ block }) => block.id === blockId);
  if (!each) return [];
  const open = each.search
    .modes()
    .flat()
    .flatMap((mode): AllowedMode[] => {
      const form = each.search.best([mode]);
      return form ? [{ mode, fidelity: form.fidelity }] : [];
    });
  return [...open, { mode: "mind", fidelity: 0 }, { mode: "rest", fidelity: 0 }];
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
    for (const rest of choicesOf(things, count - 1, i + 1)) yield [itemAt(things, i), ...rest];
}

/**
 * The smallest of the sets of some caps whose absence keeps more than a cell does now, tried from single caps upward.
 */
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

/** What a block's best variant keeps without some caps, the session left aside. */
const keptInBlock = ({ search }: PersonOptions["blocks"][number], variants: VariantCache) =>
  function* (gone: readonly Cap[]): Generator<undefined, number> {
    yield;
    const { input } = search.terms;
    const without = createSearch({ ...input, caps: input.caps.filter((cap) => !gone.includes(cap)) }, variants);
    const best = bestVariant(without);
    return best === null ? (without.terms.breathing() ?? 0) : variantWorth(best);
  };

/**
 * Finds which caps keep one cell of a row from the planned variant, by fitting the cell without them: some tens of
 * fits.
 *
 * @param plan what is taught
 * @param person whose row it is
 * @param row the fitted row
 * @param blockId item of the plan
 * @param scarce resources that may run short
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function* explainIncrementally(
  plan: FitPlan,
  person: FitPerson,
  row: FittedRow,
  blockId: string,
  scarce: LimitedResources,
  variants: VariantCache,
  memory: FitMemory,
): Generator<undefined, Explanation> {
  const at = plan.blocks.findIndex(({ id }) => id === blockId);
  const cell = itemAt(row.cells, at);
  const worth = cellWorth(cell);
  const nothing: Explanation = { caps: [], gaveWay: cell.gaveWay, without: cell.fidelity };
  if (cell.fidelity >= 1 - MORE) return { ...nothing, gaveWay: null };
  if (cell.gaveWay !== null) return nothing;
  const options = yield* personOptionsIncrementally(plan, person, scarce, variants, memory);
  const each = itemAt(options.blocks, at);
  const best = Math.max(...each.all.map(({ worth }) => worth));
  if (worth < best - MORE) {
    const overSession = person.caps.filter((cap) => isOverSession(cap) || MINUTES_CHANNELS.includes(cap.limit.channel));
    const found = yield* smallest(overSession, worth, function* (gone) {
      const caps = person.caps.filter((cap) => !gone.includes(cap));
      const without = yield* personOptionsIncrementally(plan, { ...person, caps }, scarce, variants, memory);
      return itemAt(selectOptions(without).chosen, at).worth;
    });
    return found ? { ...found, gaveWay: null } : { ...nothing, gaveWay: "changes" };
  }
  const found = yield* smallest(each.search.terms.broken(), worth, keptInBlock(each, variants));
  return found ? { ...found, gaveWay: null } : nothing;
}
