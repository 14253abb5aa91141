import type { ClassEvent } from "@able-tide/core/class/events";
import { expect, test } from "vitest";
import { classShelf, othersWaiting } from "./class-shelf.ts";

const event: ClassEvent = { kind: "moved", id: "e1", at: "2026-11-04T10:00:00.000Z", step: 0 };
const ines = { accountId: "a1", name: "Ines" };
const bryher = { accountId: "a2", name: "Bryher" };
const written = { waiting: [event], refused: [] };
const empty = { waiting: [], refused: [] };

/** The browser's storage, in memory. */
function cupboard(values = new Map<string, string>()) {
  return {
    getItem: (key: string) => values.get(key) ?? null,
    setItem: (key: string, value: string) => void values.set(key, value),
    removeItem: (key: string) => void values.delete(key),
    key: (i: number) => [...values.keys()][i] ?? null,
    get length() {
      return values.size;
    },
  };
}

test("events of one account are read and sent by no other on a shared tablet; the other is told that they wait", () => {
  const shared = cupboard();
  classShelf(shared, "c1", ines).write(written);
  expect(classShelf(shared, "c1", ines).read()).toEqual(written);
  expect(classShelf(shared, "c1", bryher).read()).toEqual(empty);
  expect(classShelf(shared, "c2", ines).read()).toEqual(empty);
  expect(othersWaiting(shared, "c1", bryher)).toEqual([{ name: "Ines", waiting: 1 }]);
  expect(othersWaiting(shared, "c1", ines)).toEqual([]);
  expect(othersWaiting(shared, "c2", bryher)).toEqual([]);
});

test("a shelf with nothing on it leaves nothing behind", () => {
  const shared = cupboard();
  const shelf = classShelf(shared, "c1", ines);
  shelf.write(written);
  shelf.write(empty);
  expect(shared.length).toBe(0);
});

test("what cannot be read is an empty shelf", () => {
  const shared = cupboard(new Map([["able-tide.class.c1.a1", "{broken"]]));
  expect(classShelf(shared, "c1", ines).read()).toEqual(empty);
});
