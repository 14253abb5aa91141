import * as v from "valibot";
import { type RangeName, rangeNamed } from "../body/channels.ts";
import { AXIAL_BOUNDS } from "../body/shoulder-turn.ts";
import type { FileProblemCode } from "../files/json.ts";
import { MOVEMENT_VERSION } from "./former-format.ts";

/**
 * The open movement format, version 2: a movement authored once in lead and trail, never left and right.
 * docs/formats.md explains it; library/movement.schema.json is its JSON Schema, made from this file. Long because it is one schema.
 *
 * Angles are degrees, places shares of stature, weight a share on the lead foot.
 * Turns, lists and side bends are positive towards the lead side.
 */
/** An angle inside the ordinary active range of adults; what lies outside is refused as impossible. */
function angle(range: RangeName) {
  return degrees(rangeNamed(range));
}

function degrees({ lowest, highest }: { readonly lowest: number; readonly highest: number }) {
  return v.optional(between(lowest, highest));
}

function between(lowest: number, highest: number) {
  return v.pipe(v.number(), v.minValue(lowest), v.maxValue(highest));
}

const text = (longest: number) => v.pipe(v.string(), v.maxLength(longest));
const someText = (longest: number) => v.pipe(text(longest), v.minLength(1));

/** Parts of the own body that a hand may rest on. */
export const ANCHORS = [
  "belly",
  "chest",
  "lowBack",
  "hip",
  "upperThigh",
  "thigh",
  "knee",
  "otherKnee",
  "otherHand",
  "otherWrist",
  "head",
] as const;
export type Anchor = (typeof ANCHORS)[number];

/** How the palm of a resting hand lies: on what the hand rests on, or looking away from it. */
export const PALMS = ["on", "away"] as const;
/** A way that the palm of a resting hand lies. */
export type RestingPalm = (typeof PALMS)[number];

const ArmKey = v.strictObject({
  elevation: angle("shoulderElevation"),
  plane: angle("shoulderPlane"),
  axial: degrees(AXIAL_BOUNDS),
  elbow: angle("elbow"),
  forearm: angle("forearm"),
  wrist: angle("wrist"),
  girdleUp: v.optional(between(-0.03, 0.03)),
  girdleForward: v.optional(between(-0.03, 0.03)),
  /** How closed the hand is: 0 open, 1 a fist. */
  fist: v.optional(between(0, 1)),
  /** What the hand rests on: its arm's angles follow. It lets go where a later key states an angle of the arm. */
  anchor: v.optional(v.picklist(ANCHORS)),
  /** How the palm lies while the hand rests: the forearm turns as it needs. Where it is never said, as the forearm is stated. */
  palm: v.optional(v.picklist(PALMS)),
});

const FootKey = v.strictObject({
  /** Heel lifted about the ball of the foot, degrees. */
  heel: v.optional(between(0, 50)),
  /** Toes lifted about the heel, degrees. */
  toes: v.optional(between(0, 30)),
  /**
   * Where the foot stands from its place in the stance: ahead and outward, shares of stature. Getting there is a step.
   */
  ahead: v.optional(between(-1.5, 1.5)),
  outward: v.optional(between(-1.5, 1.5)),
  /** How far the foot is turned out from its place in the stance, degrees: it turns on its heel or its ball. */
  turn: v.optional(between(-45, 45)),
});

const LiftKey = v.strictObject({
  foot: v.picklist(["lead", "trail"]),
  hipFlexion: angle("hipFlexion"),
  hipAbduction: angle("hipAbduction"),
  /** Outward positive. */
  hipRotation: angle("hipRotation"),
  knee: angle("knee"),
  ankle: angle("dorsiflexion"),
});

/** What the breath does on the way to a key pose: "both" is in and then out, "pause" waits full or empty. */
export const BREATHS = ["in", "out", "both", "pause"] as const;
/** A direction of the breath, both in turn, or none. */
export type KeyBreath = (typeof BREATHS)[number];

