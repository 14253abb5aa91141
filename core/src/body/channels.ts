import { entryNamed } from "../named.ts";
import { type Side, sideIndex } from "../side.ts";
import { numbered } from "./numbered.ts";

/**
 * The columns of a solved sample. One const list per family; types, labels, units,
 * column numbers and tests all derive from these lists.
 */
export const MIDLINE_RANGES = [
  { name: "pelvisTilt", lowest: -20, highest: 30 },
  { name: "pelvisList", lowest: -15, highest: 15 },
  { name: "pelvisRotation", lowest: -45, highest: 45 },
  { name: "spineFlexion", lowest: -25, highest: 60 },
  { name: "spineSideBend", lowest: -35, highest: 35 },
  { name: "spineRotation", lowest: -45, highest: 45 },
  { name: "headFlexion", lowest: -60, highest: 50 },
  { name: "headSideBend", lowest: -45, highest: 45 },
  { name: "headRotation", lowest: -80, highest: 80 },
] as const;

export const SIDED_RANGES = [
  /** From hanging; negative goes the other way in its plane: with the plane ahead the elbow goes behind the body. */
  { name: "shoulderElevation", lowest: -50, highest: 180 },
  { name: "shoulderPlane", lowest: -30, highest: 130 },
  /** Outward positive, as a clinician measures it: see shoulder-turn.ts. */
  { name: "shoulderTurn", lowest: -120, highest: 90 },
  { name: "elbow", lowest: 0, highest: 150 },
  { name: "forearm", lowest: -85, highest: 85 },
  { name: "wrist", lowest: -70, highest: 80 },
  { name: "hipFlexion", lowest: -20, highest: 125 },
  { name: "hipAbduction", lowest: -25, highest: 45 },
  { name: "hipRotation", lowest: -45, highest: 45 },
  { name: "knee", lowest: 0, highest: 140 },
  { name: "dorsiflexion", lowest: -50, highest: 25 },
] as const;

/** Heights on the person's own body, lowest first; a hand is "above" one by more than .01 H. */
export const LANDMARKS = ["lap", "navel", "chest", "shoulder", "eye", "crown"] as const;
export type Landmark = (typeof LANDMARKS)[number];
export const LANDMARK_TOLERANCE = 0.01;

const HAND_OVER = {
  lap: "handOverLap",
  navel: "handOverNavel",
  chest: "handOverChest",
  shoulder: "handOverShoulder",
  eye: "handOverEye",
  crown: "handOverCrown",
} as const satisfies Record<Landmark, string>;

/** The reading that says how far a hand is over a landmark, share of H. */
export const handOver = (landmark: Landmark) => HAND_OVER[landmark];

const SIDED_READINGS = [
  ...LANDMARKS.map(handOver),
  "handFromSight",
  "loadedKnee",
  "heelDownDorsiflexion",
  "straightKneeDorsiflexion",
  "shoulderLoad",
  "kneeLoad",
  "footShare",
] as const;

const MIDLINE_READINGS = [
  "comX",
  "comY",
  "comZ",
  "margin",
  "quietMargin",
  "loweredBy",
  "lowBackLoad",
  "seatShare",
  "handSeparation",
] as const;

/** Name of a joint's range, of the midline or of each side. */
export type RangeName = (typeof MIDLINE_RANGES | typeof SIDED_RANGES)[number]["name"];

/** Ordinary active range of adults at a joint, degrees. */
export interface RangeBounds {
  readonly lowest: number;
  readonly highest: number;
}

/** Bounds of a joint's range, by its name. */
export const rangeNamed = (name: RangeName): RangeBounds =>
  entryNamed<{ readonly name: RangeName } & RangeBounds>([...MIDLINE_RANGES, ...SIDED_RANGES], name);

export type MidlineRange = (typeof MIDLINE_RANGES)[number]["name"];
export type SidedRange = (typeof SIDED_RANGES)[number]["name"];
type SidedReading = (typeof SIDED_READINGS)[number];
type MidlineReading = (typeof MIDLINE_READINGS)[number];
export type MidlineColumn = MidlineRange | MidlineReading;
export type SidedColumn = SidedRange | SidedReading;

