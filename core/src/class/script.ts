import type { SecondTask } from "../body/balance-demand.ts";
import type { SeatUse } from "../body/seats.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import type { CellView } from "../fit/cell-view.ts";
import type { SheetItem } from "../leading/session-sheet.ts";
import type { TimedHold } from "../movement/timed-hold.ts";
import type { CombinationPass } from "../plan/combination.ts";
import type { CombinedPart } from "../schedule/combined-items.ts";
import type { Transition } from "../schedule/plan-transitions.ts";
import type { PlanSchedule, ScheduledItem } from "../schedule/schedule-plan.ts";
import type { TransitionHazard, TransitionStep } from "../schedule/transition-steps.ts";
import type { FloorPosition } from "../setup/floor-position.ts";
import type { Floor } from "../setup/standing-positions.ts";
import type { Station } from "../setup/stations.ts";

/**
 * How one thing is reached from the one before, in words: small links in their order, and what the helper is ready for.
 */
export interface ScriptTransition {
  readonly words: readonly string[];
  readonly hazards: readonly string[];
}

/** A part of a combination, as it is taught. */
export interface ScriptPart {
  readonly combination: string;
  readonly pass: CombinationPass;
  /** Number of the pass, from 1, and how many there are. */
  readonly number: number;
  readonly of: number;
  readonly begins: boolean;
  /** Whether it begins by itself when the part before it is done. */
  readonly runsOn: boolean;
}

/**
 * What a script says of a part of a combination.
 *
 * @param part of a scheduled item
 */
export const scriptPart = ({ combination, pass, passNumber, begins, runsOn }: CombinedPart): ScriptPart => ({
  combination: combination.name,
  pass,
  number: passNumber + 1,
  of: combination.passes.length,
  begins,
  runsOn,
});

/** Where those who lead stand, and who is out of sight or reach there. */
export type ScriptStation = Omit<Station, "from" | "to">;

/** The room of a class, measured, with everyone's place in it. */
export interface ScriptRoom {
  readonly floor: Floor;
  readonly places: readonly (FloorPosition & { readonly personId: string })[];
}

/** A plan item as it is taught. The names are those of the stored scripts. */
export interface ScriptItem
  extends Pick<ScheduledItem, "id" | "movement" | "turns" | "breathSeconds" | "cycleSeconds" | "total" | "from" | "to"> {
  readonly meant: ScheduledItem["plannedVariant"];
  /** How it is led: its versions and who does each, and who sits down or stands up before it. Absent in earlier classes. */
  readonly led?: SheetItem;
  /** Where those who lead stand from here on. Absent where they stay where they are, and where no one has measured the room. */
  readonly station?: ScriptStation;
  /** Where someone who has lost their place waits to rejoin, in words, where the room waits otherwise than at the start. */
  readonly home?: string;
  /** Its levels where it is held: one repetition of the movement is then the whole hold. Absent where it is repeated. */
  readonly timedHold?: TimedHold;
  /** Whether each repetition goes a little further than the one before. Absent where all go as far. */
  readonly grows?: true;
  /** Whether it is done in the mind only. Absent where it is moved. */
  readonly inMind?: true;
  /** What everyone does at the same time, and whether they stand on a soft surface. Absent where they do not. */
  readonly secondTask?: SecondTask;
  readonly softFloor?: true;
  /** What everyone holds in water. Absent for bare hands. */
  readonly equipment?: WaterEquipment;
  /** Which pass of a combination it belongs to. Absent where it is done by itself. */
  readonly part?: ScriptPart;
  /** Seconds of the transition, the explanation, the demonstration, the repetitions and the change of sides. */
  readonly parts: {
    readonly link: number;
    readonly talk: number;
    readonly showing: number;
    readonly rounds: number;
    readonly sideChange: number;
  };
  readonly link: ScriptTransition;
  readonly sideChange: ScriptTransition | null;
}

/**
 * What the figure shows of an item: what most do.
 *
 * @param item of a class or a plan
 */
export const figureOf = ({ led, meant }: Pick<ScriptItem, "led" | "meant">): ScriptItem["meant"] => led?.shownVariant ?? meant;

/** A person as they were fitted for the class. */
export interface ScriptPerson {
  readonly id: string;
  readonly name: string;
  /** What they sit on, where it is no usual chair; absent in classes begun before seats were said. */
  readonly seat?: SeatUse;
  /** One a block. */
  readonly cells: readonly CellView[];
  /** Ids of the notes in class that the cells follow from, sorted; absent before the first. */
  readonly fittedAfter?: readonly string[];
}

/** What a class was begun with: the plan and everyone's fit, kept as they were whatever changes later. */
export interface ClassScript {
  readonly groupName: string;
  readonly blocks: readonly ScriptItem[];
  /** Seconds of the whole session. */
  readonly total: number;
  /** Where someone who has lost their place waits to rejoin, in words. */
  readonly home: string;
  /** How the figure is shown: as a mirror of the group, or with its back turned. */
  readonly showing: "mirror" | "sameSide";
  /** Absent where no one has measured it, and in earlier classes. */
  readonly room?: ScriptRoom;
  readonly people: readonly ScriptPerson[];
}

/**
 * Puts into the items of a script where those who lead stand.
 *
 * @param items of the script
 * @param stations one after another
 */
export const withStations = (items: readonly ScriptItem[], stations: readonly Station[]): ScriptItem[] =>
  items.map((item, i) => {
    const begins = stations.find(({ from }) => from === i);
    if (begins === undefined) return item;
    const { from, to, ...station } = begins;
    return { ...item, station };
  });

/** How a class says its transitions; a class keeps what was said, whatever the words become later. */
export interface ScriptWording {
  readonly steps: (steps: readonly TransitionStep[]) => readonly string[];
  readonly hazard: (hazard: TransitionHazard) => string;
}

const sayTransition = ({ steps, hazards }: Transition, { steps: say, hazard }: ScriptWording): ScriptTransition => ({
  words: say(steps),
  hazards: hazards.map(hazard),
});

/**
 * The items of a plan as they are taught.
 *
 * @param schedule of the session as it is led
 * @param wording of the language that the class is taught in
 */
export const scriptItems = ({ blocks }: PlanSchedule, wording: ScriptWording): ScriptItem[] =>
  blocks.map(
    ({
      id,
      block,
      performed,
      timedHold,
      part,
      plannedVariant,
      turns,
      breathSeconds,
      cycleSeconds,
      parts,
      total,
      from,
      to,
      transition,
      sideChange,
    }) => ({
      id,
      movement: performed,
      ...(timedHold && { timedHold }),
      ...(block.grows && timedHold === null && { grows: true as const }),
      ...(block.inMind && { inMind: true as const }),
      ...(block.secondTask && { secondTask: block.secondTask }),
      ...(block.softFloor && { softFloor: true as const }),
      ...(block.equipment && { equipment: block.equipment }),
      ...(part && { part: scriptPart(part) }),
      meant: plannedVariant,
      turns,
      breathSeconds,
      cycleSeconds,
      parts: {
        link: parts.transition,
        talk: parts.explanation,
        showing: parts.demonstration,
        rounds: parts.repetitions,
        sideChange: parts.sideChange,
      },
      total,
      from,
      to,
      link: sayTransition(transition, wording),
      sideChange: sideChange && sayTransition(sideChange, wording),
    }),
  );
