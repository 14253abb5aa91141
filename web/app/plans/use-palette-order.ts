import type { VariantCache } from "@able-tide/core/fit/variant-cache";
import type { Movement } from "@able-tide/core/movement/format";
import type { Content } from "@able-tide/core/plan/purpose";
import type { PlanAnalysis } from "@able-tide/core/planner/analyze-plan";
import { readContent } from "@able-tide/core/planner/content";
import { analyzeMovement } from "@able-tide/core/planner/trains";
import type { PlanContext } from "@able-tide/core/schedule/schedule-plan";
import { useEffect, useMemo, useState } from "react";
import type { Draft } from "./draft.ts";

/** What each movement trains, as shares of its moving; filled in while nothing else is to be done. */
type Trains = ReadonlyMap<string, Readonly<Record<Content, number>>>;

/** Movements measured a few at a time, so that no one waits for the whole library. */
const AT_A_TIME = 4;

function useTrains(movements: readonly Movement[], context: PlanContext, variants: VariantCache): Trains {
  const [trains, setTrains] = useState<Trains>(new Map());
  useEffect(() => {
    const left = movements.filter(({ id }) => !trains.has(id)).slice(0, AT_A_TIME);
    if (left.length === 0) return;
    const timer = setTimeout(() => {
      setTrains(
        (known) =>
          new Map([...known, ...left.map((each) => [each.id, analyzeMovement(each, context, variants).trains] as const)]),
      );
    }, 30);
    return () => clearTimeout(timer);
  }, [movements, context, variants, trains]);
  return trains;
}

export interface Fills {
  /** Seconds of what is missing that six repetitions or so of it would fill; the palette goes by it. */
  readonly worth: number;
  /** What it would fill most. */
  readonly content: Content | null;
}

/** How much of what the plan still lacks each movement would fill. */
export function usePaletteOrder(
  movements: readonly Movement[],
  analysis: PlanAnalysis,
  purpose: Draft["purpose"],
  context: PlanContext,
  variants: VariantCache,
): ReadonlyMap<string, Fills> {
  const trains = useTrains(movements, context, variants);
  return useMemo(() => {
    const missing = readContent(analysis, purpose).filter(({ missing: seconds }) => seconds > 0);
    return new Map(
      movements.map(({ id }): [string, Fills] => {
        const rates = trains.get(id);
        const fills = missing
          .map(({ content, missing: seconds }) => ({ content, worth: seconds * (rates?.[content] ?? 0) }))
          .toSorted((a, b) => b.worth - a.worth);
        return [
          id,
          { worth: fills.reduce((sum, { worth }) => sum + worth, 0), content: fills[0]?.worth ? fills[0].content : null },
        ];
      }),
    );
  }, [movements, analysis, purpose, trains]);
}
