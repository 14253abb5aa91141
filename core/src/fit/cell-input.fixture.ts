import { buildOf, USUAL_BODY } from "../body/build.ts";
import { load } from "../movement/library.fixture.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import type { CellInput } from "./cell-input.ts";
import { limitedResources } from "./support-options.ts";
import { leadingSides } from "./variant-cache.ts";

/** Four repetitions of a shipped movement for one person of usual proportions, alone in an open hall, without caps. */
export function cellInputOf(id: string, more: Partial<CellInput> = {}): CellInput {
  const movement = load(id);
  const stature = more.stature ?? 1.65;
  const resources = more.resources ?? OPEN_HALL;
  return {
    movement,
    breathSeconds: 8,
    turns: leadingSides(movement).map((lead) => ({ lead, rounds: 4 })),
    plannedVariant: FULL_STANDING_VARIANT,
    stature,
    build: buildOf(USUAL_BODY, stature),
    depth: null,
    aids: [],
    resources,
    scarce: limitedResources(resources, 1),
    workingShare: 0.8,
    caps: [],
    ...more,
  };
}
