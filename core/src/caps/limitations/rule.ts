import type { Feature } from "../../movement/features.ts";
import type { WholeOrPart } from "../body-parts.ts";
import type { CapLimit, DateKind, Strength } from "../cap.ts";
import type { CapSide } from "../cap-side.ts";
import type { MeasuredRange } from "../measured.ts";
import type { Source } from "../source.ts";
import type { CautionName } from "./cautions.ts";

/**
 * How long ago what happened has happened: *acute* to 6 weeks, *healing* to 12, then *settled*.
 * A limitation that no day began is settled from the start.
 */
export const PHASES = ["acute", "healing", "settled"] as const;
export type Phase = (typeof PHASES)[number];

export const AREAS = [
  "shouldersAndArms",
  "neckAndBack",
  "hipsKneesAndFeet",
  "nervesAndBalance",
  "heartAndBreath",
  "sensesAndMemory",
  "skinBloodAndOrgans",
  "wholePerson",
] as const;
export type Area = (typeof AREAS)[number];

/** Features of the affected side, as those of the left and the right. */
export const AFFECTED_FEATURES = {
  holdsWithAffected: ["holdsWithLeft", "holdsWithRight"],
  fistAffected: ["leftFist", "rightFist"],
  affectedArmCarried: ["leftArmCarried", "rightArmCarried"],
  liftsAffectedLegOut: ["liftsLeftLegOut", "liftsRightLegOut"],
  affectedFootTurns: ["leftFootTurns", "rightFootTurns"],
  turnsOverAffectedLeg: ["turnsOverLeftLeg", "turnsOverRightLeg"],
  affectedHipBackTurnedOut: ["leftHipBackTurnedOut", "rightHipBackTurnedOut"],
} as const satisfies Record<string, readonly [left: Feature, right: Feature]>;
export type AffectedFeature = keyof typeof AFFECTED_FEATURES;

/** A limit whose side follows from the limitation: the affected one, or the other. */
type Templated<Limit> = Limit extends { readonly channel: "barredFeature" }
  ? { readonly channel: "barredFeature"; readonly limit: Feature | AffectedFeature }
  : Limit extends { readonly channel: "sizeShare" | "roundsShare" }
    ? Omit<Limit, "part"> & { readonly part: WholeOrPart | "affectedArm" | "affectedLeg" }
    : Limit extends { readonly side: CapSide }
      ? Omit<Limit, "side"> & { readonly side: CapSide | "affected" | "other" }
      : Limit;
export type CapTemplate = Templated<CapLimit>;

/** One cap that a limitation proposes. */
export interface Proposal {
  readonly limit: CapTemplate;
  readonly strength: Strength;
  /** In which phases; in all when left out. */
  readonly phases?: readonly Phase[];
  /** For which of the rule's kinds; for all when left out. */
  readonly kinds?: readonly string[];
  /**
   * The measured range that the number follows where there is one; the limit's own number is for when there is none.
   */
  readonly follows?: MeasuredRange;
  /** One balance level below the cap that is active now. */
  readonly rungDown?: boolean;
  /** Half of what would hold otherwise: of the strictest number that holds now, or of the limit's own. */
  readonly halves?: boolean;
  /** When to ask again, or when it ends: weeks from the day it is set, or from the event. */
  readonly date: { readonly weeks: number; readonly after: "setting" | "event"; readonly kind: DateKind };
}

/** A precaution, for all kinds of a rule or for some of them. */
export type Caution = CautionName | { readonly name: CautionName; readonly kinds: readonly string[] };

/** The precautions of a kind of a limitation. @param kind null where the rule has no kinds */
export const cautionsOf = ({ cautions }: Pick<LimitationRule, "cautions">, kind: string | null): CautionName[] =>
  cautions.flatMap((caution) => {
    if (typeof caution === "string") return [caution];
    return kind !== null && caution.kinds.includes(kind) ? [caution.name] : [];
  });

/**
 * What a limitation means for movement: the usual starting points, each with its source. The clinician's word wins.
 * Adding one is adding an entry here and its line in the test.
 */
export interface LimitationRule {
  readonly name: string;
  readonly area: Area;
  /** Whether it has a side. */
  readonly sided: boolean;
  /** Whether it began on a day from which its phase is reckoned: an operation, a fracture, a fall. */
  readonly timed: boolean;
  /** Kinds of it that differ in what they mean, as an operation's approach. */
  readonly kinds?: readonly string[];
  /** When it waits for a clinician's limits, and which caps apply in the meantime. */
  readonly waits?: {
    readonly phases: readonly Phase[];
    readonly kinds?: readonly string[];
    readonly interim: readonly CapTemplate[];
  };
  readonly proposals: readonly Proposal[];
  readonly cautions: readonly Caution[];
  readonly source: Source;
  readonly decides: "instructor" | "clinician";
}

/** Weeks after which a firm cap is due for review, unless its rule says otherwise. */
const USUAL_REVIEW = 12;
/** Weeks that a comfort cap lasts. */
const COMFORT = 4;

type More = Partial<Omit<Proposal, "limit" | "strength">>;

export const firm = (limit: CapTemplate, more: More = {}): Proposal => ({
  limit,
  strength: "firm",
  date: { weeks: USUAL_REVIEW, after: "setting", kind: "review" },
  ...more,
});

export const comfort = (limit: CapTemplate, more: More = {}): Proposal => ({
  limit,
  strength: "comfort",
  date: { weeks: COMFORT, after: "setting", kind: "review" },
  ...more,
});

export const USUAL_PRACTICE: Source = "commonPractice";

/** No variant at all. */
export const NOT_TAKING_PART = [
  { channel: "noStanding" },
  { channel: "barredForm", limit: "seated" },
  { channel: "barredForm", limit: "water" },
] as const satisfies readonly CapTemplate[];

/** Seated on land only. */
export const SEATED_ONLY: readonly CapTemplate[] = [{ channel: "noStanding" }, { channel: "barredForm", limit: "water" }];

/** The affected arm rests and holds nothing. */
export const ARM_RESTS: readonly CapTemplate[] = [
  { channel: "sizeShare", part: "affectedArm", limit: 0 },
  { channel: "barredFeature", limit: "holdsWithAffected" },
];
