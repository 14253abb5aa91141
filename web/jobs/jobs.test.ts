import { present } from "@able-tide/core/checked-access";
import { explainIncrementally } from "@able-tide/core/fit/explain";
import { fitGroup } from "@able-tide/core/fit/group";
import { createFitMemory } from "@able-tide/core/fit/session";
import { limitedResources } from "@able-tide/core/fit/support-options";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import { runToCompletion } from "@able-tide/core/run-to-completion";
import { showRow } from "@able-tide/words/cell-view";
import { describe, expect, test } from "vitest";
import { PRIORITY } from "./fit-runner.ts";
import { createOwnThreadRunner } from "./own-thread-runner.ts";
import { smallFit } from "./work.fixture.ts";

const cells = (rows: ReadonlyMap<string, { readonly cells: unknown }>) => [...rows].map(([id, row]) => [id, row.cells]);

describe("jobs", () => {
  const runner = createOwnThreadRunner();
  const input = smallFit("one");
  const group = fitGroup(input.plan, input.people, createVariantCache(), createFitMemory());

  test("a fit has the rows that the core fits, and tells each before the result", async () => {
    const told: string[] = [];
    const { rows, gap } = await runner.run("fit", input, { onProgress: ({ personId }) => told.push(personId) });
    expect(cells(rows)).toEqual(group.rows.map((row) => [row.personId, showRow(input.plan, row).cells]));
    expect(new Set(told)).toEqual(new Set(["high", "still"]));
    expect(gap).toBeGreaterThanOrEqual(0);
  });

  test("an explanation names the caps that the core names", async () => {
    const { plan, people } = input;
    const [, person] = people;
    const row = present(
      group.rows.find(({ personId }) => personId === "still"),
      "participant",
    );
    const own = runToCompletion(
      explainIncrementally(
        plan,
        present(person, "participant"),
        row,
        "b1",
        limitedResources(plan.resources, people.length),
        createVariantCache(),
        createFitMemory(),
      ),
    );
    expect(own.caps.map(({ id }) => id)).toEqual(["two"]);
    const found = await runner.run("explain", { ...input, personId: "still", blockId: "b1" });
    expect(found?.caps.map(({ id }) => id)).toEqual(["two"]);
    expect(found?.without).toBe(own.without);
  });

  test("a cell that the plan does not have is not explained", async () => {
    expect(await runner.run("explain", { ...input, personId: "nobody", blockId: "b1" })).toBeNull();
    expect(await runner.run("explain", { ...input, personId: "still", blockId: "b9" })).toBeNull();
  });

  test("without a cap its participant keeps no less", async () => {
    const { rows } = await runner.run("fit", input);
    const { fidelity, changes } = await runner.run("withoutCap", { ...input, personId: "still", capId: "two" });
    expect(fidelity).toBeGreaterThan(rows.get("still")?.fidelity ?? 1);
    expect(changes.some(({ personId, blockId }) => personId === "still" && blockId === "b1")).toBe(true);
  });

  test("questions about a fit that is still running are all answered, and so is the fit", async () => {
    const busy = createOwnThreadRunner();
    const [fitted, explained, one, other] = await Promise.all([
      busy.run("fit", input),
      busy.run("explain", { ...input, personId: "high", blockId: "b0" }, { priority: PRIORITY.question }),
      busy.run("withoutCap", { ...input, personId: "still", capId: "two" }, { priority: PRIORITY.question }),
      busy.run("withoutCap", { ...input, personId: "high", capId: "low" }, { priority: PRIORITY.question }),
    ]);
    expect(fitted.rows.size).toBe(2);
    expect(explained?.caps.map(({ id }) => id)).toEqual(["low"]);
    expect(one.fidelity).toBeGreaterThan(0);
    expect(other.fidelity).toBeGreaterThan(0);
  });

  test("a question is answered although the fit that it waits for is stopped", async () => {
    const busy = createOwnThreadRunner();
    const stop = new AbortController();
    const fitted = busy.run("fit", input, { signal: stop.signal });
    const explained = busy.run("explain", { ...input, personId: "still", blockId: "b1" });
    stop.abort();
    await expect(fitted).rejects.toMatchObject({ name: "AbortError" });
    expect((await explained)?.caps.map(({ id }) => id)).toEqual(["two"]);
  });

  test("the answer in the open format has every participant in the plan's order of movements", async () => {
    const file = await runner.run("answer", input);
    expect(JSON.stringify(file)).toContain('"still"');
  });
});
