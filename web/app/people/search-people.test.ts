import { expect, test } from "vitest";
import { isFound } from "./search-people.ts";

test.each([
  ["Élodie Marchand", "elo", true],
  ["Élodie Marchand", "ÉLO mar", true],
  ["Élodie Marchand", "mar élo", true],
  ["Élodie Marchand", "lodie", false],
  ["Søren Łuk", "so lu", true],
  ["Anne-Marie", "marie", true],
  ["Jory Vane", "", true],
  ["Jory Vane", "  ", true],
  ["Jory Vane", "jory x", false],
])("%s is found by %j: %s", (name, searched, found) => expect(isFound(name, searched)).toBe(found));
