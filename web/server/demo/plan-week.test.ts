import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { present } from "@able-tide/core/checked-access";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import { readMovement } from "@able-tide/core/movement/read-file";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import { analyzePlan } from "@able-tide/core/planner/analyze-plan";
import { ON_TIME, overrunSeconds } from "@able-tide/core/planner/fix-duration";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { outOfOrder, readPhases } from "@able-tide/core/schedule/phases";
import { planContextOf, venueSupportsOf } from "@able-tide/core/schedule/plan-setting";
import { problemsOf } from "@able-tide/core/schedule/schedule-plan";
import { Venue } from "@able-tide/core/venues/venue";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { WEEKS } from "./demo-person.ts";
import { FRIDAY_WARM_WATER } from "./friday-warm-water.ts";
import { PLACE, STYLE } from "./kittiwake-rooms.ts";
import { MONDAY_CHAIRS } from "./monday-chairs.ts";
import { planWeek } from "./plan-week.ts";
import { WEDNESDAY_FOOTING } from "./wednesday-footing.ts";

const folder = join(import.meta.dirname, "../../../library");
const movements = readdirSync(folder)
  .filter((name) => name.endsWith(".json") && name !== "movement.schema.json")
  .map((name) => present(readMovement(readFileSync(join(folder, name), "utf8")).movement, "movement"));
const variants = createVariantCache();

/** Every plan of the demo joins up, is even, keeps its phases and ends on time. */
describe.each([MONDAY_CHAIRS, WEDNESDAY_FOOTING, FRIDAY_WARM_WATER])("$name", (programme) => {
  const taught: Record<string, number> = {};
  test.each(Array.from({ length: WEEKS + 1 }, (_, i) => i + 1))("week %d", (week) => {
    const supports = venueSupportsOf(v.parse(Venue, PLACE.room), programme.inWater);
    const setting = { seatedOnly: programme.seatedOnly, supports, week, slowestCycle: 0, taught: { ...taught } };
    const blocks = planWeek(programme, Math.min(week, WEEKS), setting, movements);
    const context = planContextOf(setting, { style: STYLE, breathSeconds: programme.breathSeconds });
    const analysis = analyzePlan(withMovements(blocks, movements), context, variants);
    for (const movementId of movementIdsOf(blocks)) taught[movementId] = (taught[movementId] ?? 0) + 1;
    expect(problemsOf(analysis.reading)).toEqual([]);
    expect(analysis.uneven).toEqual([]);
    expect(outOfOrder(analysis.reading)).toEqual([]);
    const over = overrunSeconds(analysis, programme);
    expect(over).toBeLessThanOrEqual(ON_TIME.late);
    expect(over).toBeGreaterThanOrEqual(-ON_TIME.early);
    expect(readPhases(analysis.reading).filter(({ shortBy, overBy: much }) => shortBy + much > 1)).toEqual([]);
  });
});
