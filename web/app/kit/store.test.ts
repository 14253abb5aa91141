import { expect, test } from "vitest";
import { createStore } from "./store.ts";

test("subscribers hear of a change until they end their subscription", () => {
  const store = createStore({ count: 0 });
  const heard: number[] = [];
  const end = store.subscribe(() => heard.push(store.get().count));
  store.set(({ count }) => ({ count: count + 1 }));
  end();
  store.set(({ count }) => ({ count: count + 1 }));
  expect(heard).toEqual([1]);
  expect(store.get().count).toBe(2);
});

test("the same state tells no one", () => {
  const store = createStore({ count: 0 });
  let heard = 0;
  store.subscribe(() => {
    heard += 1;
  });
  store.set((before) => before);
  expect(heard).toBe(0);
});
