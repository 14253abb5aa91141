import { expect, test } from "vitest";
import { isEasyToGuess } from "./password-strength.ts";

const known = ["Ines Penhaligon", "ines@kittiwake.example", "Kittiwake Rooms"];

test.each([
  ["password1234", true],
  ["qwertyuiop12", true],
  ["abcdefghijkl", true],
  ["aaaaaaaaaaaa", true],
  ["12.11.195812", true],
  ["kittiwake123", true],
  ["Ines-Penhaligon", true],
  ["kittiwakerooms1", true],
  ["low-water-mark at seven", false],
  ["brass otter lantern", false],
  ["vT9#qLx2!mWz", false],
])("%s is easy to guess: %s", (password, easy) => expect(isEasyToGuess(password, known)).toBe(easy));
