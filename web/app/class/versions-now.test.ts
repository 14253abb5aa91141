import type { CellView } from "@able-tide/core/fit/cell-view";
import type { SheetItem } from "@able-tide/core/leading/session-sheet";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { expect, test } from "vitest";
import type { PersonNow } from "./class-view.ts";
import { inRows, inTwoLines, versionsNow } from "./versions-now.ts";

const person = (id: string, brief = ""): PersonNow => ({
  id,
  name: id,
  digit: "",
  cell: { brief } as CellView,
  hand: false,
  noted: [],
  outOfWater: false,
  sits: false,
  due: false,
});

const led: SheetItem = {
  blockId: "b",
  onFeet: true,
  shown: 1,
  shownVariant: FULL_STANDING_VARIANT,
  versions: [
    { posture: "seated", legs: "planned", arms: "one", people: ["a", "b"], besides: false, variant: FULL_SEATED_VARIANT },
    { posture: "standing", legs: "planned", arms: "all", people: ["c", "d"], besides: false, variant: FULL_STANDING_VARIANT },
  ],
  apart: ["e"],
  change: null,
};

test("those who are here are listed by version, each with what is their own", () => {
  const here = [person("a", "seated, one arm, smaller range"), person("b", "seated, one arm"), person("c"), person("e", "rest")];
  const versions = versionsNow({ led }, here);
  expect(versions?.map(({ name, isShown, people }) => [name, isShown, people.map(({ id, own }) => [id, own])])).toEqual([
    [
      "Seated, one arm",
      false,
      [
        ["a", ["smaller range"]],
        ["b", []],
      ],
    ],
    ["Standing", true, [["c", []]]],
    ["Breathing along or resting", false, [["e", ["rest"]]]],
  ]);
});

test("what everyone in a version does is said once, of them all", () => {
  const higher = { ...led, versions: led.versions.map((version) => ({ ...version, legs: "higher" as const })), apart: [] };
  const here = [
    person("c", "standing, stand taller, short step"),
    person("d", "standing, stand taller, smaller range, short step"),
  ];
  const [, standing] = versionsNow({ led: { ...higher, shown: 0 } }, here) ?? [];
  expect(standing?.shared).toBe("stand taller, short step");
  expect(standing?.people.map(({ own }) => own)).toEqual([[], ["smaller range"]]);
  // One alone shares with no one.
  const [, alone] = versionsNow({ led: { ...higher, shown: 0 } }, here.slice(0, 1)) ?? [];
  expect([alone?.shared, alone?.people[0]?.own]).toEqual(["", ["stand taller", "short step"]]);
});

test("a version that no one here does is left out, but not the one that the figure shows", () => {
  expect(versionsNow({ led }, [])?.map(({ name }) => name)).toEqual(["Standing"]);
  expect(versionsNow({ led }, [person("e")])?.map(({ name }) => name)).toEqual(["Standing", "Breathing along or resting"]);
});

test("who stays out of the water is listed apart from those who rest", () => {
  const here = [person("e", "rest"), { ...person("f", "rest"), outOfWater: true }];
  const versions = versionsNow({ led: { ...led, apart: ["e", "f"] } }, here);
  expect(versions?.map(({ name, people }) => [name, people.map(({ id, own }) => [id, own])])).toEqual([
    ["Standing", []],
    ["Breathing along or resting", [["e", ["rest"]]]],
    ["Not in the water", [["f", []]]],
  ]);
});

test("names stand three in a row, two where much is to be said, those with a hand first", () => {
  const named = (id: string, more: Partial<PersonNow> = {}) => ({ ...person(id), own: [], ...more });
  const plain = ["Amahle", "Dov", "Henrike", "Marit"].map((id) => named(id));
  expect(inRows(plain)).toEqual({ wide: [], narrow: plain, rows: 2 });
  const bela = { ...named("Bela"), own: ["stick in the right hand"] };
  expect(inRows([{ ...named("Marit"), own: ["rest the left hand"] }]).narrow).toHaveLength(1);
  const tomasz = named("Tomasz", { hand: true });
  expect(inRows([...plain, bela, tomasz])).toEqual({ wide: [bela], narrow: [tomasz, ...plain], rows: 1 + 2 });
  expect(inRows([bela, tomasz]).rows).toBe(1);
  for (const more of [{ noted: ["Pain"] }, { sits: true }, { due: true }])
    expect(inRows([named("Dov", more)]).wide).toHaveLength(1);
  expect(inRows([named("Wilhelmina")]).wide).toHaveLength(1);
  expect(inRows([])).toEqual({ wide: [], narrow: [], rows: 0 });
});

test("what is one's own is said as far as two lines go, at least the first of it", () => {
  const all = ["picture it", "breathe along", "nothing moves"];
  expect(inTwoLines(all)).toEqual({ said: all, more: [] });
  const held = ["right hand in the helper's", "weight back on the heels", "smaller range"];
  expect(inTwoLines(held)).toEqual({ said: held.slice(0, 1), more: held.slice(1) });
  const long = ["both hands on the backs of two chairs, and a helper within an arm's length"];
  expect(inTwoLines([...long, "smaller range"])).toEqual({ said: long, more: ["smaller range"] });
  expect(inTwoLines([])).toEqual({ said: [], more: [] });
});

test("an earlier class has no versions", () => {
  expect(versionsNow({}, [person("a")])).toBeNull();
});
