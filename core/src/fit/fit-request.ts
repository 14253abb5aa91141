import * as v from "valibot";
import { ABSENT_FROM, type Arm, type Limb, USUAL_BODY, WHOLE } from "../body/build.ts";
import { FURNITURE_NAMES, positionsOn, SEAT_POSITIONS } from "../body/seats.ts";
import { OWN_AIDS } from "../body/supports.ts";
import { WATER_EQUIPMENT_NAMES } from "../body/water-equipment.ts";
import { type Cap, CapLimit } from "../caps/cap.ts";
import type { FileProblem } from "../files/json.ts";
import { readFileWithMovements } from "../movement/file-with-movements.ts";
import { type UpgradedValue, upgradeMovementsIn } from "../movement/former-format.ts";
import { VARIANT_KINDS } from "../movement/variant.ts";
import { PlanFile, type PlanInFile, unknownMovements } from "../plan/plan-file.ts";
import { withMovements } from "../schedule/items-with-movements.ts";
import { planContextOf } from "../schedule/plan-setting.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { capsOfSeat } from "../setup/seating.ts";
import { OPEN_HALL, type VenueResources } from "../venues/resources.ts";
import { type FitPlan, fitPlanOf } from "./fit-plan.ts";
import type { FitPerson } from "./session.ts";

/**
 * The open format of a question to the fit, version 1: a plan in the plan format, people with bodies and caps, and what
 * there is of chairs, rail and helpers. docs/formats.md explains it.
 */

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(60));
const count = (most: number) => v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(most));
const metres = (least: number, most: number) => v.pipe(v.number(), v.minValue(least), v.maxValue(most));

const LIMBS = [
  v.strictObject({ kind: v.literal("whole") }),
  v.strictObject({ kind: v.literal("still") }),
  v.strictObject({ kind: v.literal("absent"), from: v.picklist(ABSENT_FROM), prosthesis: v.boolean() }),
] as const;
const ArmSchema: v.GenericSchema<Arm> = v.variant("kind", [...LIMBS, v.strictObject({ kind: v.literal("carried") })]);
const LegSchema: v.GenericSchema<Limb> = v.variant("kind", LIMBS);
const length = v.nullable(metres(0.2, 1.5));
const lengths = v.optional(v.tuple([length, length]), [null, null]);

const Body = v.strictObject({
  legLength: lengths,
  armLength: lengths,
  arms: v.optional(v.tuple([ArmSchema, ArmSchema]), [WHOLE, WHOLE]),
  legs: v.optional(v.tuple([LegSchema, LegSchema]), [WHOLE, WHOLE]),
  floats: v.optional(v.pipe(v.number(), v.minValue(-0.2), v.maxValue(0.2)), 0),
  wheelchair: v.optional(v.boolean(), false),
  /** What they sit on and where on it; a chair that suits them where it is left out. */
  sits: v.exactOptional(
    v.pipe(
      v.strictObject({ seat: v.picklist(FURNITURE_NAMES), position: v.picklist(SEAT_POSITIONS) }),
      v.check(({ seat, position }) => positionsOn(seat).includes(position), "notOnThisSeat"),
    ),
  ),
  /** How much higher than usual they sit, metres; less than nothing where lower. */
  seatRaise: v.exactOptional(metres(-0.3, 0.4)),
});

const RequestedCap = v.strictObject({
  id,
  limit: CapLimit,
  forms: v.optional(v.nullable(v.array(v.picklist(VARIANT_KINDS))), null),
});

/** People in one question, and caps of one person. */
const MOST = { people: 60, caps: 80 } as const;

