import type { SeatUse } from "@able-tide/core/body/seats";
import { itemAt } from "@able-tide/core/checked-access";
import { type ClassStep, classSteps, movingSeconds, repetitionAt } from "@able-tide/core/class/class-steps";
import type { ClassState } from "@able-tide/core/class/events";
import { type HoldCount, holdCountAt } from "@able-tide/core/class/hold-count";
import { allMoves } from "@able-tide/core/class/moves";
import { type ClassScript, figureOf, type ScriptItem, type ScriptTransition } from "@able-tide/core/class/script";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { endsInWater, outOfWater } from "@able-tide/core/leading/in-water";
import { growthShare } from "@able-tide/core/movement/growing";
import { otherSide, type Side } from "@able-tide/core/side";
import { formatCircumstances } from "@able-tide/words/circumstances";
import { observationLabel } from "@able-tide/words/class";
import { formatScriptPart } from "@able-tide/words/combination";
import { attentionLine } from "@able-tide/words/cues";
import { IN_MIND, OTHER_WAY, wayLabel } from "@able-tide/words/repetitions";
import { WALK_BACK } from "@able-tide/words/setup";
import { formatOutOfSight, formatStation } from "@able-tide/words/stations";
import { variantWords } from "@able-tide/words/variant-words";
import { formatChange } from "@able-tide/words/versions";

/** A participant as the class screen shows them. */
export interface PersonNow {
  readonly id: string;
  readonly name: string;
  /** The digit that picks them, or "" past the tenth. */
  readonly digit: string;
  /** What they sit on, where it is no usual chair. */
  readonly seat?: SeatUse;
  readonly cell: CellView | null;
  /** Whether they have a hand in standing up before this movement or the next. */
  readonly hand: boolean;
  /** Observations of today, newest last. */
  readonly noted: readonly string[];
  /** Whether they were dizzy: they sit and are asked before anything else. */
  readonly sits: boolean;
  /** Whether what is noted of them is still to be fitted. */
  readonly due: boolean;
  /** Whether they do no movement of a class in water: they stay at the side. */
  readonly outOfWater: boolean;
}

/** The movement that is being done. */
export interface CurrentMovement {
  readonly step: ClassStep;
  readonly block: ScriptItem;
  readonly name: string;
  readonly cue: string;
  /** Where the attention goes; empty where the cue does not say. */
  readonly attention: string;
  /** What is done at the same time or stood on; empty where it is neither. */
  readonly besides: string;
  /** The pass of a combination that it belongs to, in words, and what is said before the pass; empty elsewhere. */
  readonly pass: string;
  readonly say: string;
  /** Which way the repetitions go, in words; empty where there is one way only. */
  readonly way: string;
  /** How the movement, or its other side, is reached; null once repetitions have begun. */
  readonly transition: ScriptTransition | null;
  /** Who stands up and who sits down before it, in words; empty where no one here does, and once repetitions have begun. */
  readonly change: string;
  /** Where those who lead stand from now on, and who is out of sight or reach, in words; empty where they stay. */
  readonly stand: readonly string[];
  /** The side the group leads with, and the instructor's where they are shown a mirror. */
  readonly side: Side | null;
  readonly instructorSide: Side | null;
  /** 0 during the demonstration, then the repetition from 1; of a hold, the hold. */
  readonly repetition: number;
  /** How far the repetition goes: less than 1 where each goes a little further than the one before. */
  readonly share: number;
  /** Where the hold stands; null where the movement is repeated, and during the demonstration. */
  readonly hold: HoldCount | null;
  /** Seconds until repetitions begin, and until the step should end. */
  readonly untilRepetitions: number;
  readonly left: number;
  /** Null where the next step is the end of the class. */
  readonly next: {
    readonly name: string;
    readonly side: Side | null;
    readonly goesOn: boolean;
    /** Who stands up and who sits down before it, in words; empty where no one here does. */
    readonly change: string;
    /** Where those who lead stand from then on, in words; empty where they stay. */
    readonly stand: string;
  } | null;
}

