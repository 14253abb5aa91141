import { expect, test } from "vitest";
import { onlyArmsMove } from "./only-arms.ts";

test("a movement of the arms alone is told from one that trunk, legs or head do too", () => {
  const arms = { elevation: 40 };
  expect(
    onlyArmsMove([
      { at: 0, weight: 0.5, arms },
      { at: 0.5, arms: { elevation: 70 } },
      { at: 1, like: 0 },
    ]),
  ).toBe(true);
  expect(
    onlyArmsMove([
      { at: 0, weight: 0.5 },
      { at: 0.5, weight: 0.5, arms },
    ]),
  ).toBe(true);
  expect(
    onlyArmsMove([
      { at: 0, weight: 0.5 },
      { at: 0.5, weight: 0.9, arms },
    ]),
  ).toBe(false);
  expect(onlyArmsMove([{ at: 0 }, { at: 0.5, sink: 10 }])).toBe(false);
  expect(onlyArmsMove([{ at: 0 }, { at: 0.5, lift: null }])).toBe(false);
});