const Person = v.strictObject({
  id,
  stature: metres(1, 2.3),
  body: v.optional(Body, USUAL_BODY as v.InferInput<typeof Body>),
  aids: v.optional(v.array(v.picklist(OWN_AIDS)), []),
  /** Metres of water where they stand; only in a pool. */
  depth: v.optional(v.nullable(metres(0.3, 2)), null),
  /** Metres of water at the shallowest place they come to. */
  shallowest: v.optional(v.nullable(metres(0.3, 2)), null),
  /** By how much the floor of the pool rises, metres a metre. */
  floorRise: v.exactOptional(metres(0, 0.5)),
  /** Kilograms. */
  mass: v.optional(v.nullable(v.pipe(v.number(), v.minValue(25), v.maxValue(300))), null),
  /** What they have in their hands in water, whatever the block says. */
  equipment: v.exactOptional(v.picklist(WATER_EQUIPMENT_NAMES)),
  caps: v.optional(v.pipe(v.array(RequestedCap), v.maxLength(MOST.caps)), []),
});

const Place = v.strictObject({
  chairs: v.optional(count(200), OPEN_HALL.chairs),
  /** How many of the chairs have arms. */
  armchairs: v.optional(count(200), OPEN_HALL.chairs),
  rail: v.optional(count(200), OPEN_HALL.rail),
  helpers: v.optional(count(20), 0),
  pool: v.optional(v.nullable(v.strictObject({ temperature: v.nullable(v.number()) })), null),
});

export const FitRequest = v.strictObject({
  format: v.literal("able-tide/fit-request"),
  version: v.literal(1, "wrongVersion"),
  plan: PlanFile,
  people: v.pipe(
    v.array(Person),
    v.minLength(1),
    v.maxLength(MOST.people),
    v.check((people) => new Set(people.map((person) => person.id)).size === people.length, "sameIds"),
  ),
  place: v.optional(Place, {}),
  /** Whether everyone sits throughout. */
  seatedOnly: v.optional(v.boolean(), false),
});

export interface FitQuestionInFile {
  readonly plan: FitPlan;
  readonly people: readonly FitPerson[];
}

/** A cap that says no more than what it limits. */
const capOf = ({ id: capId, limit, forms }: v.InferOutput<typeof RequestedCap>): Cap => ({
  id: capId,
  limit,
  forms,
  reason: "",
  source: "",
  strength: "firm",
  from: "0001-01-01",
  until: null,
  dateKind: "review",
});

function questionOf({ plan: file, people, place, seatedOnly }: v.InferOutput<typeof FitRequest>): FitQuestionInFile {
  const fitPlace: VenueResources = place;
  const inWater = place.pool !== null;
  const setting = {
    seatedOnly,
    supports: { chairs: place.chairs > 0 && !inWater, rail: place.rail > 0 ? ("right" as const) : null, pool: inWater },
    week: 0,
    slowestCycle: 0,
    taught: {},
  };
  const { plan, movements } = file as PlanInFile;
  const reading = schedulePlan(withMovements(plan.blocks, movements), planContextOf(setting, plan));
  return {
    plan: fitPlanOf(reading, fitPlace, plan.style, plan.holds),
    people: people.map(({ body, caps, ...person }) => ({
      ...person,
      measured: body,
      caps: [...caps.map(capOf), ...capsOfSeat(person.id, body.sits ? { ...body.sits, height: null } : null)],
    })),
  };
}

/** The request with the movements of its plan in the present format. */
function upgradePlan(value: unknown): UpgradedValue {
  if (typeof value !== "object" || value === null || !("plan" in value)) return { value, problems: [] };
  const { value: plan, problems } = upgradeMovementsIn(value.plan, "plan.");
  return { value: { ...value, plan }, problems };
}

/** Items of its plan that name a movement which the request does not bring. */
const unknownInPlan = ({ plan }: v.InferOutput<typeof FitRequest>): FileProblem[] =>
  unknownMovements(plan as PlanInFile).map((each) => ({ ...each, path: `plan.${each.path}` }));

/** Reads a question to the fit. Returns it, or every problem with its place; never throws. */
export function readFitRequest(source: string): {
  readonly question: FitQuestionInFile | null;
  readonly problems: readonly FileProblem[];
} {
  const { file, problems } = readFileWithMovements(source, FitRequest, unknownInPlan, upgradePlan);
  return { question: file && questionOf(file), problems };
}