/** What the class screen shows, from the script, the events and the clock. */
export interface ClassView {
  readonly stage: "arrivals" | "moving" | "ending" | "ended";
  /** The step being done; null before the first. */
  readonly at: number | null;
  readonly lastStep: number;
  readonly people: readonly PersonNow[];
  readonly current: CurrentMovement | null;
  /** Share of the planned session that lies behind, 0 to 1. */
  readonly progress: number;
  /** When the step began, milliseconds; null until the page is in the browser. */
  readonly since: number | null;
  /** Seconds since the first movement. */
  readonly elapsed: number;
  /** Seconds behind the plan; negative ahead of it. */
  readonly behind: number;
  /** Whether everyone leaves from the water. */
  readonly endsInWater: boolean;
}

const DIGITS = "1234567890";
const OTHER_SIDE = "Other side";
const OTHER_DIRECTION = "Other way";

const seconds = (now: number | null, since: string | null): number =>
  now === null || since === null ? 0 : (now - new Date(since).getTime()) / 1000;

function nameOfNext(script: ClassScript, step: ClassStep, next: ClassStep): string {
  const block = itemAt(script.blocks, next.blockIndex);
  if (next.blockIndex !== step.blockIndex) return variantWords(block.movement, figureOf(block)).name;
  if (next.walksBack) return WALK_BACK;
  return next.turnsRound ? OTHER_DIRECTION : OTHER_SIDE;
}

/** What the leader says. @param said of the movement */
function cueOfStep({ inMind, part }: ScriptItem, { turnsRound, walksBack }: ClassStep, said: string): string {
  if (turnsRound) return `${OTHER_WAY}.`;
  if (inMind) return IN_MIND;
  if (walksBack) return `${WALK_BACK}.`;
  return part?.pass.quiet ? "" : said;
}

/** Whether an item begins with a step: what is said before an item is not said again before its other side or way. */
const beginsItem = ({ turn, turnsRound }: ClassStep): boolean => turn === 0 && !turnsRound;

/** Who of those that are here stands up and sits down before an item, in words. */
function changeWords({ blocks, people }: ClassScript, here: ReadonlySet<string>, step: ClassStep): string {
  const change = beginsItem(step) ? blocks[step.blockIndex]?.led?.change : null;
  if (!change) return "";
  const present = (ids: readonly string[]): string[] => ids.filter((id) => here.has(id));
  const [rise, sit, hands] = [present(change.rise), present(change.sit), present(change.hands)];
  if (rise.length + sit.length === 0) return "";
  const names = new Map(people.flatMap(({ id, name }) => (here.has(id) ? [[id, name] as const] : [])));
  return formatChange({ ...change, rise, sit, hands }, names);
}

/** Where those who lead stand from a step on, and who of those that are here is then out of sight or reach, in words. */
function standWords({ blocks, people, room }: ClassScript, here: ReadonlySet<string>, step: ClassStep): string[] {
  const station = beginsItem(step) ? blocks[step.blockIndex]?.station : undefined;
  if (station === undefined || room === undefined) return [];
  const there = people.flatMap(({ id, name }) => {
    const place = here.has(id) ? room.places.find(({ personId }) => personId === id) : undefined;
    return place ? [{ id, name, x: place.x, z: place.z }] : [];
  });
  return [formatStation(room.floor, station, there), ...formatOutOfSight(station, there)];
}

/** Who has a hand in standing up before a step or before the one after it, by id. */
const handsAround = ({ blocks }: ClassScript, steps: readonly ClassStep[], step: ClassStep): readonly string[] =>
  [step, steps[steps.indexOf(step) + 1]].flatMap((each) =>
    each && beginsItem(each) ? (blocks[each.blockIndex]?.led?.change?.hands ?? []) : [],
  );

function currentMovement(
  script: ClassScript,
  steps: readonly ClassStep[],
  at: number,
  inStep: number,
  here: ReadonlySet<string>,
): CurrentMovement | null {
  const step = steps[at];
  const block = step && script.blocks[step.blockIndex];
  if (!step || !block) return null;
  const next = steps[at + 1];
  const { part } = block;
  const { name, cues } = variantWords(block.movement, figureOf(block));
  const repetition = repetitionAt(step, inStep);
  return {
    step,
    block,
    name,
    share: block.grows ? growthShare(Math.max(0, repetition - 1), step.rounds) : 1,
    cue: cueOfStep(block, step, cues.do ?? ""),
    besides: formatCircumstances(block, block.meant.kind === "water"),
    attention: part?.pass.quiet ? "" : attentionLine(cues),
    pass: part ? formatScriptPart(part) : "",
    say: part?.begins ? (part.pass.say ?? "") : "",
    way: wayLabel(block.movement, step.way),
    transition: repetition > 0 ? null : step.turn === 0 ? block.link : block.sideChange,
    change: repetition > 0 ? "" : changeWords(script, here, step),
    stand: repetition > 0 ? [] : standWords(script, here, step),
    side: step.side,
    instructorSide: step.side && script.showing === "mirror" ? otherSide(step.side) : null,
    repetition,
    hold: holdCountAt(block, step, inStep),
    untilRepetitions: step.lead - inStep,
    left: step.lead + movingSeconds(step) - inStep,
    next: next
      ? {
          name: nameOfNext(script, step, next),
          side: next.side,
          goesOn: next.goesOn,
          change: changeWords(script, here, next),
          stand: standWords(script, here, next)[0] ?? "",
        }
      : null,
  };
}

