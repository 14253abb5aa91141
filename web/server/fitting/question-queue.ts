import type { LedAnswerFile } from "@able-tide/core/leading/led-answer";
import PQueue from "p-queue";
import type { FitRunner } from "../../jobs/fit-runner.ts";
import type { JobInput } from "../../jobs/jobs.ts";

/** Limits of the questions that programs ask. */
export interface QuestionLimits {
  /** Questions of one organisation that are answered or wait. */
  readonly ofOne: number;
  /** Questions of all organisations that are answered or wait. */
  readonly ofAll: number;
  /** Milliseconds that one may be computed for. */
  readonly deadline: number;
}

/** What became of a question. */
type Asked =
  | { readonly kind: "answered"; readonly answer: LedAnswerFile }
  /** Too many wait already; a later try may be answered. */
  | { readonly kind: "busy" }
  /** It was stopped at the deadline, or needed more memory than there is for one. */
  | { readonly kind: "tooLarge" };

export interface QuestionQueue {
  /**
   * Answers a question, one after the other whoever asks.
   *
   * @param organisationId who asks
   * @param signal stops it, also while it waits. @throws its reason
   */
  readonly ask: (question: JobInput<"answer">, organisationId: string, signal: AbortSignal) => Promise<Asked>;
}

const OUT_OF_MEMORY = "ERR_WORKER_OUT_OF_MEMORY";

/** @param runner computes one question at a time, apart from what pages wait for */
export function createQuestionQueue(runner: FitRunner, { ofOne, ofAll, deadline }: QuestionLimits): QuestionQueue {
  const queue = new PQueue({ concurrency: 1 });
  const asking = new Map<string, number>();

  async function answer(question: JobInput<"answer">, signal: AbortSignal): Promise<Asked> {
    signal.throwIfAborted();
    const late = AbortSignal.timeout(deadline);
    try {
      return { kind: "answered", answer: await runner.run("answer", question, { signal: AbortSignal.any([signal, late]) }) };
    } catch (error) {
      signal.throwIfAborted();
      const isTooLarge = late.aborted || (error instanceof Error && "code" in error && error.code === OUT_OF_MEMORY);
      if (isTooLarge) return { kind: "tooLarge" };
      throw error;
    }
  }

  return {
    async ask(question, organisationId, signal) {
      const own = asking.get(organisationId) ?? 0;
      if (own >= ofOne || queue.size + queue.pending >= ofAll) return { kind: "busy" };
      asking.set(organisationId, own + 1);
      try {
        return await queue.add(() => answer(question, signal));
      } finally {
        const left = (asking.get(organisationId) ?? 1) - 1;
        if (left === 0) asking.delete(organisationId);
        else asking.set(organisationId, left);
      }
    },
  };
}
