import { expect, test } from "vitest";
import { formatRepetitions } from "./repetitions.ts";

const both = [
  { lead: "right", rounds: 6 },
  { lead: "left", rounds: 5 },
] as const;
const one = [{ lead: "right", rounds: 7 }] as const;

test.each([
  [{ sided: false }, one, "7 times"],
  [{ sided: true }, both, "6 right, 5 left"],
  [{ sided: false, reversal: "halves" }, one, "4 one way, 3 the other way"],
  [{ sided: true, reversal: "sides" }, both, "6 right one way, 5 left the other way"],
  [{ sided: true, reversal: "halves" }, both, "3 right one way, 3 right the other way, 3 left one way, 2 left the other way"],
] as const)("repetitions of %o", (movement, turns, words) => expect(formatRepetitions(movement, turns)).toBe(words));
