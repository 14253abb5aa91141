import { describe, expect, test } from "vitest";
import { mirrorFrame, mirrorValues, sidedSlot, slot } from "../body/pose.ts";
import { onRail } from "../body/supports.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import type { Movement } from "./format.ts";
import { load } from "./library.fixture.ts";
import { type Track, trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const press = load("shift-and-press");
const oneLeg = load("one-leg-toe-near");

function track(movement: Movement, choice: Partial<VariantSpec> = {}, lead: "left" | "right" = "right"): Track {
  const built = trackOf(movement, { ...FULL_STANDING_VARIANT, ...choice }, lead);
  if (!built) throw new Error("no such form");
  return built;
}
const peak = (built: Track, index: number) => Math.max(...built.segments.map(({ end }) => numberAt(end, index)));
const first = (built: Track, index: number) => present(built.segments[0]?.start[index], "segment");

describe("leading with the other side", () => {
  test.each([press, oneLeg].map((movement) => [movement.id, movement] as const))("%s is its mirror image", (_, movement) => {
    const right = track(movement);
    const left = track(movement, {}, "left");
    right.segments.forEach((segment, i) => {
      expect([...(left.segments[i]?.start ?? [])]).toEqual([...mirrorValues(segment.start)]);
      expect(left.segments[i]?.frame).toEqual(mirrorFrame(segment.frame));
    });
  });
});

describe("the operators that derive a variant", () => {
  test("a smaller size goes a share of the way from the first key pose, each arm for itself", () => {
    const elevation = (size: number) =>
      peak(track(press, { sizes: { armLeft: 8, armRight: size, trunk: 8, legs: 8 } }), sidedSlot("elevation", "right"));
    const start = first(track(press), sidedSlot("elevation", "right"));
    expect(elevation(4)).toBeCloseTo(start + 0.5 * (elevation(8) - start), 9);
    const left = peak(track(press, { sizes: { armLeft: 8, armRight: 1, trunk: 8, legs: 8 } }), sidedSlot("elevation", "left"));
    expect(left).toBe(74);
  });

  test("a high stance has half the sink and a shorter step", () => {
    const high = track(press, { depth: "high" });
    expect(first(high, slot("sink"))).toBe(8);
    expect(first(high, sidedSlot("footX", "right"))).toBeCloseTo(0.6 * 0.17, 9);
  });

  test("a low stance has half as much sink again and a longer step", () => {
    const low = track(press, { depth: "low" });
    expect(first(low, slot("sink"))).toBe(24);
    expect(first(low, sidedSlot("footX", "right"))).toBeCloseTo(1.2 * 0.17, 9);
  });

  test("supported pins the holding hand and leaves the other to move", () => {
    const { frame } = itemAt(track(press, { kind: "supported", hold: onRail("left") }).segments, 0);
    expect(frame.hands).toEqual(["firm", "free"]);
  });

  test("with one arm the other hand rests on the body, and holding on it may rest as well", () => {
    expect(track(press, { arms: "right" }).segments[0]?.frame.hands).toEqual(["onBody", "free"]);
    expect(track(press, { kind: "supported", hold: onRail("right"), arms: "right" }).segments[0]?.frame.hands).toEqual([
      "onBody",
      "firm",
    ]);
  });

  test("toe down turns a lifted foot into a resting toe that takes a little weight", () => {
    const lifted = track(oneLeg).segments.map(({ frame }) => frame.feet[1]);
    const down = track(oneLeg, { toeDown: true });
    expect(lifted).toContain("lifted");
    expect(down.segments.map(({ frame }) => frame.feet[1])).not.toContain("lifted");
    for (const { start } of down.segments) expect(start[slot("weightLeft")]).toBeLessThanOrEqual(0.95);
  });

  test("on a chair nothing sinks, and the shift of weight becomes a lean", () => {
    const seated = track(press, FULL_SEATED_VARIANT);
    expect(peak(seated, slot("sink"))).toBe(0);
    expect(peak(seated, slot("pelvisTilt"))).toBeCloseTo(12, 9);
  });

  test("a variant that a movement does not have is none", () => {
    expect(trackOf({ ...press, forms: { ...press.forms, seated: false } }, FULL_SEATED_VARIANT, "right")).toBeNull();
  });
});

test("a key like another has its body again", () => {
  const { segments } = track(press);
  const last = segments[segments.length - 1]?.end;
  for (const side of SIDES) expect(last?.[sidedSlot("elbow", side)]).toBe(first(track(press), sidedSlot("elbow", side)));
});
