import { capOf } from "@able-tide/core/caps/cap.fixture";
import { EMPTY_PLAN, type PlanContent } from "@able-tide/core/plan/plan";
import { circumstances, planned } from "@able-tide/core/schedule/plan.fixture";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { describe, expect, test } from "vitest";
import { balanceCap, boardKey, chosenItem, historyKey, listPeople } from "./board-model.ts";

const items = planned("settling-breath", "one-up-one-down", "trunk-turn");
const { blocks } = schedulePlan(items, circumstances());
const content: PlanContent = { ...EMPTY_PLAN, blocks: items.map(({ block }) => block) };
const [first, second, last] = blocks as [(typeof blocks)[number], (typeof blocks)[number], (typeof blocks)[number]];

/** The plan after a key was pressed with the second movement chosen. */
function after(key: string): PlanContent {
  const command = boardKey(key, blocks, second);
  if (command?.kind !== "edit") throw new Error(`${key} edits nothing`);
  return command.edit(content);
}
const ids = (plan: PlanContent) => plan.blocks.map(({ movementId }) => movementId);

describe("keys of the board", () => {
  test("brackets move the chosen movement, and stop at the ends", () => {
    expect(ids(after("["))).toEqual(["one-up-one-down", "settling-breath", "trunk-turn"]);
    expect(ids(after("]"))).toEqual(["settling-breath", "trunk-turn", "one-up-one-down"]);
    const earlier = boardKey("[", blocks, first);
    expect(earlier?.kind === "edit" && ids(earlier.edit(content))).toEqual(ids(content));
  });

  test("plus and minus change the repetitions of the chosen movement only", () => {
    const rounds = (plan: PlanContent) => plan.blocks.map((block) => block.rounds - 6);
    expect(rounds(after("+"))).toEqual([0, 1, 0]);
    expect(rounds(after("="))).toEqual([0, 1, 0]);
    expect(rounds(after("-"))).toEqual([0, -1, 0]);
  });

  test("d doubles, Delete removes, j turns the pause before it off and on", () => {
    expect(ids(after("d"))).toEqual(["settling-breath", "one-up-one-down", "one-up-one-down", "trunk-turn"]);
    expect(ids(after("Delete"))).toEqual(["settling-breath", "trunk-turn"]);
    expect(after("j").blocks[1]?.straight).toBe(true);
  });

  test("comma and full stop choose the neighbours, and nothing beyond the ends", () => {
    expect(boardKey(",", blocks, second)).toEqual({ kind: "choose", blockId: first.id });
    expect(boardKey(".", blocks, second)).toEqual({ kind: "choose", blockId: last.id });
    expect(boardKey(",", blocks, first)).toBeNull();
    expect(boardKey(".", blocks, last)).toBeNull();
  });

  test("the search, the checks and the participants can be reached in an empty plan too", () => {
    expect(boardKey("/", [], null)).toEqual({ kind: "focus", part: "search" });
    expect(boardKey("n", [], null)).toEqual({ kind: "focus", part: "checks" });
    expect(boardKey("g", [], null)).toEqual({ kind: "focus", part: "grid" });
    expect(boardKey("d", [], null)).toBeNull();
  });

  test("other keys mean nothing", () => {
    expect(boardKey("x", blocks, second)).toBeNull();
  });

  test.each([
    ["z", false, "undo"],
    ["Z", true, "redo"],
    ["y", false, "redo"],
    ["a", false, null],
  ])("Ctrl %s with shift %s is %s", (key, shiftKey, change) => {
    expect(historyKey({ key, shiftKey })).toBe(change);
  });
});

test("the chosen movement is the one with the id, or the first; none in an empty plan", () => {
  expect(chosenItem(blocks, last.id)).toBe(last);
  expect(chosenItem(blocks, "gone")).toBe(first);
  expect(chosenItem([], null)).toBeNull();
  const part = { ...last, id: `${last.id}.1.1` };
  expect(chosenItem([first, part], last.id)).toBe(part);
  expect(chosenItem([first, last], `${last.id}.2.3`)).toBe(last);
});

test("participants with the lowest match come first; one who is not fitted yet counts as a full match", () => {
  const people = [{ id: "a" }, { id: "b" }, { id: "c" }];
  const rows = new Map([
    ["a", { fidelity: 0.9 }],
    ["c", { fidelity: 0.4 }],
  ]);
  expect(listPeople(people, rows, "limited").map(({ id }) => id)).toEqual(["c", "a", "b"]);
  expect(listPeople(people, rows, "name")).toBe(people);
});

test("the tide line shows the lowest of a participant's caps on balance demand", () => {
  const caps = [capOf({ channel: "steadiness", limit: 4 }), capOf({ channel: "steadiness", limit: 3 })];
  expect(balanceCap({ name: "Tam", caps })).toEqual({ height: 3, label: "Tam's cap: 3" });
  expect(balanceCap({ name: "Tam", caps: [capOf({ channel: "noStanding" })] })).toBeNull();
  expect(balanceCap(null)).toBeNull();
});
