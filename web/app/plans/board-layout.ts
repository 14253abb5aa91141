import type { Phase } from "@able-tide/core/movement/format";
import type { PlanTime } from "@able-tide/core/plan/time";

/** A block is never narrower than a finger and its name need. Pixels. */
const NARROWEST = 66;

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
export function layBoard(time: PlanTime, available: number): BoardLayout {
  const seconds = [...time.blocks.map((block) => block.total), time.leaveSafely];
  const narrowest = NARROWEST * seconds.length;
  const width = Math.max(available, narrowest);
  const all = seconds.reduce((sum, each) => sum + each, 0);
  let left = 0;
  const spans = seconds.map((each): Span => {
    const span = { left, right: left + NARROWEST + ((width - narrowest) * each) / all };
    left = span.right;
    return span;
  });
  return { width, blocks: spans.slice(0, -1), leaving: spans[spans.length - 1] as Span };
}

/** Neighbouring blocks of one phase as one stretch. */
export function phaseStretches(
  blocks: readonly { readonly phase: Phase }[],
  spans: readonly Span[],
): readonly (Span & { readonly phase: Phase })[] {
  const stretches: (Span & { phase: Phase })[] = [];
  blocks.forEach(({ phase }, i) => {
    const span = spans[i] as Span;
    const before = stretches[stretches.length - 1];
    if (before?.phase === phase) stretches[stretches.length - 1] = { ...before, right: span.right };
    else stretches.push({ ...span, phase });
  });
  return stretches;
}
