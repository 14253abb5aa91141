import { load } from "@able-tide/core/movement/library.fixture";
import { describe, expect, test } from "vitest";
import { createStudio, figureAt, type StudioFigure, seenKey, solvePreview } from "./studio-model.ts";
import { FIRST_PREVIEW } from "./studio-preview.ts";

const movement = load("one-up-one-down");
const begun = () => createStudio(movement);
const keys = (studio: ReturnType<typeof begun>) => studio.get().history.present.keys;
function figureOf(studio: ReturnType<typeof begun>): StudioFigure {
  const state = studio.get();
  const figure = figureAt(solvePreview(state.history.present, state.preview, []), seenKey(state).key);
  if (!figure) throw new Error("no figure");
  return figure;
}

describe("the movement editor", () => {
  test("begins with the movement, its second key pose and nothing to undo", () => {
    const studio = begun();
    expect(studio.get()).toMatchObject({ wanted: 1, preview: FIRST_PREVIEW });
    studio.undo();
    expect(studio.get().history.present).toBe(movement);
  });

  test("a key pose is added after the chosen one and removed again", () => {
    const studio = begun();
    const before = keys(studio).length;
    studio.command({ kind: "addAfter" });
    expect(keys(studio)).toHaveLength(before + 1);
    studio.choose(2);
    studio.command({ kind: "remove" });
    expect(keys(studio)).toHaveLength(before);
  });

  test("undo takes one command back, redo does it again", () => {
    const studio = begun();
    studio.command({ kind: "addAfter" });
    const after = studio.get().history.present;
    studio.undo();
    expect(studio.get().history.present).toBe(movement);
    studio.redo();
    expect(studio.get().history.present).toBe(after);
  });

  test("the chosen key pose is never beyond the last", () => {
    const studio = begun();
    studio.choose(99);
    const { index, key, seen } = seenKey(studio.get());
    expect(index).toBe(seen.keys.length - 1);
    expect(key).toBe(seen.keys.at(-1));
  });

  test("changes of one field count as one, another field begins a new one", () => {
    const studio = begun();
    studio.edit((now) => ({ ...now, breaths: 2 }), "breaths");
    studio.edit((now) => ({ ...now, breaths: 3 }), "breaths");
    studio.edit((now) => ({ ...now, name: { en: "Other" } }), "name");
    studio.undo();
    expect(studio.get().history.present).toMatchObject({ breaths: 3 });
    studio.undo();
    expect(studio.get().history.present).toBe(movement);
  });

  test("after an undo the same field begins a new change", () => {
    const studio = begun();
    studio.edit((now) => ({ ...now, breaths: 2 }), "breaths");
    studio.undo();
    studio.edit((now) => ({ ...now, breaths: 4 }), "breaths");
    studio.undo();
    expect(studio.get().history.present).toBe(movement);
  });

  test("one pull of a hand is one change, the next pull another", () => {
    const studio = begun();
    expect(studio.pull("rightHand", "front", { across: 0.3, up: 0.7 }, false, figureOf(studio))).toBe(true);
    studio.pull("rightHand", "front", { across: 0.32, up: 0.72 }, true, figureOf(studio));
    const afterOne = studio.get().history.present;
    studio.pull("rightHand", "front", { across: 0.25, up: 0.6 }, false, figureOf(studio));
    studio.undo();
    expect(studio.get().history.present).toBe(afterOne);
    studio.undo();
    expect(studio.get().history.present).toBe(movement);
  });

  test("a pull moves the figure", () => {
    const studio = begun();
    const before = figureOf(studio).row;
    studio.pull("rightHand", "front", { across: 0.3, up: 0.7 }, false, figureOf(studio));
    expect(figureOf(studio).row).not.toEqual(before);
  });

  test("a variant that the movement does not have has no figure", () => {
    const floating = load("sideways-drift-walk");
    expect(solvePreview(floating, { ...FIRST_PREVIEW, kind: "seated" }, [])).toBeNull();
    expect(figureAt(null, floating.keys[0])).toBeNull();
  });
});