const Key = v.strictObject({
  /** When in the cycle, 0 to 1. */
  at: between(0, 1),
  /** The breath that brings the body to this key pose: in, out, in and then out, or none while the breath waits. */
  breath: v.optional(v.picklist(BREATHS)),
  /** Same body as the key pose with this number, counted from 0. */
  like: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0))),
  /** The body goes only so far: this share of the way from the first key pose to what this one states. */
  share: v.optional(between(0, 1)),
  /** The way to this key pose is part of a hold: its seconds count as held. */
  held: v.optional(v.literal(true)),
  /** The body passes through without stopping. */
  flow: v.optional(v.boolean()),
  /** The body is on the chair here; it rises between a key pose on it and one off it, and sits down the other way. */
  seat: v.optional(v.boolean()),
  weight: v.optional(between(0, 1)),
  press: v.optional(between(-1, 1)),
  sink: v.optional(between(0, 90)),
  pelvis: v.optional(v.strictObject({ tilt: angle("pelvisTilt"), list: angle("pelvisList"), rotation: angle("pelvisRotation") })),
  spine: v.optional(
    v.strictObject({
      flexion: angle("spineFlexion"),
      sideBend: angle("spineSideBend"),
      rotation: angle("spineRotation"),
    }),
  ),
  head: v.optional(
    v.strictObject({
      flexion: angle("headFlexion"),
      sideBend: angle("headSideBend"),
      rotation: angle("headRotation"),
      glide: v.optional(between(-0.03, 0.03)),
    }),
  ),
  arms: v.optional(ArmKey),
  leadArm: v.optional(ArmKey),
  trailArm: v.optional(ArmKey),
  feet: v.optional(FootKey),
  leadFoot: v.optional(FootKey),
  trailFoot: v.optional(FootKey),
  /** A foot off the floor; null puts it down again. */
  lift: v.optional(v.nullable(LiftKey)),
  /** What is said on the way to this key. */
  say: v.optional(text(80)),
});
export type MovementKey = v.InferOutput<typeof Key>;

/** The number of a key pose between the first and the last. */
const HoldAt = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(22));

const Keys = v.pipe(v.array(Key), v.minLength(2), v.maxLength(24));

export const STANCES = ["together", "hip", "shoulder", "wide", "bow", "semiTandem", "tandem"] as const;
const Stance = v.strictObject({
  kind: v.picklist(STANCES),
  /** Which foot is in front, for stances that have a front. */
  front: v.optional(v.picklist(["lead", "trail"])),
  /** How far ahead the front ankle is, share of stature. */
  length: v.optional(between(0, 0.5)),
  /** How far apart the ankles are sideways, share of stature. */
  width: v.optional(between(-0.05, 0.5)),
  toeOut: v.optional(between(-20, 60)),
  rearToeOut: v.optional(between(-20, 90)),
});
export type MovementStance = v.InferOutput<typeof Stance>;

/**
 * How the feet stand, what carries the weight and where the hands are at a key pose; see state.ts for what each means.
 */
export const FEET_STATES = ["together", "hip", "wide", "semi", "tandem", "bow", "lift", "toe"] as const;
export const LOAD_STATES = ["lead", "both", "trail"] as const;
export const HANDS_STATES = [
  "down",
  "belly",
  "front",
  "up",
  "ballLead",
  "ballTrail",
  "holdLead",
  "holdTrail",
  "holdBoth",
] as const;
export type FeetState = (typeof FEET_STATES)[number];
export type LoadState = (typeof LOAD_STATES)[number];
export type HandsState = (typeof HANDS_STATES)[number];

/** @param open the word that leaves a part open */
const state = <Open extends string>(open: Open) => {
  const part = <Word extends string>(words: readonly Word[]) => v.picklist([...words, open]);
  return v.strictObject({ feet: part(FEET_STATES), load: part(LOAD_STATES), hands: part(HANDS_STATES) });
};
const Entry = state("any");
const Exit = v.union([v.literal("entry"), state("keep")], "notAState");
export type EntryState = v.InferOutput<typeof Entry>;
export type ExitState = v.InferOutput<typeof Exit>;

/** Where a cue sends the attention. */
export const ATTENTION = ["feet", "hips", "hands", "breath", "feeling"] as const;
/** A place where a cue sends the attention. */
export type Attention = (typeof ATTENTION)[number];

const CueSet = v.strictObject({
  /** Where the attention goes while it is done. */
  attention: v.optional(v.picklist(ATTENTION)),
  do: v.optional(text(200)),
  feel: v.optional(text(200)),
  watch: v.optional(text(200)),
  image: v.optional(text(200)),
  mistake: v.optional(text(200)),
});

/** Words of one variant, where they differ from the movement's. */
const words = {
  name: v.optional(v.strictObject({ en: someText(60), own: v.optional(someText(60)) })),
  cues: v.optional(CueSet),
  /** What is said on the way to each key pose, in their order. */
  say: v.optional(v.array(text(80))),
};
/** Words for someone who moves one arm, the other hand resting or holding on. */
const OneHand = v.optional(v.strictObject(words));

const FormPatch = v.strictObject({
  /** Key poses of this variant's own, in place of the movement's. */
  keys: v.optional(Keys),
  /** The number of the one of them that can be held, where it is another than the movement's. */
  holdAt: v.optional(HoldAt),
  /** Seated: what the shift of weight turns into, degrees at the largest shift. */
  weightBecomes: v.optional(v.strictObject({ pelvisTilt: angle("pelvisTilt"), pelvisList: angle("pelvisList") })),
  ...words,
  /** Where the movement's own words for one hand do not fit this variant. */
  oneHand: OneHand,
});
const Form = v.union([v.literal(false), FormPatch], "notAForm");

export const PURPOSES = [
  "steadiness",
  "spine",
  "neck and shoulders",
  "hips and knees",
  "ankles and feet",
  "hands and wrists",
  "breath",
  "memory and coordination",
  "calm",
] as const;

