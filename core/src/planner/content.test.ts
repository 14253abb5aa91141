import { describe, expect, test } from "vitest";
import { createVariantCache } from "../fit/variant-cache.ts";
import type { Content, SessionPurpose } from "../plan/purpose.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { readContent, strainSequences } from "./content.ts";

const variants = createVariantCache();
type Blocks = Parameters<typeof planned>;
const lookAt = (...blocks: Blocks) => analyzePlan(planned(...blocks), circumstances(), variants);
const contentOf = (purpose: SessionPurpose | null, ...blocks: Blocks) =>
  new Map(readContent(lookAt(...blocks), purpose).map((each) => [each.content, each]));

describe("what a session trains", () => {
  test.each<[string, Content]>([
    ["one-leg-toe-near", "steadiness"],
    ["trunk-turn", "spine"],
    ["shoulder-circles", "neckAndShoulders"],
    ["look-over-shoulder", "neckAndShoulders"],
    ["small-knee-bends", "hipsAndKnees"],
    ["heels-up", "anklesAndFeet"],
    ["wrist-circles", "handsAndWrists"],
    ["settling-breath", "calmBreath"],
    ["side-drift", "memory"],
  ])("%s is measured as %s", (movementId, content) => {
    expect(contentOf(null, movementId).get(content)?.share).toBeGreaterThan(0.5);
  });

  test("is short of its purpose until a third of the moving is for it", () => {
    const calm = ["settling-breath", "tap-down-the-legs", "settling-breath"];
    expect(contentOf("steadiness", ...calm).get("steadiness")?.missing).toBeGreaterThan(30);
    expect(contentOf("steadiness", "settling-breath", "one-leg-toe-near").get("steadiness")?.missing).toBe(0);
  });

  test("says what there is too much of, unless that is the purpose", () => {
    const arms = ["shoulder-circles", "lift-and-part", "arm-draws-circle"];
    expect(contentOf("spine", ...arms).get("neckAndShoulders")?.overdone).toBe(true);
    expect(contentOf("neckAndShoulders", ...arms).get("neckAndShoulders")?.overdone).toBe(false);
  });

  test("no one who sits throughout is asked for steadiness", () => {
    const seated = analyzePlan(planned("settling-breath", "trunk-turn"), circumstances({ seatedOnly: true }), variants);
    expect(readContent(seated, null).find(({ content }) => content === "steadiness")?.missing).toBe(0);
  });
});

describe("the same strain in a row", () => {
  test("three blocks with the arms held out are shown, two are not", () => {
    expect(strainSequences(lookAt("draw-and-open", "shift-and-press", "waves-with-both-hands"))).toContainEqual({
      strain: "shoulders",
      blockIds: ["b1", "b2", "b3"],
    });
    const broken = strainSequences(lookAt("draw-and-open", "shift-and-press", "heels-up", "waves-with-both-hands"));
    expect(broken.filter(({ strain }) => strain === "shoulders")).toEqual([]);
  });

  test("so are three on one leg", () => {
    const runs = strainSequences(lookAt("one-leg-toe-near", "slow-kick", "one-leg-arms-rise", "settling-breath"));
    expect(runs.map(({ strain }) => strain)).toContain("oneLeg");
  });
});