/** Joint centres and surface points of the figure, three columns (X, Y, Z) each, metres for H = 1. */
const MIDLINE_POINTS = ["pelvis", "lumbar", "midSpine", "shoulderLine", "neck", "head", "crown", "eyes"] as const;
const SIDED_POINTS = [
  "hip",
  "kneeJoint",
  "ankle",
  "heel",
  /** Ball of the foot: where the toes bend. */
  "ball",
  "toe",
  "shoulder",
  "elbowJoint",
  "wristJoint",
  "handCentre",
  "fingertip",
  /** Before the middle of the palm: from the middle of the hand the way that the palm looks. */
  "palm",
] as const;
export type MidlinePoint = (typeof MIDLINE_POINTS)[number];
export type SidedPoint = (typeof SIDED_POINTS)[number];

const midlineNames: readonly MidlineColumn[] = [...MIDLINE_RANGES.map((range) => range.name), ...MIDLINE_READINGS];
const sidedNames: readonly SidedColumn[] = [...SIDED_RANGES.map((range) => range.name), ...SIDED_READINGS];

const firstSided = midlineNames.length;
const firstFist = firstSided + 2 * sidedNames.length;
const firstPoint = firstFist + 2;
const firstSidedPoint = firstPoint + 3 * MIDLINE_POINTS.length;

/** Columns of ranges and readings; fists and points of the figure come after them. */
export const VALUE_WIDTH = firstFist;

/** Columns of one sample row. */
export const ROW_WIDTH = firstSidedPoint + 6 * SIDED_POINTS.length;

/** How closed the hands are, left and right, 0 open to 1 a fist: for the figure, read by nothing else. */
export const FIST_COLUMNS = [firstFist, firstFist + 1] as const;

const midlineNumber = numbered(midlineNames, 0, 1);
const sidedNumber = numbered(sidedNames, firstSided, 2);
const pointNumber = numbered(MIDLINE_POINTS, firstPoint, 3);
const sidedPointNumber = numbered(SIDED_POINTS, firstSidedPoint, 6);

/** Column of a value that belongs to the midline of the body. */
export const column = (name: MidlineColumn): number => midlineNumber[name];
/** Column of a value that each side has for itself. */
export const sidedColumn = (name: SidedColumn, side: Side): number => sidedNumber[name] + sideIndex(side);
/** First of the three columns of a midline point. */
export const pointColumn = (name: MidlinePoint): number => pointNumber[name];
/** First of the three columns of a point that each side has. */
export const sidedPointColumn = (name: SidedPoint, side: Side): number => sidedPointNumber[name] + 3 * sideIndex(side);

/** Midline values that turn to the other side in a mirror. */
const TURNED_IN_MIRROR: readonly MidlineColumn[] = [
  "pelvisList",
  "pelvisRotation",
  "spineSideBend",
  "spineRotation",
  "headSideBend",
  "headRotation",
  "comZ",
];

/** For each column of ranges and readings: the column whose value it has in a mirror, and whether with the other sign. */
export const IN_MIRROR: readonly { readonly column: number; readonly negated: boolean }[] = [
  ...midlineNames.map((name, i) => ({ column: i, negated: TURNED_IN_MIRROR.includes(name) })),
  ...sidedNames.flatMap((_, i) => [
    { column: firstSided + 2 * i + 1, negated: false },
    { column: firstSided + 2 * i, negated: false },
  ]),
];

/** Left and right column of a value that each side has; look up once, outside loops. */
export const sidedColumns = (name: SidedColumn): readonly [number, number] => [
  sidedColumn(name, "left"),
  sidedColumn(name, "right"),
];
/** First columns of the left and the right of a point that each side has; look up once, outside loops. */
export const sidedPointColumns = (name: SidedPoint): readonly [number, number] => [
  sidedPointColumn(name, "left"),
  sidedPointColumn(name, "right"),
];
