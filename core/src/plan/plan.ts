import * as v from "valibot";
import { WATER_EQUIPMENT_NAMES } from "../body/water-equipment.ts";
import type { FitHold } from "../fit/fit-plan.ts";
import { WAYS } from "../fit/place.ts";
import { PHASES } from "../movement/format.ts";
import type { FloorPlace } from "../setup/standing-places.ts";
import { SIDES } from "../side.ts";
import { type Block, FACINGS, ROUNDS, TALK } from "./block.ts";
import { SESSION_PURPOSES, type SessionPurpose } from "./content.ts";
import { BREATH_SECONDS, type TeachingStyle, TeachingStyleSchema, USUAL_STYLE } from "./style.ts";

/** What an instructor writes: the blocks, the style they are taught in, the pace and what the session is for. */
export interface PlanContent {
  readonly blocks: readonly Block[];
  readonly style: TeachingStyle;
  /** Seconds of one breath, unless a block has its own. */
  readonly breathSeconds: number;
  /** Null where nobody has said. */
  readonly purpose: SessionPurpose | null;
  /** Who does which block in which way, by the instructor's word and within their caps. */
  readonly holds: readonly FitHold[];
  /** Where the instructor moved people to; everybody else stands by need. */
  readonly places: readonly PersonPlace[];
}

/** A person's place on the floor, metres from the instructor's wall and from its left. */
export interface PersonPlace extends FloorPlace {
  readonly personId: string;
}

/** Blocks that one plan may have. */
export const MOST_BLOCKS = 60;

export const EMPTY_PLAN: PlanContent = {
  blocks: [],
  style: USUAL_STYLE,
  breathSeconds: USUAL_STYLE.breathSeconds,
  purpose: null,
  holds: [],
  places: [],
};

const breath = v.pipe(
  v.number("The breath is a number of seconds."),
  v.minValue(BREATH_SECONDS.least, `A breath takes at least ${BREATH_SECONDS.least} s.`),
  v.maxValue(BREATH_SECONDS.most, `A breath takes at most ${BREATH_SECONDS.most} s.`),
);
const side = v.picklist(SIDES, "A side is left or right.");

const BlockSchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[a-z0-9-]{1,40}$/, "A block's id is small letters, digits and hyphens.")),
  movementId: v.pipe(v.string(), v.maxLength(60)),
  rounds: v.pipe(
    v.number("Rounds are a whole number."),
    v.integer("Rounds are a whole number."),
    v.minValue(ROUNDS.least, "At least one round."),
    v.maxValue(ROUNDS.most, `At most ${ROUNDS.most} rounds.`),
  ),
  first: v.exactOptional(side),
  only: v.exactOptional(side),
  as: v.exactOptional(v.picklist(["seated", "standing"])),
  hold: v.exactOptional(side),
  phase: v.exactOptional(v.picklist(PHASES)),
  breathSeconds: v.exactOptional(breath),
  talk: v.exactOptional(
    v.pipe(
      v.number("Talk is a number of seconds."),
      v.minValue(0, "Talk is a number of seconds."),
      v.maxValue(TALK.most, `At most ${TALK.most / 60} minutes of talk.`),
    ),
  ),
  straight: v.exactOptional(v.boolean()),
  quiet: v.exactOptional(v.boolean()),
  facing: v.exactOptional(v.picklist(FACINGS)),
  equipment: v.exactOptional(v.picklist(WATER_EQUIPMENT_NAMES, "Choose bare hands, paddles or hand floats.")),
  combination: v.exactOptional(
    v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60, "Please keep the name under 60 letters.")),
  ),
});

/** Forms held in one plan. */
const MOST_HOLDS = 400;

const HoldSchema = v.strictObject({
  personId: v.pipe(v.string(), v.maxLength(60)),
  blockId: v.pipe(v.string(), v.maxLength(40)),
  way: v.picklist([...WAYS, "rest"], "This is no way of doing a block."),
});

const along = v.pipe(v.number("A place is in metres."), v.minValue(0), v.maxValue(60));
const PlaceSchema = v.strictObject({ personId: v.pipe(v.string(), v.maxLength(60)), x: along, z: along });

/** Reads the content of a plan from a file or a board. */
export const PlanContentSchema = v.object({
  blocks: v.pipe(
    v.array(BlockSchema),
    v.maxLength(MOST_BLOCKS, `A plan has at most ${MOST_BLOCKS} movements.`),
    v.check((blocks) => new Set(blocks.map(({ id }) => id)).size === blocks.length, "No two blocks may have the same id."),
  ),
  style: TeachingStyleSchema,
  breathSeconds: breath,
  purpose: v.nullable(v.picklist(SESSION_PURPOSES, "Please choose one of the purposes offered.")),
  holds: v.optional(v.pipe(v.array(HoldSchema), v.maxLength(MOST_HOLDS, `At most ${MOST_HOLDS} forms are held.`)), []),
  places: v.optional(v.pipe(v.array(PlaceSchema), v.maxLength(200, "At most 200 people are placed.")), []),
}) as v.GenericSchema<PlanContent>;
