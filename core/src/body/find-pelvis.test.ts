import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { findPelvis } from "./find-pelvis.ts";

/** A mass that stands where a function of the pelvis says, and should stand at `target`. */
function balancing(mass: (x: number, z: number) => [number, number], target: [number, number]) {
  const pelvis: [number, number, number] = [0, 0.5, 0];
  const miss: [number, number] = [0, 0];
  let placed = 0;
  const place = (x: number, z: number) => {
    placed += 1;
    pelvis[0] = x;
    pelvis[2] = z;
    const [massX, massZ] = mass(x, z);
    miss[0] = target[0] - massX;
    miss[1] = target[1] - massZ;
  };
  return { body: { pelvis, miss, place }, placed: () => placed };
}

const share = fc.double({ min: -0.1, max: 0.1, noNaN: true });

describe("the pelvis is found", () => {
  test("in a few plain steps where the mass goes along with most of its weight", () => {
    fc.assert(
      fc.property(share, share, fc.double({ min: 0.8, max: 0.95, noNaN: true }), (x, z, follows) => {
        const { body, placed } = balancing((px, pz) => [follows * px, follows * pz], [x, z]);
        findPelvis(body);
        expect(Math.hypot(...body.miss)).toBeLessThan(5e-7);
        expect(placed()).toBeLessThanOrEqual(6);
      }),
    );
  });

  test("where the mass goes much further than the pelvis, and each way also aside", () => {
    fc.assert(
      fc.property(share, share, fc.double({ min: 5, max: 40, noNaN: true }), (x, z, far) => {
        const { body } = balancing((px, pz) => [far * px + 3 * pz, 0.9 * pz - 2 * px], [x, z]);
        findPelvis(body);
        expect(Math.hypot(...body.miss)).toBeLessThan(5e-7);
      }),
    );
  });

  test("beside the place from which on an arm is straight, where the mass moves without measure", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.0001, max: 0.02, noNaN: true }), (x) => {
        // As an elbow does: the last millimetre of reach moves it by centimetres.
        const elbow = (px: number) => 0.05 * Math.sqrt(Math.max(0, 0.03 - px));
        const { body } = balancing((px, pz) => [0.85 * px - elbow(px), 0.85 * pz], [0.85 * x - elbow(x), 0.01]);
        findPelvis(body);
        expect(Math.hypot(...body.miss)).toBeLessThan(5e-7);
      }),
    );
  });
});
