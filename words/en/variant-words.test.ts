import { readFileSync } from "node:fs";
import { join } from "node:path";
import { onRail } from "@able-tide/core/body/supports";
import type { Movement } from "@able-tide/core/movement/format";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { expect, test } from "vitest";
import { misfittingWords, wordProblems } from "./misfitting-words.ts";
import { variantWords } from "./variant-words.ts";

const LIBRARY = join(import.meta.dirname, "../../library");
const movement = (id: string): Movement => JSON.parse(readFileSync(join(LIBRARY, `${id}.json`), "utf8"));
const supported = { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("left") } as const;

test("a variant has its own words before the movement's", () => {
  const bends = movement("small-knee-bends");
  const on = (choice: Parameters<typeof variantWords>[1]) => variantWords(bends, choice);
  expect(on(FULL_STANDING_VARIANT)).toMatchObject({
    name: "Small knee bends",
    cues: { do: expect.stringMatching(/^Sink a little on both legs/) },
  });
  expect(on(FULL_SEATED_VARIANT)).toMatchObject({
    name: "Small lean and float",
    cues: { do: expect.stringMatching(/^Lean a little.*the hands/) },
  });
  expect(on(supported).cues.do).toMatch(/^Sink a little, one hand/);
  // Words for one hand are written for the feet; on a chair they are others.
  expect(on({ ...FULL_SEATED_VARIANT, arms: "right" }).cues.do).toMatch(/^Lean a little.*one hand/);
});

test("arms that rest are told what they do, and whether anything else moves", () => {
  const doOf = (id: string, choice: Parameters<typeof variantWords>[1]) => variantWords(movement(id), choice).cues.do;
  const resting = { ...supported, arms: "left" } as const;
  expect(doOf("warm-hands-warm-face", resting)).toBe("Hold on with one hand, rest the other arm and breathe along.");
  expect(doOf("small-knee-bends", { ...supported, hold: { by: "rail", hand: "both" } })).toBe(
    "Hold on with both hands and let the rest of the body move.",
  );
  expect(doOf("waves-with-both-hands", resting)).toBe(
    "Hold on with one hand, rest the other arm and let the rest of the body move.",
  );
});

test("what is said on the way follows the variant", () => {
  const steps = movement("step-ahead-and-home");
  expect(variantWords(steps, FULL_STANDING_VARIANT).says[2]).toBe("in, step");
  expect(variantWords(steps, FULL_SEATED_VARIANT).says[2]).toBe("in, slide");
  const march = movement("march-opposite-hand");
  expect(variantWords(march, FULL_SEATED_VARIANT).says).toHaveLength(5);
  expect(variantWords(march, { ...FULL_SEATED_VARIANT, arms: "right" }).says[1]).toBe("in, right knee");
  expect(variantWords(march, supported).says[2]).toBe("in, right knee");
});

test("an organisation's own name counts in every variant without a name of its own", () => {
  const waves = { ...movement("settling-breath"), name: { en: "Settling breath", own: "Low tide" } };
  expect(variantWords(waves, FULL_SEATED_VARIANT).name).toBe("Low tide");
});

test("words for the feet on a chair and for two hands with one are pointed out", () => {
  const steps = movement("step-ahead-and-home");
  const seatedAsStanding = { ...steps, forms: { ...steps.forms, seated: {} } } as Movement;
  expect(misfittingWords(seatedAsStanding, FULL_SEATED_VARIANT).map(({ where }) => where)).toEqual(
    expect.arrayContaining(["name", "do", "say"]),
  );
  const march = movement("march-opposite-hand");
  const { oneHand: _, ...without } = march;
  const paths = wordProblems(without as Movement).map(({ path }) => path);
  expect(paths).toContain("oneHand");
  expect(wordProblems(march)).toEqual([]);
});
