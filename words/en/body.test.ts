import { expect, test } from "vitest";
import { formatHandInside } from "./body.ts";

test("a hand inside the body is said with its depth on the person, and where flesh gives as much it is not said", () => {
  const found = { side: "left", inside: "rightLeg", depth: 0.02 } as const;
  expect(formatHandInside(found, 1.5)).toBe("The left hand is 3 cm inside the right leg here.");
  expect(formatHandInside({ ...found, inside: "trunk" }, 2)).toBe("The left hand is 4 cm inside the trunk here.");
  expect(formatHandInside({ ...found, depth: 0.006 }, 1.6)).toBeNull();
  expect(formatHandInside(null, 1.6)).toBeNull();
});
