import { expect, test } from "vitest";
import { isAbort } from "../../jobs/fit-runner.ts";
import { smallFit } from "../../jobs/work.fixture.ts";
import { fitting, stopFitThreads } from "./fitting.ts";

test("no fit begins in a process that ends, not even in its own thread", async () => {
  expect((await fitting().run("fit", smallFit())).rows.size).toBe(2);
  await stopFitThreads();
  const refused = await fitting()
    .run("fit", smallFit())
    .catch((error: unknown) => error);
  expect(isAbort(refused)).toBe(true);
});