/**
 * @param due ids of participants whose coming movements are still to be fitted
 * @param now milliseconds; null until the page is in the browser
 */
export function classView(script: ClassScript, state: ClassState, due: ReadonlySet<string>, now: number | null): ClassView {
  const steps = classSteps(script.blocks);
  const moved = now === null ? undefined : allMoves(steps, state.moves, new Date(now).toISOString()).at(-1);
  const at = moved?.step ?? state.step;
  const stepSince = moved?.at ?? state.stepSince;
  const inStep = seconds(now, stepSince);
  const elapsed = seconds(now, state.begunAt);
  const current = at === null ? null : currentMovement(script, steps, at, inStep, state.here);
  const ending = at !== null && at >= steps.length;
  const hands = new Set(current ? handsAround(script, steps, current.step) : []);
  const led = script.blocks.flatMap((block) => block.led ?? []);
  const ashore = outOfWater(led);
  const people = script.people.map(({ id, name, cells, seat }, i): PersonNow => {
    const notes = state.notes.filter(({ personId }) => personId === id);
    return {
      id,
      name,
      digit: DIGITS[i] ?? "",
      ...(seat && { seat }),
      cell: (current && cells[current.step.blockIndex]) ?? null,
      hand: hands.has(id),
      noted: notes.map(({ sign }) => observationLabel(sign)),
      sits: notes.some(({ sign }) => sign === "dizzy"),
      due: due.has(id),
      outOfWater: ashore.includes(id),
    };
  });
  const from = current?.step.from ?? (ending ? script.total : 0);
  return {
    stage: state.ended ? "ended" : at === null ? "arrivals" : ending ? "ending" : "moving",
    at,
    lastStep: steps.length,
    people,
    current,
    progress: Math.min(1, from / script.total),
    since: now === null || stepSince === null ? null : new Date(stepSince).getTime(),
    elapsed,
    behind: current ? elapsed - current.step.from - Math.min(inStep, inStep + current.left) : 0,
    endsInWater: endsInWater(led),
  };
}

/** The command of a key or a touch in class. */
export type ClassCommand =
  | { readonly kind: "tick"; readonly personId: string }
  | { readonly kind: "pick"; readonly personId: string }
  | { readonly kind: "begin" }
  | { readonly kind: "go"; readonly step: number }
  | { readonly kind: "stop" };

/** The command of a key on the class screen; null where the key means nothing there. */
export function classKey(key: string, { stage, at, people, lastStep }: ClassView): ClassCommand | null {
  if (stage === "ended") return null;
  const person = people.find(({ digit }) => digit === key);
  if (person) {
    if (stage === "arrivals") return { kind: "tick", personId: person.id };
    return stage === "moving" ? { kind: "pick", personId: person.id } : null;
  }
  switch (key) {
    case " ":
      if (stage === "arrivals") return { kind: "begin" };
      return stage === "moving" && at !== null ? { kind: "go", step: Math.min(lastStep, at + 1) } : null;
    case "Backspace":
      return at !== null && at > 0 ? { kind: "go", step: at - 1 } : null;
    case "s":
      return { kind: "stop" };
    default:
      return null;
  }
}

/** The clock against the plan, as it is shown. @param behind seconds; negative ahead */
export function formatDelay(behind: number): string {
  const minutes = Math.round(Math.abs(behind) / 60);
  if (minutes === 0) return "on time";
  return `${minutes} min ${behind > 0 ? "behind" : "ahead"}`;
}
