import type { LedAnswerFile } from "@able-tide/core/leading/led-answer";
import { expect, test } from "vitest";
import { handRunner, settle } from "../../jobs/hand-runner.fixture.ts";
import { smallFit } from "../../jobs/work.fixture.ts";
import { createQuestionQueue, type QuestionLimits } from "./question-queue.ts";

const LIMITS: QuestionLimits = { ofOne: 2, ofAll: 4, deadline: 60_000 };

/** A queue whose questions a test answers by hand. */
function byHand(limits: Partial<QuestionLimits> = {}) {
  const { runner, jobs } = handRunner();
  const queue = createQuestionQueue(runner, { ...LIMITS, ...limits });
  const ask = (organisationId: string, signal = new AbortController().signal) => queue.ask(smallFit(), organisationId, signal);
  return { jobs, ask };
}

const answer = { format: "able-tide/fit" } as LedAnswerFile;
const ANSWERED = { kind: "answered", answer };

test("questions are answered one at a time, in the order they came", async () => {
  const { jobs, ask } = byHand();
  const [first, second] = [ask("a"), ask("b")];
  await settle();
  expect(jobs).toHaveLength(1);
  jobs[0]?.end(answer);
  expect(await first).toEqual(ANSWERED);
  await settle();
  jobs[1]?.end(answer);
  expect(await second).toEqual(ANSWERED);
});

test("an organisation has two questions at a time, whatever others ask, and all together no more than there is room for", async () => {
  const { jobs, ask } = byHand();
  const waiting = [ask("a"), ask("a")];
  expect(await ask("a")).toEqual({ kind: "busy" });
  waiting.push(ask("b"), ask("c"));
  expect(await ask("d")).toEqual({ kind: "busy" });
  for (const each of waiting.keys()) {
    await settle();
    jobs[each]?.end(answer);
    await waiting[each];
  }
  const later = ask("a");
  await settle();
  jobs[4]?.end(answer);
  expect(await later).toEqual(ANSWERED);
});

test("one that takes longer than the deadline is stopped, and the next begins", async () => {
  const { jobs, ask } = byHand({ deadline: 20 });
  const [long, next] = [ask("a"), ask("b")];
  expect(await long).toEqual({ kind: "tooLarge" });
  expect(jobs[0]?.signal?.aborted).toBe(true);
  await settle();
  jobs[1]?.end(answer);
  expect(await next).toEqual(ANSWERED);
});

test("one that needs too much memory is refused; another failure is told as it is", async () => {
  const { jobs, ask } = byHand();
  const large = ask("a");
  await settle();
  jobs[0]?.fail(Object.assign(new Error("limit reached"), { code: "ERR_WORKER_OUT_OF_MEMORY" }));
  expect(await large).toEqual({ kind: "tooLarge" });
  const broken = ask("a");
  await settle();
  jobs[1]?.fail(new Error("a bug"));
  await expect(broken).rejects.toThrow("a bug");
});

test("whoever hangs up stops the fit, or leaves the queue before it has begun", async () => {
  const { jobs, ask } = byHand();
  const [begun, waits] = [new AbortController(), new AbortController()];
  const first = ask("a", begun.signal);
  const second = ask("a", waits.signal);
  await settle();
  waits.abort();
  begun.abort();
  await expect(first).rejects.toThrow();
  await expect(second).rejects.toThrow();
  expect(jobs).toHaveLength(1);
  expect(jobs[0]?.signal?.aborted).toBe(true);
});
