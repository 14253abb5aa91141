import { test } from "vitest";
import { USUAL_BUILD } from "./body/build.ts";
import { createFormLibrary } from "./fit/form-library.ts";
import { hasLandForm } from "./movement/format.ts";
import { loadAll } from "./movement/library.fixture.ts";
import { readPhases } from "./plan/phases.ts";
import { circumstances } from "./plan/plan.fixture.ts";
import { propose } from "./plan/propose.ts";

test("x", () => {
  const movements = loadAll().filter(hasLandForm);
  const KNOWN = new Set(movements.filter((_, i) => i % 3 !== 0).map(({ id }) => id));
  const library = createFormLibrary();
  for (let i = 0; i < 2; i++) {
    const t = performance.now();
    const p = propose({
      movements,
      circumstances: circumstances({ knows: (id) => (KNOWN.has(id) ? "known" : "new") }),
      minutes: 45,
      purpose: "steadiness",
      news: 2,
      people: [{ build: USUAL_BUILD, caps: [] }],
      library,
      unlike: [],
    });
    console.log(performance.now() - t, p.look.reading.total);
    if (i) continue;
    console.log(
      p.look.reading.blocks
        .map((b) => `${b.phase} ${b.movement.id} ${b.block.rounds} ${b.total} ${b.knowledge} ${p.why[b.id]!.join("; ")}`)
        .join("\n"),
    );
    console.log(JSON.stringify(readPhases(p.look.reading)));
  }
});