/** Things some bodies must avoid that no angle shows; the others in features.ts are computed. */
export const DECLARED_FEATURES = ["fullNeckCircle", "breathPause", "eyesClosed", "percussion", "bounce"] as const;

/** Where a movement that has a direction turns round. */
export const REVERSALS = ["halves", "sides"] as const;

/** What of a foot stays where it is while the foot turns. */
export const PIVOTS = ["heel", "ball"] as const;

/** The most breaths that one repetition may take; a walk there and back takes many. */
export const MOST_BREATHS = 24;

export const PHASES = ["arrive", "loosen", "flow", "settle"] as const;
export type Phase = (typeof PHASES)[number];

/** Checks the order of the key poses and what they refer to; the shape has been checked before. */
function keyProblem(keys: readonly MovementKey[]): { index: number; field: string; code: FileProblemCode } | null {
  if (keys[0]?.at !== 0) return { index: 0, field: "at", code: "firstKeyPose" };
  for (const [index, key] of keys.entries()) {
    const before = keys[index - 1];
    if (before && key.at <= before.at) return { index, field: "at", code: "keyPoseOrder" };
    if (key.like !== undefined && key.like >= index) return { index, field: "like", code: "laterKeyPose" };
  }
  if (keys[keys.length - 1]?.at !== 1) return { index: keys.length - 1, field: "at", code: "lastKeyPose" };
  return null;
}

const OrderedKeys = v.pipe(
  Keys,
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const problem = keyProblem(dataset.value);
    if (problem)
      addIssue({
        message: problem.code,
        path: [
          { type: "array", origin: "value", input: dataset.value, key: problem.index, value: dataset.value[problem.index] },
          {
            type: "object",
            origin: "value",
            input: (dataset.value[problem.index] ?? {}) as Record<string, unknown>,
            key: problem.field,
            value: undefined,
          },
        ],
      });
  }),
);

export const Movement = v.strictObject({
  format: v.literal("able-tide/movement"),
  version: v.literal(MOVEMENT_VERSION, "wrongVersion"),
  id: v.pipe(v.string(), v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/), v.maxLength(60)),
  /** In English, and what an organisation teaches it by where that differs. */
  name: v.strictObject({ en: someText(60), own: v.optional(someText(60)) }),
  purpose: v.pipe(v.array(v.picklist(PURPOSES)), v.minLength(1)),
  phase: v.picklist(PHASES),
  /** Whether it is done on one side and then on the other. */
  sided: v.boolean(),
  /**
   * A direction that is turned round: half the repetitions of each turn go through the key poses from last to first ("halves"),
   * or those of the second side do ("sides"). A repetition then ends as it began, without a step.
   */
  reversal: v.optional(v.picklist(REVERSALS)),
  /** The number of the key pose that can be held for some seconds instead of repeated, counted from 0: neither first nor last. */
  holdAt: v.optional(HoldAt),
  /** What a foot turns on; its heel where this is left out. */
  pivot: v.optional(v.picklist(PIVOTS)),
  /** Breaths that one repetition takes. */
  breaths: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_BREATHS)),
  stance: Stance,
  keys: OrderedKeys,
  /** Where a repetition begins: it follows from the first key pose, but a part may be "any". */
  entry: v.optional(Entry),
  /** Where it ends, as it began ("entry") or described like an entry; a part may be left as it was before ("keep"). */
  exit: v.optional(Exit),
  /** Without a word about water there is no variant for it. */
  forms: v.strictObject({ standing: Form, supported: Form, seated: Form, water: v.optional(Form) }),
  vary: v.strictObject({
    /** Whether it can be done with one arm, the other hand resting on the belly. */
    oneArm: v.optional(v.boolean()),
    /** Whether the lifted foot may keep its toe down. */
    toeDown: v.optional(v.boolean()),
    /** Whether it has a higher stance. */
    depth: v.optional(v.boolean()),
  }),
  /** Whether it is done beside the wall of the pool. */
  atWall: v.optional(v.literal(true)),
  oneHand: OneHand,
  features: v.optional(v.array(v.picklist(DECLARED_FEATURES))),
  cues: CueSet,
});
export type Movement = v.InferOutput<typeof Movement>;

/** The name it is taught by. */
export const taughtName = ({ name }: Pick<Movement, "name">): string => name.own ?? name.en;

/** Whether it goes from a chair to the feet or back. */
export const rises = ({ keys }: Pick<Movement, "keys">): boolean => keys.some(({ seat }) => seat === true);

/** Whether there is a variant of it for a pool. */
export const hasWaterVariant = ({ forms }: Movement): boolean => forms.water !== undefined && forms.water !== false;

/** Whether there is a variant of it for a hall. */
export const hasLandVariant = ({ forms }: Movement): boolean =>
  [forms.standing, forms.supported, forms.seated].some((form) => form !== false);
