import { itemAt } from "@able-tide/core/checked-access";
import type { Phase } from "@able-tide/core/movement/format";
import { planItemIdOf } from "@able-tide/core/plan/plan-item";

/** A block is never narrower than a finger needs. Pixels. */
const NARROWEST = 44;

/** Blocks narrower than this have their names upright. Pixels. */
export const WIDE_ENOUGH_TO_READ = 64;

export interface Span {
  readonly left: number;
  readonly right: number;
}

export interface BoardLayout {
  readonly width: number;
  readonly blocks: readonly Span[];
  /** The leave-safely minute at the end. */
  readonly leaving: Span;
}

/** Lays blocks along the board: each at least the narrowest, what is left shared out by their seconds. */
export function layBoard(blocks: readonly { readonly total: number }[], leaving: number, available: number): BoardLayout {
  const seconds = [...blocks.map((block) => block.total), leaving];
  const narrowest = NARROWEST * seconds.length;
  const width = Math.max(available, narrowest);
  const all = seconds.reduce((sum, each) => sum + each, 0);
  let left = 0;
  const spans = seconds.map((each): Span => {
    const span = { left, right: left + NARROWEST + ((width - narrowest) * each) / all };
    left = span.right;
    return span;
  });
  return { width, blocks: spans.slice(0, -1), leaving: itemAt(spans, spans.length - 1) };
}

/**
 * The place that a block being pulled would have: behind every other whose middle it has passed.
 *
 * @param from its place now
 * @param by how far it has been pulled, pixels
 */
export function placePulledTo(spans: readonly Span[], from: number, by: number): number {
  const middle = ({ left, right }: Span): number => (left + right) / 2;
  const own = spans[from];
  if (!own) return from;
  const at = middle(own) + by;
  return spans.filter((span, i) => i !== from && middle(span) < at).length;
}

/** The items of a plan along the board: the parts of a combination lie in one span. */
export function itemSpans(
  blocks: readonly { readonly id: string }[],
  spans: readonly Span[],
): readonly (Span & { readonly itemId: string })[] {
  const items: (Span & { itemId: string })[] = [];
  blocks.forEach(({ id }, i) => {
    const span = itemAt(spans, i);
    const itemId = planItemIdOf(id);
    const before = items[items.length - 1];
    if (before?.itemId === itemId) items[items.length - 1] = { ...before, right: span.right };
    else items.push({ ...span, itemId });
  });
  return items;
}

/** Neighbouring blocks of one phase as one stretch. */
export function phaseStretches(
  blocks: readonly { readonly phase: Phase }[],
  spans: readonly Span[],
): readonly (Span & { readonly phase: Phase })[] {
  const stretches: (Span & { phase: Phase })[] = [];
  blocks.forEach(({ phase }, i) => {
    const span = itemAt(spans, i);
    const before = stretches[stretches.length - 1];
    if (before?.phase === phase) stretches[stretches.length - 1] = { ...before, right: span.right };
    else stretches.push({ ...span, phase });
  });
  return stretches;
}
