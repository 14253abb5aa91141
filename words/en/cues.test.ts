import { onRail } from "@able-tide/core/body/supports";
import { itemAt } from "@able-tide/core/checked-access";
import { type TeachingStyle, USUAL_STYLE } from "@able-tide/core/plan/style";
import { circumstances, planned } from "@able-tide/core/schedule/plan.fixture";
import { type ScheduledItem, schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import type { Familiarity } from "@able-tide/core/schedule/time";
import { describe, expect, test } from "vitest";
import { cuesOf as cuesOfShown, type ItemCues } from "./cues.ts";
import { openingWords } from "./schedule.ts";

const blockOf = (familiarity: Familiarity, differs: { quiet?: boolean; as?: "seated" } = {}): ScheduledItem =>
  itemAt(
    schedulePlan(planned({ movementId: "shift-and-press", ...differs }), circumstances({ familiarityWith: () => familiarity }))
      .blocks,
    0,
  );
const cuesOf = (block: ScheduledItem, style: TeachingStyle): ItemCues => cuesOfShown(block, block.plannedVariant, style);
const styled = (differs: Partial<TeachingStyle>): TeachingStyle => ({ ...USUAL_STYLE, ...differs });

describe("what is said of a block", () => {
  test.each<[TeachingStyle["speech"], Familiarity, string]>([
    ["fade", "new", "phrases"],
    ["fade", "second", "phrases"],
    ["fade", "known", "start"],
    ["everyPhrase", "known", "phrases"],
    ["startThenQuiet", "new", "start"],
    ["silent", "new", "names"],
  ])("%s, %s: %s", (speech, familiarity, expected) => {
    expect(cuesOf(blockOf(familiarity), styled({ speech })).speech).toBe(expected);
  });

  test("every phrase is the file's own, in order", () => {
    expect(cuesOf(blockOf("new"), USUAL_STYLE).phrases).toEqual(["out, press", "in, draw back"]);
    expect(cuesOf(blockOf("known"), USUAL_STYLE).phrases).toEqual(["out, press"]);
  });

  test("a block done quietly has names and counts whatever the style", () => {
    expect(cuesOf(blockOf("new", { quiet: true }), styled({ speech: "everyPhrase" })).opening).toEqual([]);
  });

  test("the picture comes first where the style wants pictures, else last and only for what is new", () => {
    expect(cuesOf(blockOf("new"), styled({ imagery: "pictures" })).opening[0]).toBe("Sliding a heavy door.");
    expect(cuesOf(blockOf("new"), USUAL_STYLE).opening.at(-1)).toBe("Sliding a heavy door.");
    expect(cuesOf(blockOf("known"), USUAL_STYLE).opening).not.toContain("Sliding a heavy door.");
  });

  test("what most do is said, not what was planned", () => {
    const block = blockOf("new");
    const held = { ...block.plannedVariant, kind: "supported", hold: onRail("left") } as const;
    expect(cuesOfShown(block, held, USUAL_STYLE).opening[0]).not.toBe(cuesOf(block, USUAL_STYLE).opening[0]);
    const still = { ...block.plannedVariant, sizes: { ...block.plannedVariant.sizes, legs: 0 as const } };
    expect(cuesOfShown(block, still, USUAL_STYLE).opening[0]).toBe("Keep the feet and legs still and move the arms only.");
  });

  test("on a chair the seated variant's own words are said", () => {
    expect(cuesOf(blockOf("new", { as: "seated" }), USUAL_STYLE).opening[0]).toBe("Lean from the hips and press.");
  });
});

test("the start says what the style says of breath, eyes, pelvis and trunk, the last two only standing", () => {
  const style = styled({ breath: "pause", breathRoute: "nose", eyes: "soft", pelvis: "tucked" });
  expect(openingWords(style, true)).toHaveLength(5);
  expect(openingWords(style, false)).toHaveLength(3);
  expect(openingWords(USUAL_STYLE, false)[1]).toMatch(/two breaths to my one/);
});
