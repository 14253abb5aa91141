import { expose } from "comlink";
import { afterEach, describe, expect, test } from "vitest";
import { createOwnThreadRunner } from "./own-thread-runner.ts";
import { smallFit } from "./work.fixture.ts";
import { createWorkerApi, type WorkerApi } from "./worker-api.ts";
import { createWorkerRunner, type StartedWorker } from "./worker-runner.ts";

const closing: (() => void)[] = [];
afterEach(() => {
  for (const close of closing.splice(0)) close();
});

/** A worker's end of a message channel in this thread, and a way to let it fail. */
function started(api: WorkerApi = createWorkerApi()): StartedWorker & { fail: () => void } {
  const { port1, port2 } = new MessageChannel();
  expose(api, port1);
  let fail: () => void = () => undefined;
  const failed = new Promise<never>((_, reject) => {
    fail = () => reject(new Error("The worker stopped."));
  });
  closing.push(() => {
    port1.close();
    port2.close();
  });
  return { endpoint: port2, failed, stop: () => undefined, fail };
}

/** A worker whose jobs end on command. */
function handMade() {
  const jobs: { id: number; end: (value: unknown) => void; progress: (message: unknown) => void }[] = [];
  const stopped: number[] = [];
  const api: WorkerApi = {
    run: (id, _name, _input, _priority, progress) =>
      new Promise((end) => void jobs.push({ id, end, progress: (message) => progress?.(message) })),
    stop: (id) => void stopped.push(id),
  };
  return { api, jobs, stopped };
}

const until = async (isSo: () => boolean): Promise<void> => {
  for (let i = 0; i < 1000 && !isSo(); i += 1) await new Promise((resolve) => setImmediate(resolve));
  expect(isSo()).toBe(true);
};

describe("a runner with workers", () => {
  test("gives the same result as this thread does", async () => {
    const input = smallFit("same");
    const runner = createWorkerRunner(() => started());
    const own = await createOwnThreadRunner().run("fit", input);
    expect(await runner.run("fit", input)).toEqual(own);
  });

  test("answers two questions that are asked at once", async () => {
    const input = smallFit("two at once");
    const runner = createWorkerRunner(() => started());
    const [high, still] = await Promise.all([
      runner.run("withoutCap", { ...input, personId: "high", capId: "low" }),
      runner.run("withoutCap", { ...input, personId: "still", capId: "two" }),
    ]);
    expect(high.fidelity).toBeGreaterThan(0);
    expect(still.fidelity).toBeGreaterThan(0);
  });

  test("a stopped job rejects at once and is stopped in the worker; another goes on", async () => {
    const worker = handMade();
    const runner = createWorkerRunner(() => started(worker.api));
    const stop = new AbortController();
    const first = runner.run("fit", smallFit(), { signal: stop.signal });
    const second = runner.run("fit", smallFit());
    await until(() => worker.jobs.length === 2);
    stop.abort();
    await expect(first).rejects.toMatchObject({ name: "AbortError" });
    await until(() => worker.stopped.length === 1);
    expect(worker.stopped).toEqual([worker.jobs[0]?.id]);
    worker.jobs[1]?.end({ rows: new Map(), gap: 0 });
    expect(await second).toEqual({ rows: new Map(), gap: 0 });
  });

  test("a job stopped before it begins never reaches a worker", async () => {
    const worker = handMade();
    const runner = createWorkerRunner(() => started(worker.api));
    await expect(runner.run("fit", smallFit(), { signal: AbortSignal.abort() })).rejects.toMatchObject({ name: "AbortError" });
    expect(worker.jobs).toHaveLength(0);
  });

  test("progress is told while the job runs and not after its result", async () => {
    const worker = handMade();
    const runner = createWorkerRunner(() => started(worker.api));
    const told: unknown[] = [];
    const result = runner.run("fit", smallFit(), { onProgress: (message) => told.push(message) });
    await until(() => worker.jobs.length === 1);
    worker.jobs[0]?.progress("first");
    await until(() => told.length === 1);
    worker.jobs[0]?.end("done");
    expect(await result).toBe("done");
    worker.jobs[0]?.progress("late");
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(told).toEqual(["first"]);
  });

  test("a worker that fails takes its jobs with it and is replaced by the next", async () => {
    const workers: (ReturnType<typeof started> & { jobs: ReturnType<typeof handMade>["jobs"] })[] = [];
    const runner = createWorkerRunner(() => {
      const made = handMade();
      const worker = { ...started(made.api), jobs: made.jobs };
      workers.push(worker);
      return worker;
    });
    const lost = runner.run("fit", smallFit());
    await until(() => workers[0]?.jobs.length === 1);
    workers[0]?.fail();
    await expect(lost).rejects.toThrow("The worker stopped.");
    const next = runner.run("fit", smallFit());
    await until(() => workers[1]?.jobs.length === 1);
    workers[1]?.jobs[0]?.end("again");
    expect(await next).toBe("again");
  });

  test("a second worker starts only while the first is busy, and never a third", async () => {
    const workers: ReturnType<typeof handMade>[] = [];
    const runner = createWorkerRunner(() => {
      const made = handMade();
      workers.push(made);
      return started(made.api);
    }, 2);
    const jobs = [1, 2, 3].map(() => runner.run("fit", smallFit()));
    await until(() => workers.reduce((sum, { jobs: running }) => sum + running.length, 0) === 3);
    expect(workers.map(({ jobs: running }) => running.length).toSorted()).toEqual([1, 2]);
    for (const { jobs: running } of workers) for (const { end } of running) end("done");
    expect(await Promise.all(jobs)).toEqual(["done", "done", "done"]);
  });
});
