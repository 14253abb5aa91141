import { USUAL_BODY } from "@able-tide/core/body/build";
import { capOf } from "@able-tide/core/caps/cap.fixture";
import { planOf } from "@able-tide/core/fit/group.fixture";
import type { FitPerson } from "@able-tide/core/fit/session";
import { load } from "@able-tide/core/movement/library.fixture";
import type { VenueResources } from "@able-tide/core/venues/resources";
import type { FitInput } from "./workspace.ts";

const HALL: VenueResources = { chairs: 4, rail: 1, helpers: 0, pool: null };

const person = (id: string, caps: FitPerson["caps"] = []): FitPerson => ({
  id,
  stature: 1.62,
  measured: USUAL_BODY,
  aids: [],
  caps,
});

/** Two participants, one with a low cap on lifting the arms and one on balance, in a plan of a few movements. */
export const smallFit = (fitId: string | null = null, movements = ["one-up-one-down", "one-leg-arms-rise"]): FitInput => ({
  plan: planOf(movements.map(load), HALL),
  people: [
    person("high", [{ ...capOf({ channel: "handHeight", side: "both", limit: "shoulder" }), id: "low" }]),
    person("still", [{ ...capOf({ channel: "steadiness", limit: 2 }), id: "two" }]),
  ],
  fitId,
});
