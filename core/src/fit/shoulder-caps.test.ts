import fc from "fast-check";
import { expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import { ROW_WIDTH, sidedColumn } from "../body/channels.ts";
import { turnFromJoints } from "../body/turn-from-joints.fixture.ts";
import { capOf } from "../caps/cap.fixture.ts";
import { numberAt, present } from "../checked-access.ts";
import { hasLandVariant, type MovementKey } from "../movement/format.ts";
import { loadAll } from "../movement/library.fixture.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { SIDES } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { fitCell } from "./cell.ts";
import { limitedResources } from "./support-options.ts";
import { createVariantCache, leadingSides } from "./variant-cache.ts";

/** Without what the shoulder girdle does: the trunk's direction is told from the line of the shoulders. */
const withoutGirdle = (key: MovementKey): MovementKey => {
  const still = (arm: MovementKey["arms"]) => arm && { ...arm, girdleUp: 0, girdleForward: 0 };
  const { arms, leadArm, trailArm, ...rest } = key;
  return {
    ...rest,
    ...(arms && { arms: still(arms) }),
    ...(leadArm && { leadArm: still(leadArm) }),
    ...(trailArm && { trailArm: still(trailArm) }),
  };
};
const movements = loadAll()
  .filter(hasLandVariant)
  .map((movement) => ({ ...movement, keys: movement.keys.map(withoutGirdle) }));
const variants = createVariantCache();
const fit = (movement: (typeof movements)[number], caps: readonly ReturnType<typeof capOf>[], chairs = OPEN_HALL.chairs) =>
  fitCell(
    {
      movement,
      breathSeconds: 8,
      turns: leadingSides(movement).map((lead) => ({ lead, rounds: 4 })),
      plannedVariant: FULL_STANDING_VARIANT,
      stature: 1.62,
      build: USUAL_BUILD,
      depth: null,
      aids: [],
      resources: { ...OPEN_HALL, chairs },
      scarce: limitedResources(OPEN_HALL, 1),
      workingShare: 1,
      caps,
    },
    variants,
  );

/** A straight arm shows no turn. */
const BENT = 5;

test("no cap on the turn of a shoulder is passed at any sample of any chosen variant, told from the joints alone", () => {
  const degrees = (most: number) => fc.integer({ min: 0, max: most });
  fc.assert(
    fc.property(
      fc.constantFrom(...movements),
      fc.constantFrom(...SIDES),
      fc.option(degrees(60), { nil: null }),
      fc.option(degrees(90), { nil: null }),
      fc.integer({ min: 30, max: 80 }).map((tenths) => tenths / 10),
      (movement, side, outward, inward, steadiness) => {
        const caps = [
          capOf({ channel: "steadiness", limit: steadiness }),
          ...(outward === null ? [] : [capOf({ channel: "motion", motion: "shoulderOutwardTurn", side, limit: outward })]),
          ...(inward === null ? [] : [capOf({ channel: "motion", motion: "shoulderInwardTurn", side, limit: inward })]),
        ];
        const { choice } = fit(movement, caps);
        if (choice === null) return;
        for (const lead of leadingSides(movement)) {
          const { rows, count } = sampleTrack(present(trackOf(movement, choice, lead), "track"));
          for (let sample = 0; sample < count; sample += 1) {
            const row = rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH);
            const elevation = numberAt(row, sidedColumn("shoulderElevation", side));
            if (outward !== null) expect(elevation).toBeLessThanOrEqual(90.06);
            if (elevation > 120 || numberAt(row, sidedColumn("elbow", side)) < BENT) continue;
            const turn = turnFromJoints(row, side);
            if (outward !== null) expect(turn).toBeLessThanOrEqual(outward + 0.06);
            if (inward !== null) expect(-turn).toBeLessThanOrEqual(inward + 0.06);
          }
        }
      },
    ),
    { numRuns: cases(8, 600) },
  );
});

test.each(["round-and-open", "shoulder-circles", "slow-punch", "row-the-boat", "row-lift-and-settle"])(
  "%s is within thirty degrees of outward turn, or made so, and an inward cap of sixty bars no rail",
  (id) => {
    const movement = present(
      movements.find((each) => each.id === id),
      "movement",
    );
    const out = fit(movement, [capOf({ channel: "motion", motion: "shoulderOutwardTurn", side: "right", limit: 30 })]);
    expect(out.choice).not.toBeNull();
    for (const { highest } of out.demands)
      expect(numberAt(highest, sidedColumn("shoulderTurn", "right"))).toBeLessThanOrEqual(30.05);
    const held = fit(
      movement,
      [
        capOf({ channel: "motion", motion: "shoulderInwardTurn", side: "right", limit: 60 }),
        capOf({ channel: "barredFeature", limit: "holdsWithLeft" }),
        capOf({ channel: "heldStanding" }),
      ],
      0,
    );
    expect(held.choice).toMatchObject({ kind: "supported", hold: { by: "rail", hand: "right" } });
  },
);
