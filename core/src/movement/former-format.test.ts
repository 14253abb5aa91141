import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { describe, expect, test } from "vitest";
import { EMPTY_PLAN } from "../plan/plan.ts";
import { planFile, readPlanFile } from "../plan/plan-file.ts";
import { storedDemands } from "./former-demands.fixture.ts";
import { upgradeMovement } from "./former-format.ts";
import { load } from "./library.fixture.ts";
import { movementFile, readMovement, readMovements } from "./read-file.ts";

/**
 * The whole library as it was in format 1, each with its demands. They were read before format 2, and again when hands came to
 * rest on the flesh of thighs and hips: that changed arms on chairs and those that slide over the legs, nothing else.
 */
const FORMER: readonly { readonly document: { readonly id: string }; readonly demands: unknown }[] = JSON.parse(
  gunzipSync(readFileSync(join(import.meta.dirname, "fixtures/library-of-format-1.json.gz"))).toString("utf8"),
);

/** Places where a value differs from what it was by more than 1e-9; fields that were added since are no difference. */
function differences(was: unknown, is: unknown, path = ""): string[] {
  if (typeof was === "number" && typeof is === "number") return Math.abs(was - is) <= 1e-9 ? [] : [`${path}: ${was} is ${is}`];
  if (typeof was !== "object" || was === null || typeof is !== "object" || is === null)
    return was === is ? [] : [`${path}: ${was} is ${is}`];
  return Object.entries(was).flatMap(([key, value]) =>
    differences(value, (is as Record<string, unknown>)[key], `${path}.${key}`),
  );
}

test("the former library is whole", () => expect(FORMER.length).toBe(59));

describe.each(FORMER.map(({ document, demands }) => [document.id, document, demands] as const))("%s", (_, document, demands) => {
  const { movement, problems } = readMovement(JSON.stringify(document));

  test("is read, asks of every variant what it asked before, and is written as format 2", () => {
    expect(problems).toEqual([]);
    if (!movement) throw new Error("not read");
    expect(differences(demands, storedDemands(movement))).toEqual([]);
    const written = JSON.parse(movementFile(movement));
    expect(written.version).toBe(2);
    expect(readMovement(JSON.stringify(written)).movement).toEqual(movement);
    // Nothing of what it said is lost or added.
    expect({ ...written, version: 1 }).toEqual(document);
  });
});

describe("a field that format 1 does not have", () => {
  const circle = { ...load("hips-draw-circle"), version: 1 };

  test("is named with its line in a format 1 file", () => {
    const source = JSON.stringify(circle, null, 2);
    const line = 1 + source.split("\n").findIndex((text) => text.includes('"reversal"'));
    expect(readMovement(source)).toEqual({ movement: null, problems: [{ path: "reversal", code: "unknown", line }] });
  });

  test("is named inside a key pose", () => {
    const keys = load("settling-breath").keys.map((key, i) =>
      i === 1 ? { ...key, arms: { anchor: "belly", palm: "on" }, leadFoot: { turn: 10 } } : key,
    );
    const { problems } = readMovement(JSON.stringify({ ...load("settling-breath"), version: 1, keys }));
    expect(problems.map(({ path, code }) => `${path} ${code}`).toSorted()).toEqual([
      "keys[1].arms.palm unknown",
      "keys[1].leadFoot.turn unknown",
    ]);
  });

  test("is named in a collection and in a plan's file, with its place", () => {
    const collection = { format: "able-tide/movements", version: 1, movements: [load("settling-breath"), circle] };
    expect(readMovements(JSON.stringify(collection)).problems).toMatchObject([
      { path: "movements[1].reversal", code: "unknown" },
    ]);
    const plan = JSON.parse(planFile({ name: "p", plan: EMPTY_PLAN, movements: [load("settling-breath")] }));
    const { problems } = readPlanFile(JSON.stringify({ ...plan, movements: [circle] }));
    expect(problems).toMatchObject([{ path: "movements[0].reversal", code: "unknown" }]);
  });
});

test("a plan's file of before, with movements of format 1, is read", () => {
  const plan = JSON.parse(planFile({ name: "p", plan: EMPTY_PLAN, movements: [load("settling-breath")] }));
  plan.movements[0].version = 1;
  expect(readPlanFile(JSON.stringify(plan)).file?.movements).toEqual([load("settling-breath")]);
});

test("what is no document is left as it is", () => {
  for (const value of [null, 3, "text", [], { version: 3 }])
    expect(upgradeMovement(value)).toEqual({ document: value, problems: [] });
});
