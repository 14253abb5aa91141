import { expect, test } from "vitest";
import { setNumber } from "./edit.ts";
import { addOwnKeys, changeInVariant, dropOwnKeys, hasOwnKeys, seenInVariant } from "./edit-variant.ts";
import { load } from "./library.fixture.ts";
import { readMovement } from "./read-file.ts";

const kick = load("slow-kick");
const press = load("shift-and-press");

test("a variant with key poses of its own is changed in those, and the movement's stay", () => {
  expect(hasOwnKeys(kick, "seated")).toBe(true);
  const changed = changeInVariant(kick, "seated", (seen) => setNumber(seen, 1, "weight", 0.4));
  expect(seenInVariant(changed, "seated").keys[1]?.weight).toBe(0.4);
  expect(changed.keys).toBe(kick.keys);
  expect(readMovement(JSON.stringify(changed)).problems).toEqual([]);
});

test("a variant without them changes the movement", () => {
  expect(hasOwnKeys(press, "seated")).toBe(false);
  expect(changeInVariant(press, "seated", (seen) => setNumber(seen, 1, "sink", 3)).keys[1]?.sink).toBe(3);
});

test("key poses of its own begin as the movement's and can be given up again", () => {
  const own = addOwnKeys(press, "seated");
  expect(seenInVariant(own, "seated").keys).toEqual(press.keys);
  expect(dropOwnKeys(own, "seated")).toEqual(press);
  expect(addOwnKeys({ ...press, forms: { ...press.forms, seated: false } }, "seated").forms.seated).toBe(false);
});

test("names, variants and a variant taken away go where they belong", () => {
  const renamed = changeInVariant(kick, "seated", (seen) => ({ ...seen, name: { en: "Quiet kick" } }));
  expect(renamed.name.en).toBe("Quiet kick");
  expect(renamed.keys).toBe(kick.keys);
  expect(seenInVariant(renamed, "seated").keys).toEqual(seenInVariant(kick, "seated").keys);
  const without = changeInVariant(kick, "seated", (seen) => ({ ...seen, forms: { ...seen.forms, seated: false } }));
  expect(without.forms.seated).toBe(false);
  expect(without.keys).toBe(kick.keys);
});
