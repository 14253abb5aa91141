import { describe, expect, test } from "vitest";
import { sidedColumn } from "../body/channels.ts";
import { present } from "../checked-access.ts";
import { readDemand } from "../movement/demand.ts";
import { loadAll } from "../movement/library.fixture.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { SIDES } from "../side.ts";
import { plainShape, shapesOf, sizesOf } from "./candidates.ts";

const movements = loadAll();
const stillOf = (movement: (typeof movements)[number]) => shapesOf(movement).filter(({ sizes }) => sizes.legs === 0);

describe("legs that stand still", () => {
  test("take no step, no leg lifted, knees no more bent than the stance has them", () => {
    const some = movements.flatMap((movement) =>
      stillOf(movement)
        .filter(({ kind }) => kind === "standing")
        .map((shape) => ({ movement, shape })),
    );
    expect(some.length).toBeGreaterThan(30);
    for (const { movement, shape } of some) {
      const track = trackOf(movement, shape, "right");
      const samples = track && sampleTrack(track);
      expect(samples?.problem, movement.id).toBeNull();
      if (!samples) continue;
      const { steps, oneLegSeconds, toeDownSeconds, highest } = readDemand(samples, { stature: 1.6 }, 8);
      expect(steps, movement.id).toEqual([]);
      expect([...oneLegSeconds, ...toeDownSeconds], movement.id).toEqual([0, 0, 0, 0]);
      // A bow keeps the front knee bent however quietly it is stood.
      for (const side of SIDES) expect(highest[sidedColumn("loadedKnee", side)], movement.id).toBeLessThan(25);
    }
  });

  test("are offered where more than the legs moves, and never seated, where size does the same", () => {
    for (const movement of movements)
      for (const shape of stillOf(movement)) {
        expect(shape.kind).not.toBe("seated");
        expect(sizesOf(shape, { trunk: true, legs: true }).every(({ legs }) => legs === 0)).toBe(true);
      }
    expect(
      stillOf(
        present(
          movements.find(({ id }) => id === "heels-up"),
          "movement",
        ),
      ),
    ).toEqual([]);
  });
});

test("the plainest shape holds nothing, moves both arms, and is its own plainest", () => {
  for (const movement of movements)
    for (const shape of shapesOf(movement)) {
      const plain = plainShape(movement, shape);
      expect(plainShape(movement, plain)).toEqual(plain);
      expect(plain).toMatchObject({ depth: shape.depth, toeDown: shape.toeDown, sizes: shape.sizes });
      if (plain.kind === "standing") expect(plain).toMatchObject({ hold: null, arms: "both" });
    }
});
