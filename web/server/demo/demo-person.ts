import type { SecondTask } from "@able-tide/core/body/balance-demand";
import { type MeasuredBody, USUAL_BODY } from "@able-tide/core/body/build";
import type { SeatUse } from "@able-tide/core/body/seats";
import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import type { StandStage } from "@able-tide/core/caps/balance-levels";
import type { CapLimit, DateKind, Strength } from "@able-tide/core/caps/cap";
import type { CapSide } from "@able-tide/core/caps/cap-side";
import type { MeasurementInput } from "@able-tide/core/caps/measurement";
import type { Observation } from "@able-tide/core/class/events";
import type { TimedHold } from "@able-tide/core/movement/timed-hold";
import type { About } from "@able-tide/core/people/about";
import type { Combination } from "@able-tide/core/plan/combination";
import type { SessionPurpose } from "@able-tide/core/plan/purpose";
import type { Side } from "@able-tide/core/side";
import type { PersonInput } from "../people/people.ts";

/** Weeks of sessions behind the demo's today; week 1 is the first. */
export const WEEKS = 14;

/** A cap by week: set in one, perhaps with a date and an end in others. */
interface DemoCap {
  readonly limit: CapLimit;
  readonly reason: string;
  readonly source: string;
  readonly strength: Strength;
  readonly dateKind?: DateKind;
  readonly set: number;
  readonly until?: number;
  readonly ended?: { readonly week: number; readonly because: string };
  /** Its number was recorded before the turn of a shoulder was read as clinicians do: it is due for a check. */
  readonly oldReading?: boolean;
}

/** Something that a person showed in class. */
interface DemoSign {
  readonly week: number;
  readonly movementId: string;
  readonly sign: Observation;
  /** What the instructor found out afterwards; no one has asked yet where it is missing. */
  readonly found?: string;
}

/** A limitation by week: recorded as its rule suggests, cleared by the clinician, over. */
export interface DemoLimitation {
  readonly rule: string;
  readonly side?: CapSide;
  readonly kind?: string;
  /** Weeks before the first session that it happened; negative for after it. */
  readonly weeksBefore?: number;
  readonly note?: string;
  /** The week it was recorded. */
  readonly set: number;
  /** The week of the clinician's letter, and what it says. */
  readonly cleared?: { readonly week: number; readonly says: string };
  readonly over?: { readonly week: number; readonly because: string };
}

export interface DemoPerson {
  readonly person: Omit<PersonInput, "groupIds">;
  readonly groups: readonly DemoGroup[];
  readonly about?: Partial<About>;
  readonly limitations?: readonly DemoLimitation[];
  readonly caps?: readonly DemoCap[];
  readonly measured?: readonly Omit<MeasurementInput, "day">[];
  /**
   * Furthest stage of the four-stage stand, and the week they were released; known from before the record in week 0.
   */
  readonly stand: StandStage;
  readonly released: number | null;
  /** Whether the team's clinician has access. */
  readonly lookedAfter?: boolean;
  /** Seconds on each leg at the first and the last test; what lies between follows, with each day's own luck. */
  readonly oneLeg?: Readonly<Record<Side, { readonly first: number; readonly last: number }>>;
  readonly missed?: readonly number[];
  readonly signs?: readonly DemoSign[];
  /** Weeks in which they answered "lighter today". */
  readonly lighter?: readonly number[];
}

export type DemoGroup = "monday" | "wednesday" | "thursday" | "friday";

/** A person in the units of the form. */
export const person = (
  name: string,
  birthYear: number,
  statureCentimetres: number,
  massKilograms: number,
  uses: string,
  notes: string,
  measured: Partial<MeasuredBody> = {},
): DemoPerson["person"] => ({
  name,
  birthYear,
  statureCentimetres,
  massKilograms,
  measured: { ...USUAL_BODY, ...measured },
  uses,
  notes,
});

/**
 * A movement with its repetitions or its holds, and how: what is in the hands in a pool, the levels it is held in, or what is done at
 * the same time; or a combination that begins with it.
 */
export type DemoPlanItem = readonly [
  movementId: string,
  rounds: number,
  how?: WaterEquipment | TimedHold | Combination | { readonly secondTask: SecondTask },
];

/** A weekly group of the demo: when it meets and what it was taught. */
export interface DemoProgramme {
  readonly group: DemoGroup;
  readonly name: string;
  readonly place: string;
  /** ISO weekday. */
  readonly weekday: 1 | 3 | 4 | 5;
  readonly hour: number;
  readonly minute: number;
  readonly minutes: number;
  /** Seconds of these for sitting down and standing up. */
  readonly changing: number;
  readonly seatedOnly: boolean;
  readonly inWater: boolean;
  readonly helpers: number;
  readonly breathSeconds: number;
  readonly purpose: SessionPurpose;
  /** Whether it is only planned yet, with no sessions on record. */
  readonly isNew?: true;
  /** What people sit on, by their names, where it was chosen for them. */
  readonly seats?: Readonly<Record<string, SeatUse>>;
  /** What was taught in a week; null where the group's sessions are not on record here. */
  readonly blocks: ((week: number) => readonly DemoPlanItem[]) | null;
  /** Effort of a week's class, 0 to 10, and what the instructor wrote. */
  readonly ending: (week: number) => { readonly effort: number; readonly note: string };
}
