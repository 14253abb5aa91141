import { expect, test } from "vitest";
import { capOf } from "../caps/cap.fixture.ts";
import { itemAt } from "../checked-access.ts";
import type { CellView } from "../fit/cell-view.ts";
import { fitPlanOf } from "../fit/fit-plan.ts";
import { versionCode } from "../fit/version.ts";
import { sheetItemsOf } from "../leading/session-sheet.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { ledItems, ledSoFar, withLeading, withoutPerson } from "./led-script.ts";
import { type ClassScript, figureOf, scriptItems } from "./script.ts";

const schedule = schedulePlan(planned("settling-breath", "lift-and-part", "side-weight-shift"), circumstances());
const plan = fitPlanOf(schedule, { chairs: 12, rail: 12, helpers: 1, pool: null }, { size: "comfortable" });
const WORDING = { steps: () => ["a step"], hazard: () => "a hazard" };
const format = ({ support }: { readonly support: string }): string => support;
const { home } = schedule;

const UP = FULL_STANDING_VARIANT;
const DOWN = FULL_SEATED_VARIANT;
const cells = (...choices: readonly (VariantSpec | null)[]) => choices.map((choice) => ({ choice, brief: "" }) as CellView);
const STANDING = versionCode({ posture: "standing", legs: "planned", arms: "all" });
const SEATED = versionCode({ posture: "seated", legs: "planned", arms: "all" });

const people = [
  { id: "a", name: "A", cells: cells(UP, UP, UP) },
  { id: "b", name: "B", cells: cells(UP, DOWN, UP) },
  { id: "c", name: "C", cells: cells(UP, DOWN, UP) },
];
const fits = [
  { id: "a", caps: [] },
  { id: "b", caps: [] },
  { id: "c", caps: [capOf({ channel: "handToRise" })] },
];

const script: ClassScript = {
  groupName: "Footing",
  blocks: ledItems(
    scriptItems(schedule, WORDING),
    sheetItemsOf(
      plan,
      fits,
      people.map((person) => person.cells),
      [[STANDING], [SEATED, STANDING], [STANDING]],
    ),
    home,
    format,
  ),
  total: schedule.total,
  home: "stand",
  showing: "mirror",
  people,
};
const led = ({ blocks }: ClassScript) => blocks.map((item) => itemAt([item.led], 0));

test("the figure shows what most do, and people wait where the room is", () => {
  expect(script.blocks.map((item) => figureOf(item).kind)).toEqual(["standing", "seated", "standing"]);
  expect(script.blocks.map((item) => item.home)).toEqual([undefined, "seat", undefined]);
  expect(led(script)[1]?.change).toMatchObject({ room: "sit", rise: [], sit: ["b", "c"], hands: [] });
  expect(led(script)[2]?.change).toMatchObject({ room: "rise", rise: ["b", "c"], sit: [], hands: ["c"], waves: 1 });
});

test("a class says how it is led so far, one begun before that says nothing", () => {
  expect(ledSoFar(script)).toEqual([
    { onFeet: true, versions: [STANDING] },
    { onFeet: false, versions: [SEATED, STANDING] },
    { onFeet: true, versions: [STANDING] },
  ]);
  expect(ledSoFar({ blocks: scriptItems(schedule, WORDING) })).toBeUndefined();
});

test("after a note what is done stays, the rest is led as people do it now, and a version for one is besides", () => {
  const now = { ...script, people: [people[0], people[1], { id: "c", name: "C", cells: cells(UP, DOWN, DOWN) }] } as ClassScript;
  const after = withLeading(now, 2, { plan, fits, home, format });
  expect(after.blocks.slice(0, 2)).toEqual(script.blocks.slice(0, 2));
  expect(led(after)[2]).toMatchObject({
    onFeet: true,
    versions: [
      { posture: "seated", people: ["c"], besides: true },
      { posture: "standing", people: ["a", "b"], besides: false },
    ],
    change: { rise: ["b"], sit: [], hands: [] },
  });
});

test("a plan that has other items by now changes nothing", () => {
  const other = { ...plan, blocks: plan.blocks.slice(1) };
  expect(withLeading(script, 0, { plan: other, fits, home, format })).toBe(script);
});

test("who is taken out is in no version and no change", () => {
  expect(JSON.stringify(withoutPerson(script, "c"))).not.toContain('"c"');
  expect(withoutPerson(script, "c").people.map(({ id }) => id)).toEqual(["a", "b"]);
});
