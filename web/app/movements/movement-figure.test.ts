import { load, loadAll } from "@able-tide/core/movement/library.fixture";
import { expect, test } from "vitest";
import { movementFigure, movementFigureVersion } from "./movement-figure.server.tsx";

const movement = load("shift-and-press");

test("every movement of the library has a picture of at most four poses that needs nothing else", () => {
  for (const each of loadAll()) {
    const figure = movementFigure(each) ?? "";
    const poses = figure.split("<svg ").length - 2;
    expect(poses, each.id).toBeGreaterThanOrEqual(1);
    expect(poses, each.id).toBeLessThanOrEqual(4);
    expect(figure, each.id).not.toMatch(/class=|var\(|NaN|undefined/);
  }
});

test("another movement has another picture, the same under another name has the same", () => {
  expect(movementFigureVersion({ ...movement, name: { en: "Else" } })).toBe(movementFigureVersion(movement));
  const keys = movement.keys.map((key) => ({ ...key, sink: 0 }));
  expect(movementFigureVersion({ ...movement, keys })).not.toBe(movementFigureVersion(movement));
});
