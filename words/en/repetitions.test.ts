import { expect, test } from "vitest";
import { formatRepetitions, holdStageLabel } from "./repetitions.ts";

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

const HALF = [
  { seconds: 30, share: 0.5 },
  { seconds: 10, share: 1 },
] as const;
const PLAIN = [{ seconds: 30, share: 1 }] as const;

test.each([
  [{ sided: false }, [{ lead: "right", rounds: 1 }], PLAIN, "hold 30 s"],
  [{ sided: false }, [{ lead: "right", rounds: 2 }], PLAIN, "2 holds, 30 s each"],
  [{ sided: true }, [{ lead: "left", rounds: 1 }], PLAIN, "hold 30 s on the left"],
  [
    { sided: true },
    [
      { lead: "right", rounds: 2 },
      { lead: "left", rounds: 2 },
    ],
    HALF,
    "2 holds on each side: 30 s half way, 10 s all the way",
  ],
] as const)("holds of %o, %o", (movement, turns, hold, words) => expect(formatRepetitions(movement, turns, hold)).toBe(words));

test("what a leader says of a hold goes with its levels", () => {
  const [half, all] = HALF;
  expect(holdStageLabel({ stage: "holding", level: half, before: null, left: 5 })).toBe("Hold");
  expect(holdStageLabel({ stage: "holding", level: all, before: half, left: 5 })).toBe("Further, hold");
  expect(holdStageLabel({ stage: "holding", level: half, before: all, left: 5 })).toBe("Back a little, hold");
  expect(holdStageLabel({ stage: "standingTall" })).toBe("Stand tall, rest");
});
