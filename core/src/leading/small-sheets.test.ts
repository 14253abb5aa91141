import fc from "fast-check";
import { expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import type { FitPlan } from "../fit/fit-plan.ts";
import { anyPerson, named, planOf } from "../fit/group.fixture.ts";
import { type CellOption, otherVersionOptions } from "../fit/options.ts";
import { roomChangesOf } from "../fit/room-changes.ts";
import type { FitPerson, PersonOptions } from "../fit/session.ts";
import type { ChangeCost } from "../fit/session-rules.ts";
import type { VersionCode } from "../fit/version.ts";
import { welfare } from "../fit/welfare.ts";
import { load } from "../movement/library.fixture.ts";
import { cases } from "../test-size.fixture.ts";
import { ledFit } from "./led-fit.fixture.ts";
import { isRoomOnFeet } from "./room.ts";
import { sessionSheetOf } from "./session-sheet.ts";
import { changeCostsOf, SHEET_COSTS } from "./sheet-costs.ts";

/** Two movements, of which nothing runs short. */
const pairs = [
  ["side-weight-shift", "one-leg-toe-near"],
  ["trunk-turn", "heels-up"],
  ["lift-and-part", "shift-and-press"],
].map((ids) => planOf(ids.map(load), { chairs: 12, rail: 12, helpers: 12, pool: null }));

/** The best option of each version of an item, and the best without one. */
function bestOfEach(options: readonly CellOption[]): CellOption[] {
  const best = new Map<number | string, CellOption>();
  for (const option of options) {
    const key = option.version ?? `apart ${option.onFeet}`;
    const known = best.get(key);
    if (known === undefined || option.worth > known.worth) best.set(key, option);
  }
  return [...best.values()];
}

/** Everything that everyone could do in every item, in any version that someone would choose. */
function openTo(participants: readonly PersonOptions[]): CellOption[][][] {
  return participants.map((options) =>
    options.blocks.map(({ search, block, options: own }, b) => {
      const versions = new Set(
        participants.flatMap(({ blocks }) => itemAt(blocks, b).options.flatMap(({ version }) => version ?? [])),
      );
      const others = [...versions].flatMap((version) => otherVersionOptions(search, block.turns, options.counted, version));
      return bestOfEach([...own, ...others]);
    }),
  );
}

/** Every way to choose one of each list. */
function* everyChoice<Thing>(lists: readonly (readonly Thing[])[]): Generator<Thing[]> {
  const [first, ...rest] = lists;
  if (first === undefined) yield [];
  else for (const thing of first) for (const others of everyChoice(rest)) yield [thing, ...others];
}

/** What three people could do in two movements, and what their bodies leave open. */
interface SmallCase {
  readonly plan: FitPlan;
  readonly people: readonly FitPerson[];
}

const anySmallCase: fc.Arbitrary<SmallCase> = fc
  .tuple(fc.constantFrom(...pairs), fc.array(anyPerson(3), { minLength: 3, maxLength: 3 }), fc.constantFrom(1, 2))
  .map(([pair, some, versions]) => ({ plan: { ...pair, versions }, people: named(some) }));

/** Whether a cap on a total or on minutes bears on anyone: these are tested with the free fit. */
const isLimited = (people: readonly PersonOptions[]): boolean =>
  people.some(
    ({ limits, blocks }) => [...limits.sums, limits.run].some(Number.isFinite) || blocks.some(({ spent }) => spent.length > 0),
  );

/** The good of what one person does in two movements. */
function goodOf([first, then]: readonly [CellOption, CellOption], costs: ChangeCost): number {
  const change = first.onFeet === then.onFeet ? 0 : then.onFeet ? costs.rise : costs.sit;
  return welfare((first.worth + then.worth - change) / 2);
}

/** Sets of at most so many versions. */
const setsOf = (versions: readonly VersionCode[], most: number): VersionCode[][] =>
  [...everyChoice(versions.map((version) => [[], [version]]))].map((set) => set.flat()).filter(({ length }) => length <= most);

/** The best of all sheets in which everyone does their own best, and the room does what the sheet says of it. */
function bestSheet({ plan }: SmallCase, open: readonly (readonly (readonly CellOption[])[])[]): number {
  const sheets = plan.blocks.map((_, b) => {
    const versions = [...new Set(open.flatMap((of) => itemAt(of, b).flatMap(({ version }) => version ?? [])))];
    return setsOf(versions, plan.versions).flatMap((set) => [true, false].map((onFeet) => ({ set, onFeet })));
  });
  let best = Number.NEGATIVE_INFINITY;
  for (const sheet of everyChoice(sheets)) {
    const costs = changeCostsOf(roomChangesOf(sheet.map(({ onFeet }) => onFeet))[1] ?? null, SHEET_COSTS);
    const done = open.map((of) => {
      const [first = [], then = []] = of.map((options, b) =>
        options.filter(({ version }) => version === null || itemAt(sheet, b).set.includes(version)),
      );
      return first
        .flatMap((a) => then.map((b) => [a, b] as const))
        .reduce((most, each) => (goodOf(each, costs) > goodOf(most, costs) ? each : most));
    });
    const isAsSaid = sheet.every(
      ({ onFeet }, b) =>
        isRoomOnFeet(
          done.map((each) => itemAt(each, b)),
          itemAt(plan.blocks, b),
        ) === onFeet,
    );
    if (isAsSaid)
      best = Math.max(
        best,
        done.reduce((sum, each) => sum + goodOf(each, costs), 0),
      );
  }
  return best;
}

/** The best of all that everyone could do, also where one does less so that the room does what suits another. */
function bestOfAll({ plan }: SmallCase, open: readonly (readonly (readonly CellOption[])[])[]): number {
  const columns = plan.blocks.map((_, b) =>
    [...everyChoice(open.map((of) => itemAt(of, b)))].filter(
      (chosen) => new Set(chosen.flatMap(({ version }) => version ?? [])).size <= plan.versions,
    ),
  );
  let best = Number.NEGATIVE_INFINITY;
  for (const [first = [], second = []] of everyChoice(columns)) {
    const rooms = roomChangesOf([first, second].map((chosen, b) => isRoomOnFeet(chosen, itemAt(plan.blocks, b))));
    const costs = changeCostsOf(rooms[1] ?? null, SHEET_COSTS);
    best = Math.max(
      best,
      first.reduce((sum, option, p) => sum + goodOf([option, itemAt(second, p)], costs), 0),
    );
  }
  return best;
}

test("in small cases it is the best of all sheets, and no better than the best of all that everyone could do", () => {
  fc.assert(
    fc.property(anySmallCase, (small) => {
      const { plan, people } = small;
      const { free, led } = ledFit(plan, people);
      fc.pre(!isLimited(free.participants));
      // What is shown besides is no part of the bound on versions.
      fc.pre(sessionSheetOf(plan, people, led).items.every((item) => item.versions.every(({ besides }) => !besides)));
      const open = openTo(free.participants);
      expect(led.good).toBeLessThanOrEqual(bestOfAll(small, open) + 1e-6);
      expect(led.good).toBeGreaterThanOrEqual(bestSheet(small, open) - 1e-6);
    }),
    { numRuns: cases(10, 200) },
  );
}, 600_000);
