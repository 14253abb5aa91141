import type { Cap } from "../caps/cap.ts";
import { itemAt } from "../checked-access.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { cellWorth, fitCell } from "./cell.ts";
import type { Explanation } from "./explain.ts";
import type { FitPlan } from "./fit-plan.ts";
import { rowOf } from "./fitted-row.ts";
import { type FitMemory, type FitPerson, type PersonOptions, personOptionsIncrementally, selectOptions } from "./session.ts";
import { isOverSession, MINUTES_CHANNELS } from "./session-limits.ts";
import type { LimitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";

/** Where an explanation is checked. */
export interface Checked {
  readonly plan: FitPlan;
  readonly person: FitPerson;
  readonly block: number;
  readonly scarce: LimitedResources;
  readonly variants: VariantCache;
  readonly memory: FitMemory;
}

const optionsOf = ({ plan, scarce, variants, memory }: Checked, person: FitPerson): PersonOptions =>
  runToCompletion(personOptionsIncrementally(plan, person, scarce, variants, memory));

/** What a block's best variant is worth for a person without some caps, fitted on its own. */
function worthAlone(checked: Checked, gone: readonly Cap[]): number {
  const options = optionsOf(checked, checked.person);
  const { input } = itemAt(options.blocks, checked.block).search.terms;
  return cellWorth(fitCell({ ...input, caps: input.caps.filter((cap) => !gone.includes(cap)) }, checked.variants));
}

/** What the block is worth in the whole session without some caps, all equipment and help to themselves. */
function worthInSession(checked: Checked, gone: readonly Cap[]): number {
  const { person, block } = checked;
  const options = optionsOf(checked, { ...person, caps: person.caps.filter((cap) => !gone.includes(cap)) });
  const cell = rowOf(options, selectOptions(options)).cells[block];
  return cell ? cellWorth(cell) : 0;
}

/** Every part of a set but the whole of it. */
const smallerParts = (caps: readonly Cap[]): Cap[][] =>
  Array.from({ length: 2 ** caps.length - 1 }, (_, bits) => caps.filter((_, i) => (bits >> i) % 2 === 1));

/**
 * What is untrue of an explanation that names caps, by fitting again without them and without each smaller part; null
 * where it is true.
 */
export function untrueOf(checked: Checked, { caps }: Explanation): string | null {
  const overSession = caps.some((cap) => isOverSession(cap) || MINUTES_CHANNELS.includes(cap.limit.channel));
  const worth = overSession ? worthInSession : worthAlone;
  const now = worth(checked, []);
  if (worth(checked, caps) <= now) return "without these caps the cell keeps no more";
  const enough = smallerParts(caps).some((part) => worth(checked, part) > now + 1e-9);
  return enough ? "a smaller part of these caps does the same" : null;
}
