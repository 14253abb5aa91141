import { readFileSync } from "node:fs";
import { join } from "node:path";
import { formatMinutes } from "@able-tide/words/text";
import { expect, test } from "vitest";
import { USUAL_STYLE } from "../plan/style.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";

const doc = readFileSync(join(import.meta.dirname, "../../../docs/planning.md"), "utf8");

/** The rows of the worked example, each cell a text. */
const rows = doc
  .slice(doc.indexOf("| movement | called |"))
  .split("\n")
  .slice(2)
  .filter((line) => line.startsWith("| "))
  .map((line) =>
    line
      .split("|")
      .slice(1, -1)
      .map((cell) => cell.trim()),
  );

const KNOWS: Record<string, "new" | "second"> = { "draw-and-open": "new", "side-drift": "second" };
const reading = schedulePlan(
  planned(
    ...rows.map(([movementId = "", called, , , talk], i) => ({
      movementId,
      rounds: Number(called),
      ...(Number(talk) > 0 && { talk: Number(talk) }),
      ...(i < 4 && { as: "seated" as const }),
    })),
  ),
  circumstances({ style: USUAL_STYLE, breathSeconds: 9, familiarityWith: (id) => KNOWS[id] ?? "known" }),
);

test("the worked example of docs/planning.md has a plan's worth of rows", () => {
  expect(rows.length).toBeGreaterThan(15);
});

test.each(rows.map(([movementId = "", ...cells], i) => [`${i + 1} ${movementId}`, cells.map(Number), i] as const))(
  "%s is computed as it was by hand",
  (_, expected, i) => {
    const block = reading.blocks[i];
    const { transition, explanation, demonstration, repetitions, sideChange } = block?.parts ?? {};
    expect([
      block?.block.rounds,
      block?.movement.breaths,
      transition,
      explanation,
      demonstration,
      repetitions,
      sideChange,
      block?.total,
      block?.to,
    ]).toEqual(expected);
  },
);

test("it ends when it says", () => {
  expect(doc).toContain(`ends at ${reading.total} s, ${formatMinutes(reading.total)}`);
  expect(reading.leavingSeconds).toBe(10.5);
});
