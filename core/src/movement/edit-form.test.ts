import { expect, test } from "vitest";
import { setNumber } from "./edit.ts";
import { changedInForm, giveOwnKeys, hasOwnKeys, seenInForm, takeOwnKeys } from "./edit-form.ts";
import { load } from "./library.fixture.ts";
import { readMovement } from "./read-file.ts";

const kick = load("slow-kick");
const press = load("shift-and-press");

test("a form with key poses of its own is changed in those, and the movement's stay", () => {
  expect(hasOwnKeys(kick, "seated")).toBe(true);
  const changed = changedInForm(kick, "seated", (seen) => setNumber(seen, 1, "weight", 0.4));
  expect(seenInForm(changed, "seated").keys[1]?.weight).toBe(0.4);
  expect(changed.keys).toBe(kick.keys);
  expect(readMovement(JSON.stringify(changed)).problems).toEqual([]);
});

test("a form without them changes the movement", () => {
  expect(hasOwnKeys(press, "seated")).toBe(false);
  expect(changedInForm(press, "seated", (seen) => setNumber(seen, 1, "sink", 3)).keys[1]?.sink).toBe(3);
});

test("key poses of its own begin as the movement's and can be given up again", () => {
  const own = giveOwnKeys(press, "seated");
  expect(seenInForm(own, "seated").keys).toEqual(press.keys);
  expect(takeOwnKeys(own, "seated")).toEqual(press);
  expect(giveOwnKeys({ ...press, forms: { ...press.forms, seated: false } }, "seated").forms.seated).toBe(false);
});

test("names, forms and a form taken away go where they belong", () => {
  const renamed = changedInForm(kick, "seated", (seen) => ({ ...seen, name: { en: "Quiet kick" } }));
  expect(renamed.name.en).toBe("Quiet kick");
  expect(renamed.keys).toBe(kick.keys);
  expect(seenInForm(renamed, "seated").keys).toEqual(seenInForm(kick, "seated").keys);
  const without = changedInForm(kick, "seated", (seen) => ({ ...seen, forms: { ...seen.forms, seated: false } }));
  expect(without.forms.seated).toBe(false);
  expect(without.keys).toBe(kick.keys);
});
