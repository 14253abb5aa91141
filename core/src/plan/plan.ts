import * as v from "valibot";
import { SECOND_TASKS } from "../body/balance-demand.ts";
import { FURNITURE_NAMES, SEAT_POSITIONS, type SeatUse } from "../body/seats.ts";
import { WATER_EQUIPMENT_NAMES } from "../body/water-equipment.ts";
import { LONGEST_PAUSE, PAUSE_PLACES } from "../movement/breathing.ts";
import { PHASES } from "../movement/format.ts";
import { SUPPORT_MODES } from "../movement/support-mode.ts";
import { HOLD_SECONDS, HOLD_SHARES, holdSeconds, MOST_HOLD_LEVELS } from "../movement/timed-hold.ts";
import type { FloorPosition } from "../setup/floor-position.ts";
import { SIDES } from "../side.ts";
import { combinedItems } from "./combination.ts";
import { BreathSchema, CombinationSchema, RoundsSchema } from "./combination-schema.ts";
import type { PinnedVariant } from "./pinned-variant.ts";
import { EXPLANATION_SECONDS, FACINGS, type PlanItem } from "./plan-item.ts";
import { SESSION_PURPOSES, type SessionPurpose } from "./purpose.ts";
import { type TeachingStyle, TeachingStyleSchema, USUAL_STYLE } from "./style.ts";

/** What an instructor writes: the blocks, the style they are taught in, the pace and what the session is for. */
export interface PlanContent {
  readonly blocks: readonly PlanItem[];
  readonly style: TeachingStyle;
  /** Seconds of one breath, unless a block has its own. */
  readonly breathSeconds: number;
  /** Null where no one has said. */
  readonly purpose: SessionPurpose | null;
  /** Who does which block in which way, by the instructor's word and within their caps. */
  readonly holds: readonly PinnedVariant[];
  /** Where the instructor moved people to; everyone else stands by need. */
  readonly places: readonly PersonPosition[];
  /** What the instructor chose for people to sit on; everyone else sits on what the place has for them. */
  readonly seats: readonly PersonSeat[];
}

/** What one person sits on, and where on it. */
export interface PersonSeat extends SeatUse {
  readonly personId: string;
}

/** A person's place on the floor, metres from the instructor's wall and from its left. */
export interface PersonPosition extends FloorPosition {
  readonly personId: string;
}

/** Blocks that one plan may have. */
export const MAX_PLAN_ITEMS = 60;

/** Items that a plan makes once its combinations are taken apart. */
const MOST_SCHEDULED_ITEMS = 120;

/** The most items that the items of a plan can make. */
const scheduledItems = (blocks: readonly Pick<PlanItem, "combined" | "rounds">[]): number =>
  blocks.reduce((sum, { combined, rounds: each }) => sum + (combined ? combinedItems(combined, each) : 1), 0);

export const EMPTY_PLAN: PlanContent = {
  blocks: [],
  style: USUAL_STYLE,
  breathSeconds: USUAL_STYLE.breathSeconds,
  purpose: null,
  holds: [],
  places: [],
  seats: [],
};

const side = v.picklist(SIDES);

const HoldSchema = v.pipe(
  v.array(
    v.strictObject({
      seconds: v.pipe(v.number(), v.integer(), v.minValue(HOLD_SECONDS.least), v.maxValue(HOLD_SECONDS.most)),
      share: v.picklist(HOLD_SHARES),
    }),
  ),
  v.minLength(1),
  v.maxLength(MOST_HOLD_LEVELS),
  // Everyone stands tall after a minute at most: what is longer is several holds.
  v.check((levels) => holdSeconds(levels) <= HOLD_SECONDS.most, "holdTooLong"),
);

const BlockSchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[a-z0-9-]{1,40}$/)),
  movementId: v.pipe(v.string(), v.maxLength(60)),
  rounds: RoundsSchema,
  timedHold: v.exactOptional(HoldSchema),
  first: v.exactOptional(side),
  only: v.exactOptional(side),
  as: v.exactOptional(v.picklist(["seated", "standing"])),
  hold: v.exactOptional(side),
  phase: v.exactOptional(v.picklist(PHASES)),
  breathSeconds: v.exactOptional(BreathSchema),
  breathsToOne: v.exactOptional(v.literal(2)),
  pause: v.exactOptional(
    v.strictObject({
      at: v.picklist(PAUSE_PLACES),
      seconds: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(LONGEST_PAUSE)),
    }),
  ),
  grows: v.exactOptional(v.literal(true)),
  inMind: v.exactOptional(v.literal(true)),
  talk: v.exactOptional(v.pipe(v.number(), v.minValue(0), v.maxValue(EXPLANATION_SECONDS.most))),
  straight: v.exactOptional(v.boolean()),
  quiet: v.exactOptional(v.boolean()),
  facing: v.exactOptional(v.picklist(FACINGS)),
  secondTask: v.exactOptional(v.picklist(SECOND_TASKS)),
  softFloor: v.exactOptional(v.literal(true)),
  equipment: v.exactOptional(v.picklist(WATER_EQUIPMENT_NAMES)),
  combined: v.exactOptional(CombinationSchema),
  combination: v.exactOptional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))),
});

/** Variants held in one plan. */
const MOST_HOLDS = 400;

const PinSchema = v.strictObject({
  personId: v.pipe(v.string(), v.maxLength(60)),
  blockId: v.pipe(v.string(), v.maxLength(40)),
  way: v.picklist([...SUPPORT_MODES, "rest", "mind"]),
});

const along = v.pipe(v.number(), v.minValue(0), v.maxValue(60));
const PlaceSchema = v.strictObject({ personId: v.pipe(v.string(), v.maxLength(60)), x: along, z: along });

const SeatSchema = v.strictObject({
  personId: v.pipe(v.string(), v.maxLength(60)),
  seat: v.picklist(FURNITURE_NAMES),
  position: v.picklist(SEAT_POSITIONS),
});

/** Reads the content of a plan from a file or a board. */
export const PlanContentSchema = v.object({
  blocks: v.pipe(
    v.array(BlockSchema),
    v.maxLength(MAX_PLAN_ITEMS),
    v.check((blocks) => new Set(blocks.map(({ id }) => id)).size === blocks.length, "sameIds"),
    v.check(
      (blocks) => blocks.every(({ movementId, combined }) => !combined || combined.parts[0]?.movementId === movementId),
      "combinationBegins",
    ),
    v.check((blocks) => scheduledItems(blocks) <= MOST_SCHEDULED_ITEMS, "tooManyParts"),
  ),
  style: TeachingStyleSchema,
  breathSeconds: BreathSchema,
  purpose: v.nullable(v.picklist(SESSION_PURPOSES)),
  holds: v.optional(v.pipe(v.array(PinSchema), v.maxLength(MOST_HOLDS)), []),
  places: v.optional(v.pipe(v.array(PlaceSchema), v.maxLength(200)), []),
  seats: v.optional(v.pipe(v.array(SeatSchema), v.maxLength(200)), []),
}) as v.GenericSchema<PlanContent>;
