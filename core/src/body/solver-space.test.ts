import fc from "fast-check";
import { expect, test } from "vitest";
import { cases } from "../test-size.fixture.ts";
import { anyBody, onBuild } from "./any-build.fixture.ts";
import { anyPose } from "./any-pose.fixture.ts";
import { solvePose } from "./solve.ts";
import { createSolverSpace } from "./solver-space.ts";

test("what was solved before makes no difference to a pose: rows, bases and problems are the same in a new space", () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(anyPose, anyBody), { minLength: 2, maxLength: 6 }), (asked) => {
      const used = createSolverSpace();
      for (const [pose, { build }] of [...asked, ...asked.toReversed()]) {
        const own = onBuild(pose, build);
        const fresh = solvePose(own, undefined, undefined, build, null, createSolverSpace());
        const again = solvePose(own, undefined, undefined, build, null, used);
        expect(again.row).toEqual(fresh.row);
        expect(again.base).toEqual(fresh.base);
        expect(again.problem).toEqual(fresh.problem);
      }
    }),
    { numRuns: cases(150, 5000) },
  );
});

test("a pose solved twice in a row for two bodies has the base of each body", () => {
  fc.assert(
    fc.property(anyPose, anyBody, anyBody, (pose, { build: one }, { build: other }) => {
      const space = createSolverSpace();
      solvePose(pose, undefined, undefined, one, null, space);
      const { base } = solvePose(pose, undefined, undefined, other, null, space);
      expect(base).toEqual(solvePose(pose, undefined, undefined, other, null, createSolverSpace()).base);
    }),
    { numRuns: cases(150, 5000) },
  );
});
