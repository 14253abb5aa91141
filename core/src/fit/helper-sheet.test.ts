import { formatHelpNote } from "@able-tide/words/helper-sheet";
import { expect, test } from "vitest";
import { onRail } from "../body/supports.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import type { CellView } from "./cell-view.ts";
import { capsOf } from "./group.fixture.ts";
import { helperSheet } from "./helper-sheet.ts";

const cell = (choice: VariantSpec | null, steadiness = 1): CellView => ({
  form: choice?.kind ?? "rest",
  hold: choice?.hold?.hand ?? null,
  level: 1,
  fidelity: 1,
  lighterSide: null,
  whole: true,
  brief: "",
  why: [],
  rounds: 4,
  steadiness,
  choice,
  breathing: false,
});
const BLOCKS = [
  { id: "b1", from: 0 },
  { id: "b2", from: 90 },
];
const held: VariantSpec = { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("left") };
const helped: VariantSpec = { ...held, hold: { by: "helper", hand: "right" } };

test("who carries one arm with the other hand is named with those who hold on", () => {
  const carries = { ...FULL_SEATED_VARIANT, carried: "left" } as const;
  const [first] = helperSheet(BLOCKS, [{ id: "1", name: "Ann", cells: [cell(carries), cell(FULL_SEATED_VARIANT)], caps: [] }]);
  expect(first?.needed.map(({ kind, note }) => [kind, formatHelpNote(note)])).toEqual([
    ["hold", "right hand under the left forearm, near the elbow; nothing pulls on the left hand"],
  ]);
});

test("hands first, then who is near their cap, then who holds on", () => {
  const people = [
    { id: "1", name: "Ann", cells: [cell(FULL_SEATED_VARIANT), cell(held)], caps: [] },
    {
      id: "2",
      name: "Bo",
      cells: [cell(FULL_STANDING_VARIANT), cell(FULL_STANDING_VARIANT, 3.8)],
      caps: capsOf([{ channel: "steadiness", limit: 4 }]),
    },
    { id: "3", name: "Cy", cells: [cell(FULL_STANDING_VARIANT), cell(helped)], caps: [] },
    { id: "4", name: "Di", cells: [cell(FULL_STANDING_VARIANT), cell(null)], caps: [] },
  ];
  const [first, second] = helperSheet(BLOCKS, people);
  expect(first).toEqual({ blockId: "b1", from: 0, needed: [] });
  expect(second?.needed.map(({ kind, name, note }) => [kind, name, formatHelpNote(note)])).toEqual([
    ["hand", "Cy", "right hand"],
    ["near", "Bo", "near their balance limit"],
    ["hold", "Ann", "left hand on the rail"],
  ]);
});
