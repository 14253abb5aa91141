import * as v from "valibot";
import { CheckIn } from "../caps/answers.ts";

/** What a person shows in class. */
export const OBSERVATIONS = ["rested", "wobbled", "hand", "caught", "pain", "dizzy"] as const;
/** Code of an observation: what a participant shows in class. */
export type Observation = (typeof OBSERVATIONS)[number];

/** Signs that are taken back with a word only, and not by the helper. */
const GRAVE: readonly Observation[] = ["caught", "pain", "dizzy"];
export const isSevere = (sign: Observation): boolean => GRAVE.includes(sign);

/** Pain on the day after: none, or as usual; more, settled within the day; more, and it lasted. */
export const NEXT_DAY_PAINS = ["none", "settled", "lasted"] as const;
export type NextDayPain = (typeof NEXT_DAY_PAINS)[number];

const id = v.pipe(v.string(), v.uuid());
/** An instant that exists, in a year that a device can mean and a database can keep. */
const isInstant = (text: string): boolean =>
  /^(19|20|21)/.test(text) &&
  !Number.isNaN(Date.parse(text)) &&
  new Date(text).toISOString().startsWith(text.slice(0, "yyyy-mm-dd".length));
const instant = v.pipe(v.string(), v.isoTimestamp(), v.check(isInstant));
const because = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200));
const MOST_STEPS = 1000;
const step = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_STEPS));

/** What is recorded when a class ends: perceived effort of the group, 0 to 10, and a note. */
const closing = {
  effort: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(10)),
  note: v.pipe(v.string(), v.maxLength(2000)),
};

/** Number of a session sheet of a class. */
const sheet = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000));

/** One kind of event: when it happened, by which clock, and by which session sheet the class was led. */
const event = <const Kind extends string, Entries extends v.ObjectEntries>(kind: Kind, entries: Entries) =>
  v.object({
    kind: v.literal(kind),
    id,
    at: instant,
    deviceAt: v.exactOptional(instant),
    sheet: v.exactOptional(sheet),
    ...entries,
  });

/**
 * Something that happened in a class. Events are only ever added; their ids are made where they happen, so that
 * sending one twice keeps it once. `at` is when it happened by the server's clock, as far as the device knows that;
 * `deviceAt` is the same instant by the device's own clock. `sheet` is the number of the session sheet that the device showed.
 */
export const ClassEvent = v.variant("kind", [
  event("moved", { step }),
  event("attended", { personId: id, here: v.boolean() }),
  event("noted", { personId: id, step, sign: v.picklist(OBSERVATIONS) }),
  /** What a person answered when they arrived; the last counts. A word lets them in against what it proposes. */
  event("checkedIn", {
    personId: id,
    answers: CheckIn,
    overriddenBecause: v.nullable(v.pipe(v.string(), v.minLength(1), v.maxLength(200))),
  }),
  /** Takes a note back that was made by mistake, a grave one with a word; the note stays on record. */
  event("withdrawn", { noteId: id, because: v.exactOptional(v.pipe(v.string(), v.trim(), v.maxLength(200))) }),
  /** What was found out about a grave note after class. */
  event("followedUp", { noteId: id, because }),
  /** How someone was on the day after the class. */
  event("nextDay", { personId: id, pain: v.picklist(NEXT_DAY_PAINS) }),
  event("ended", closing),
  /** Effort and note of an ended class as they should have been; the last counts, the earlier ones stay on record. */
  event("closingCorrected", { ...closing, because }),
  /** Whether someone was in an ended class after all, from its first movement to its end. */
  event("attendanceCorrected", { personId: id, here: v.boolean(), because }),
]);
export type ClassEvent = v.InferOutput<typeof ClassEvent>;

/** An observation as it was recorded. */
export interface RecordedObservation {
  readonly id: string;
  readonly personId: string;
  readonly step: number;
  readonly sign: Observation;
  readonly at: string;
}

export interface CheckedIn {
  readonly answers: CheckIn;
  readonly overriddenBecause: string | null;
  readonly at: string;
}

