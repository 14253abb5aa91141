import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  addedDemand,
  balanceDemand,
  circumstanceDemand,
  movementDemand,
  oneLegDemand,
  seatedBaseDemand,
  standingBaseDemand,
  toeDownDemand,
} from "./balance-demand.ts";
import { SHARE } from "./segments.ts";
import { supportNamed } from "./supports.ts";

const half = SHARE.footLength / 2;

describe("the base in quiet", () => {
  test.each([
    ["wide apart", 0.3, 0, 2],
    ["shoulder width", 0.26, 0, 2],
    ["hip width", 0.104, 0, 3],
    ["side by side", 0.055, 0, 4],
    ["semi-tandem", 0.055, half, 5],
    ["tandem", 0, SHARE.footLength, 6.5],
    ["a wide bow is no narrower for its length", 0.2, 0.25, standingBaseDemand(0.2, 0)],
  ])("%s", (_, width, offset, demand) => {
    expect(standingBaseDemand(width, offset)).toBeCloseTo(demand, 2);
  });

  test.each([
    [0.7, 3.5],
    [5, 8],
    [20, 8],
  ])("On one leg for %d s it is %d, and at most 5.5 with the toe down", (seconds, demand) => {
    expect(oneLegDemand(seconds)).toBeCloseTo(demand, 9);
    expect(toeDownDemand(seconds)).toBeCloseTo(Math.min(5.5, demand), 9);
  });

  test("sitting: supported, free, at the front, a foot lifted", () => {
    expect([
      seatedBaseDemand(true, false, false),
      seatedBaseDemand(false, false, false),
      seatedBaseDemand(false, true, false),
      seatedBaseDemand(false, true, true),
    ]).toEqual([0, 0.5, 1, 1.5]);
  });

  test("narrower, more in line and longer on one leg never ask less", () => {
    const share = fc.double({ min: 0, max: 0.4, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, (a, b, c, d) => {
        const [narrow, wide] = [Math.min(a, b), Math.max(a, b)];
        const [little, much] = [Math.min(c, d), Math.max(c, d)];
        expect(standingBaseDemand(narrow, little)).toBeGreaterThanOrEqual(standingBaseDemand(wide, little) - 1e-12);
        expect(standingBaseDemand(narrow, much)).toBeGreaterThanOrEqual(standingBaseDemand(narrow, little) - 1e-12);
        expect(oneLegDemand(20 * wide)).toBeGreaterThanOrEqual(oneLegDemand(20 * narrow));
      }),
    );
  });
});

describe("what is added and taken off", () => {
  const still = {
    handsAboveShoulder: 0,
    overhead: false,
    headTurn: 0,
    headFlexion: 0,
    eyesClosed: false,
    step: 0,
    seated: false,
  };
  test.each<[string, Partial<typeof still>, number]>([
    ["nothing", {}, 0],
    ["one hand above the shoulder", { handsAboveShoulder: 1 }, 0.5],
    ["both overhead", { handsAboveShoulder: 2, overhead: true }, 1],
    ["head turned 15", { headTurn: 15 }, 0],
    ["head turned 60", { headTurn: 60 }, 1],
    ["looking up", { headFlexion: -25 }, 1],
    ["a step across", { step: 1 }, 1],
    ["closed eyes", { eyesClosed: true }, 2],
    ["closed eyes, seated", { eyesClosed: true, seated: true }, 0.5],
    ["both overhead, seated", { handsAboveShoulder: 2, overhead: true, seated: true }, 0.5],
  ])("%s", (_, more, demand) => {
    expect(addedDemand({ ...still, ...more })).toBeCloseTo(demand, 9);
  });

  test("a second task and a soft floor add, the floor on the feet alone", () => {
    expect(circumstanceDemand({}, false)).toBe(0);
    expect(circumstanceDemand({ secondTask: "familiar" }, false)).toBe(0.5);
    expect(circumstanceDemand({ secondTask: "new", softFloor: true }, false)).toBe(2.5);
    expect(circumstanceDemand({ secondTask: "new", softFloor: true }, true)).toBe(1);
  });

  test.each([
    [0.1, 0.1, 0],
    [0.2, 0.1, 0],
    [0.05, 0.1, 1],
    [0, 0.1, 2],
    [-0.5, 0.1, 2],
    [0.1, 0, 2],
  ])("a margin of %d where %d is quiet adds %d", (margin, quiet, demand) => {
    expect(movementDemand(margin, quiet)).toBeCloseTo(demand, 9);
  });

  test("the demand stays between its floor and ten, and never falls when something is added or a support goes", () => {
    const term = fc.double({ min: 0, max: 8, noNaN: true });
    fc.assert(
      fc.property(term, term, term, term, fc.boolean(), (base, movement, added, more, seated) => {
        const [support] = supportNamed("rail").relief;
        const { total } = balanceDemand({ base, movement, added, support }, seated);
        expect(total).toBeGreaterThanOrEqual(seated ? 0 : 1);
        expect(total).toBeLessThanOrEqual(10);
        expect(balanceDemand({ base, movement, added: added + more, support }, seated).total).toBeGreaterThanOrEqual(total);
        expect(balanceDemand({ base, movement, added, support: 0 }, seated).total).toBeGreaterThanOrEqual(total);
      }),
    );
  });
});
