import fc from "fast-check";
import { USUAL_BODY, WHOLE } from "../body/build.ts";
import { anyLimit } from "../caps/any-limit.fixture.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import type { Movement } from "../movement/format.ts";
import { circumstances } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import type { VenueResources } from "../venues/resources.ts";
import { type FitPlan, fitPlanOf } from "./fit-plan.ts";
import type { FitPerson } from "./session.ts";

/** Caps of these limits, named by their place. */
export const capsOf = (limits: readonly CapLimit[]) => limits.map((limit, i) => ({ ...capOf(limit), id: `c${i}` }));

/** Any person with a few caps of any kind: most whole, some with a still or a carried arm, in a wheelchair, on a sofa or in bed. */
export const anyPerson = (mostCaps: number): fc.Arbitrary<Omit<FitPerson, "id">> =>
  fc.record({
    stature: fc.constantFrom(1.48, 1.6, 1.72, 1.85),
    measured: fc.constantFrom(
      USUAL_BODY,
      USUAL_BODY,
      USUAL_BODY,
      { ...USUAL_BODY, arms: [WHOLE, { kind: "still" as const }] as const },
      { ...USUAL_BODY, arms: [{ kind: "carried" as const }, WHOLE] as const },
      { ...USUAL_BODY, wheelchair: true },
      { ...USUAL_BODY, sits: { seat: "sofa" as const, position: "back" as const }, seatRaise: -0.05 },
      { ...USUAL_BODY, sits: { seat: "bed" as const, position: "back" as const }, seatRaise: 0.03 },
    ),
    aids: fc.constantFrom([], [], ["stick" as const], ["frame" as const]),
    caps: fc.array(anyLimit, { maxLength: mostCaps }).map(capsOf),
  });

/** Someone as given who also needs a hand to stand up. */
export const withHand = <Given extends Pick<FitPerson, "caps">>(person: Given): Given => ({
  ...person,
  caps: [...person.caps, { ...capOf({ channel: "handToRise" }), id: "hand" }],
});

/** People with ids of their own. */
export const named = (people: readonly Omit<FitPerson, "id">[]): FitPerson[] =>
  people.map((person, i) => ({ ...person, id: `p${String(i).padStart(2, "0")}` }));

/** A plan of some movements, four repetitions each, in a place. */
export const planOf = (movements: readonly Movement[], place: VenueResources): FitPlan =>
  fitPlanOf(
    schedulePlan(
      movements.map((movement, i) => ({ block: { id: `b${i}`, movementId: movement.id, rounds: 4 }, movement })),
      circumstances(),
    ),
    place,
    { size: "comfortable" },
  );
