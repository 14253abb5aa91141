import fc from "fast-check";
import { expect, test } from "vitest";
import { cases } from "../test-size.fixture.ts";
import { VIEWS } from "./camera.ts";
import { ofOneHeight, ofOneScale } from "./framing.ts";

const length = fc.double({ min: 0.2, max: 2, noNaN: true });
const anyPicture = fc.record({
  camera: fc.constantFrom(...Object.values(VIEWS)),
  left: fc.double({ min: -1, max: 1, noNaN: true }),
  top: fc.double({ min: 0, max: 2, noNaN: true }),
  wide: length,
  high: length,
});

test("pictures of one scale are of one size, show all that they showed, and end below where they ended", () => {
  fc.assert(
    fc.property(fc.array(anyPicture, { minLength: 1, maxLength: 4 }), (pictures) => {
      const made = ofOneScale(pictures);
      expect(new Set(made.map(({ wide, high }) => `${wide} ${high}`)).size).toBe(1);
      made.forEach((one, i) => {
        const was = pictures[i] ?? one;
        expect(one.camera).toBe(was.camera);
        expect(one.left).toBeLessThanOrEqual(was.left + 1e-9);
        expect(one.left + one.wide).toBeGreaterThanOrEqual(was.left + was.wide - 1e-9);
        expect(one.top).toBeGreaterThanOrEqual(was.top - 1e-9);
        expect(one.top - one.high).toBeCloseTo(was.top - was.high, 9);
      });
    }),
    { numRuns: cases(200, 2000) },
  );
});

test("pictures of one height keep their breadth, show all that they showed, and stand on one line; from above they stay", () => {
  fc.assert(
    fc.property(fc.array(anyPicture, { minLength: 1, maxLength: 4 }), (pictures) => {
      const made = ofOneHeight(pictures);
      const level = made.filter(({ camera }) => camera !== VIEWS.above);
      expect(new Set(level.map(({ high }) => high)).size).toBeLessThanOrEqual(1);
      made.forEach((one, i) => {
        const was = pictures[i] ?? one;
        expect([one.camera, one.left, one.wide]).toEqual([was.camera, was.left, was.wide]);
        if (was.camera === VIEWS.above) expect(one).toEqual(was);
        expect(one.top).toBeGreaterThanOrEqual(was.top - 1e-9);
        expect(one.top - one.high).toBeCloseTo(was.top - was.high, 9);
      });
    }),
    { numRuns: cases(200, 2000) },
  );
});
