import type { CellView } from "@able-tide/core/fit/cell-view";
import type { SheetItem } from "@able-tide/core/leading/session-sheet";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { expect, test } from "vitest";
import type { PersonNow } from "./class-view.ts";
import { versionsNow } from "./versions-now.ts";

const person = (id: string, brief = ""): PersonNow => ({
  id,
  name: id,
  digit: "",
  cell: { brief } as CellView,
  noted: [],
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
        ["a", "smaller range"],
        ["b", ""],
      ],
    ],
    ["Standing", true, [["c", ""]]],
    ["Breathing along or resting", false, [["e", "rest"]]],
  ]);
});

test("a version that no one here does is left out, but not the one that the figure shows", () => {
  expect(versionsNow({ led }, [])?.map(({ name }) => name)).toEqual(["Standing"]);
  expect(versionsNow({ led }, [person("e")])?.map(({ name }) => name)).toEqual(["Standing", "Breathing along or resting"]);
});

test("an earlier class has no versions", () => {
  expect(versionsNow({}, [person("a")])).toBeNull();
});