/** Where a class is, by its events alone. */
export interface ClassState {
  /** The step being done; null before the first. */
  readonly step: number | null;
  /** Since when, ISO instant. */
  readonly stepSince: string | null;
  /** When the first movement began, ISO instant. */
  readonly begunAt: string | null;
  readonly here: ReadonlySet<string>;
  readonly notes: readonly RecordedObservation[];
  /** When each person came and went, in order. */
  readonly comings: ReadonlyMap<string, readonly { readonly at: string; readonly here: boolean }[]>;
  /** When each step began, in order. */
  readonly moves: readonly { readonly at: string; readonly step: number }[];
  /** What was found out about notes after class, by note. */
  readonly followedUp: ReadonlyMap<string, string>;
  /** Pain on the day after, by person. */
  readonly nextDay: ReadonlyMap<string, NextDayPain>;
  /** The last check-in of each person. */
  readonly checkIns: ReadonlyMap<string, CheckedIn>;
  readonly ended: { readonly effort: number; readonly note: string; readonly at: string } | null;
}

/** Whether an event puts right what was recorded before. */
const corrects = ({ kind }: ClassEvent): boolean => kind === "closingCorrected" || kind === "attendanceCorrected";

/** A state while it is put together. */
const emptyState = () => ({
  step: null as number | null,
  stepSince: null as string | null,
  begunAt: null as string | null,
  here: new Set<string>(),
  notes: [] as RecordedObservation[],
  comings: new Map<string, { at: string; here: boolean }[]>(),
  moves: [] as { at: string; step: number }[],
  followedUp: new Map<string, string>(),
  nextDay: new Map<string, NextDayPain>(),
  checkIns: new Map<string, CheckedIn>(),
  ended: null as ClassState["ended"],
});

/** Adds the next event to a state. A note that is taken back is taken out in the end: its event may come first. */
function happen(state: ReturnType<typeof emptyState>, event: ClassEvent): void {
  switch (event.kind) {
    case "moved":
      state.step = event.step;
      state.stepSince = event.at;
      state.begunAt ??= event.at;
      state.moves.push({ at: event.at, step: event.step });
      break;
    case "attended":
      if (event.here) state.here.add(event.personId);
      else state.here.delete(event.personId);
      state.comings.set(event.personId, [...(state.comings.get(event.personId) ?? []), { at: event.at, here: event.here }]);
      break;
    case "noted":
      state.notes.push({ id: event.id, personId: event.personId, step: event.step, sign: event.sign, at: event.at });
      break;
    case "checkedIn":
      state.checkIns.set(event.personId, { answers: event.answers, overriddenBecause: event.overriddenBecause, at: event.at });
      break;
    case "withdrawn":
      break;
    case "followedUp":
      state.followedUp.set(event.noteId, event.because);
      break;
    case "nextDay":
      state.nextDay.set(event.personId, event.pain);
      break;
    case "ended":
      state.ended = { effort: event.effort, note: event.note, at: event.at };
      break;
    case "closingCorrected":
      if (state.ended) state.ended = { ...state.ended, effort: event.effort, note: event.note };
      break;
    case "attendanceCorrected":
      if (event.here) state.here.add(event.personId);
      else state.here.delete(event.personId);
      state.comings.set(event.personId, event.here ? [{ at: state.begunAt ?? event.at, here: true }] : []);
      break;
  }
}

/**
 * Replays a class. The order of the list does not matter: events are taken by the time they happened, then by id,
 * corrections after everything else, and an event that is there twice counts once.
 */
export function classState(events: readonly ClassEvent[]): ClassState {
  const once = [...new Map(events.map((event) => [event.id, event])).values()];
  once.sort(
    (a, b) => Number(corrects(a)) - Number(corrects(b)) || (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1),
  );
  const state = emptyState();
  for (const event of once) happen(state, event);
  const withdrawn = new Set(once.flatMap((event) => (event.kind === "withdrawn" ? [event.noteId] : [])));
  return { ...state, notes: state.notes.filter((note) => !withdrawn.has(note.id)) };
}
