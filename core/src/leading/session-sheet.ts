import { risesWithHand } from "../caps/rising.ts";
import { itemAt } from "../checked-access.ts";
import { cellOnFeet, type FittedCell } from "../fit/cell.ts";
import type { FitPlan } from "../fit/fit-plan.ts";
import { type RoomChange, roomChangesOf } from "../fit/room-changes.ts";
import type { FitPerson } from "../fit/session.ts";
import { type Version, type VersionCode, versionOf, versionOfVariant } from "../fit/version.ts";
import type { VariantSpec } from "../movement/variant.ts";
import type { LedPlace } from "../schedule/led-place.ts";
import type { LeadableFit } from "./leadable-fit.ts";
import { type Done, isRoomOnFeet, risingBefore, shownVersion, sittingBefore, versionsDone } from "./room.ts";
import { shownVariant } from "./shown-variant.ts";

/** A version of an item with the people who do it, by id. */
export interface SheetVersion extends Version {
  readonly people: readonly string[];
  /** Whether it is shown besides those of the sheet, for one who can do none of them. */
  readonly besides: boolean;
  /** The variant in which a figure shows it. */
  readonly variant: VariantSpec;
}

/** Changes between chair and feet before an item. */
export interface SheetChange {
  /** What the room does; null where it goes on as it was. */
  readonly room: RoomChange | null;
  /** Who stands up, who sits down, and who of those that stand up has a hand. */
  readonly rise: readonly string[];
  readonly sit: readonly string[];
  readonly hands: readonly string[];
  /** One after another, with as many hands at a time as there are helpers. */
  readonly waves: number;
  /** Seconds until everyone stands or sits. */
  readonly seconds: number;
}

/** One item as it is led. */
export interface SheetItem {
  readonly blockId: string;
  /** Whether the room is on its feet. */
  readonly onFeet: boolean;
  /** The place in `versions` of the one that the figure shows; null where no one moves. */
  readonly shown: number | null;
  /** The variant in which the figure shows it; the planned one where no one moves. */
  readonly shownVariant: VariantSpec;
  /** In the order of cues: who sits or holds on is told first. */
  readonly versions: readonly SheetVersion[];
  /** Who breathes along, rests or does it in the mind. */
  readonly apart: readonly string[];
  /** Null where everyone goes on as before. */
  readonly change: SheetChange | null;
}

/** How a session is led: what everyone who leads, helps or takes part in it sees. Plain data. */
export interface SessionSheet {
  readonly items: readonly SheetItem[];
  /** How much of the planned movements the group keeps, and would keep with any number of versions, 0 to 1. */
  readonly match: number;
  readonly freeMatch: number;
  /** The most versions at a time. */
  readonly versions: number;
  /** Changes between chair and feet over the session, and how many of them are risings with a hand. */
  readonly changes: number;
  readonly handRises: number;
  /** Items before which more people stand up with a hand than there are hands for. */
  readonly overHands: readonly string[];
  /** By what its times are: the items as they were led when everyone was fitted to these times. */
  readonly timed: readonly TimedItem[];
}

/** How one item is led, as far as its time is concerned. */
export interface TimedItem extends LedPlace {
  readonly blockId: string;
}

/**
 * How each item is led, as far as its time is concerned.
 *
 * @param items of a sheet
 */
export const timedItems = (items: readonly SheetItem[]): TimedItem[] =>
  items.map(({ blockId, shownVariant: variant, change }) => ({
    blockId,
    variant,
    seconds: change?.seconds ?? 0,
    together: change !== null && change.room !== null,
  }));

/**
 * How each item is led, for a schedule of the session.
 *
 * @param sheet of the session
 */
export const ledPlaces = ({ timed }: Pick<SessionSheet, "timed">): ReadonlyMap<string, LedPlace> =>
  new Map(timed.map(({ blockId, ...place }) => [blockId, place]));

/** Seconds that standing up and sitting down take a room, as in transitions, and one person's rise with a hand. Our own numbers. */
export const CHANGE_SECONDS = { rise: 10, sit: 6, hand: 10 } as const;

/** What of a cell says how the room is led: of a fit, or of one that is shown. */
export type SheetCell = Pick<FittedCell, "choice" | "inMind">;

/** Who does it: their id, and the caps that say whether they stand up with a hand. */
export type SheetPerson = Pick<FitPerson, "id" | "caps">;

