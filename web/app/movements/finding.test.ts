import type { Movement } from "@able-tide/core/movement/format";
import { describe, expect, test } from "vitest";
import { isFound, readFinding } from "./finding.ts";

const movement: Movement = {
  format: "able-tide/movement",
  version: 2,
  id: "shift-and-press",
  name: { en: "Shift and press" },
  purpose: ["steadiness", "hips and knees"],
  phase: "flow",
  sided: true,
  breaths: 1,
  stance: { kind: "hip" },
  keys: [{ at: 0 }, { at: 1, like: 0 }],
  forms: { standing: {}, supported: {}, seated: false },
  vary: {},
  cues: { do: "Press both palms forward." },
};
const demand = {
  balance: 3.4,
  handsOver: "chest",
  loadedKnee: 41,
  neck: 4,
  spine: 22,
  parts: ["shoulders", "knees"],
  lowest: null,
} as const;
const found = (search: string, what: Parameters<typeof isFound>[2] = demand) =>
  isFound(readFinding(new URLSearchParams(search)), movement, what);

describe("a movement is found", () => {
  test.each([
    ["", true],
    ["words=press", true],
    ["words=PALMS+shift", true],
    ["words=row", false],
    ["purpose=steadiness", true],
    ["purpose=calm", false],
    ["form=supported", true],
    ["form=seated", false],
    ["form=water", false],
    ["spares=steadiness", true],
    ["spares=shoulder", true],
    ["spares=knee", false],
    ["spares=neck", true],
    ["spares=spine", false],
    ["part=knees", true],
    ["part=neck", false],
    ["words=press&purpose=steadiness&spares=knee", false],
  ])("by %j: %s", (search, is) => {
    expect(found(search)).toBe(is);
  });

  test("by what its easier forms spare, once they are known", () => {
    const easier = { ...demand, lowest: { balance: 1, handsOver: null, loadedKnee: 0, neck: 0, spine: 0 } };
    expect(found("spares=knee", demand)).toBe(false);
    expect(found("spares=knee", easier)).toBe(true);
  });

  test("what cannot be read looks for nothing", () => {
    expect(found("form=flying&words=row")).toBe(true);
  });

  test("one that is only done in water spares nothing known", () => {
    expect(found("spares=steadiness", null)).toBe(false);
    expect(found("part=knees", null)).toBe(false);
    expect(found("", null)).toBe(true);
  });
});
