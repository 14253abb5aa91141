import { expect, test } from "vitest";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { handRunner, settle } from "../../jobs/hand-runner.fixture.ts";
import type { FixesInput } from "../../jobs/planning-jobs.ts";
import { createLatestJob } from "./latest-job.ts";

const input = (minutes: number) => ({ time: { minutes, changing: 0 } }) as FixesInput;
const begun = () => {
  const hand = handRunner();
  return { ...hand, job: createLatestJob(hand.runner, "fixes", PRIORITY.fit) };
};

test("the answer to the latest request is kept, the one before is stopped", async () => {
  const { job, jobs } = begun();
  job.request(input(30));
  job.request(input(45));
  expect(jobs[0]?.signal?.aborted).toBe(true);
  const found = new Map();
  jobs[1]?.end(found);
  jobs[0]?.end("too late");
  await settle();
  expect(job.get()).toEqual({ input: input(45), result: found, failed: false });
});

test("a new request forgets the answer of the one before at once", async () => {
  const { job, latest } = begun();
  job.request(input(30));
  latest("fixes").end(new Map());
  await settle();
  job.request(input(45));
  expect(job.get().result).toBeNull();
});

test("a worker that fails once is tried once more", async () => {
  const { job, jobs } = begun();
  job.request(input(30));
  jobs[0]?.fail(new Error("The worker stopped."));
  await settle();
  expect(jobs).toHaveLength(2);
  jobs[1]?.end(new Map([["late", []]]));
  await settle();
  expect(job.get().result?.has("late")).toBe(true);
});

test("a worker that fails twice is told, and the next request begins anew", async () => {
  const { job, jobs } = begun();
  job.request(input(30));
  jobs[0]?.fail(new Error("The worker stopped."));
  await settle();
  jobs[1]?.fail(new Error("The worker stopped."));
  await settle();
  expect(job.get().failed).toBe(true);
  expect(jobs).toHaveLength(2);
  job.request(input(45));
  expect(job.get().failed).toBe(false);
});

test("a request that is stopped is not tried again and changes nothing", async () => {
  const { job, jobs } = begun();
  job.request(input(30));
  job.stop();
  await settle();
  expect(jobs).toHaveLength(1);
  expect(job.get()).toEqual({ input: input(30), result: null, failed: false });
});