function doneOf(cell: SheetCell, plan: FitPlan, b: number): Done {
  const { plannedVariant } = itemAt(plan.blocks, b);
  const planned = { depth: plannedVariant.depth, inWater: plan.resources.pool !== null };
  return { onFeet: cellOnFeet(cell), version: cell.choice === null ? null : versionOfVariant(cell.choice, planned) };
}

function changeOf(
  before: readonly Done[],
  now: readonly Done[],
  room: RoomChange | null,
  people: readonly SheetPerson[],
  helpers: number,
): SheetChange | null {
  const rising = risingBefore(before, now);
  const sitting = sittingBefore(before, now);
  if (rising.length + sitting.length === 0) return null;
  const id = (p: number): string => itemAt(people, p).id;
  const hands = rising.filter((p) => risesWithHand(itemAt(people, p)));
  const waves = Math.ceil(hands.length / Math.max(1, helpers));
  const seconds = Math.max(
    rising.length > 0 ? CHANGE_SECONDS.rise : 0,
    sitting.length > 0 ? CHANGE_SECONDS.sit : 0,
    waves * CHANGE_SECONDS.hand,
  );
  return { room, rise: rising.map(id), sit: sitting.map(id), hands: hands.map(id), waves, seconds };
}

/**
 * Writes down how the items of a session are led.
 *
 * @param plan what is taught
 * @param people who does it
 * @param rows of each of them, one cell an item
 * @param listed versions of each item that are led for more than one who can do no other
 */
export function sheetItemsOf(
  plan: FitPlan,
  people: readonly SheetPerson[],
  rows: readonly (readonly SheetCell[])[],
  listed: readonly (readonly VersionCode[])[],
): SheetItem[] {
  const done = plan.blocks.map((_, b) => rows.map((cells) => doneOf(itemAt(cells, b), plan, b)));
  const onFeet = plan.blocks.map((block, b) => isRoomOnFeet(itemAt(done, b), block));
  const rooms = roomChangesOf(onFeet);
  const id = (p: number): string => itemAt(people, p).id;
  return plan.blocks.map(({ id: blockId, movement, plannedVariant }, b): SheetItem => {
    const now = itemAt(done, b);
    const uses = versionsDone(now);
    const most = shownVersion(uses, itemAt(onFeet, b));
    const shown = most === null ? null : uses.findIndex(({ version }) => version === most);
    const versions = uses.map(
      ({ version, people: who }): SheetVersion => ({
        ...versionOf(version),
        people: who.map(id),
        besides: !(listed[b] ?? []).includes(version),
        variant: shownVariant(
          movement,
          plannedVariant,
          who.flatMap((p) => itemAt(itemAt(rows, p), b).choice ?? []),
          plan.resources.pool !== null,
        ),
      }),
    );
    return {
      blockId,
      onFeet: itemAt(onFeet, b),
      shown,
      shownVariant: shown === null ? plannedVariant : itemAt(versions, shown).variant,
      versions,
      apart: now.flatMap(({ version }, p) => (version === null ? [id(p)] : [])),
      change: b === 0 ? null : changeOf(itemAt(done, b - 1), now, itemAt(rooms, b), people, plan.resources.helpers),
    };
  });
}

/**
 * Writes down how a session is led, from the fit.
 *
 * @param plan what is taught
 * @param people in the order of the fit's rows
 * @param led their fit
 * @param timed by what the session is timed; by the fit itself unless it is said
 */
export function sessionSheetOf(
  plan: FitPlan,
  people: readonly FitPerson[],
  led: LeadableFit,
  timed?: readonly TimedItem[],
): SessionSheet {
  const items = sheetItemsOf(
    plan,
    people,
    led.rows.map(({ cells }) => cells),
    led.items.map(({ versions }) => versions),
  );
  const changes = items.flatMap(({ change }) => change ?? []);
  return {
    items,
    match: led.match,
    freeMatch: led.freeMatch,
    versions: plan.versions,
    changes: changes.reduce((sum, { rise, sit }) => sum + rise.length + sit.length, 0),
    handRises: changes.reduce((sum, { hands }) => sum + hands.length, 0),
    overHands: led.forced.map(({ item }) => itemAt(plan.blocks, item).id),
    timed: timed ?? timedItems(items),
  };
}
