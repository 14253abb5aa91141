import type { FitRunner } from "../../jobs/fit-runner.ts";
import { createOwnThreadRunner } from "../../jobs/own-thread-runner.ts";
import { createQuestionQueue, type QuestionLimits, type QuestionQueue } from "./question-queue.ts";
import { createThreadRunner, FOR_PROGRAMS } from "./thread-runner.ts";

const LIMITS: QuestionLimits = { ofOne: 2, ofAll: 8, deadline: 60_000 };

/** Where fits are computed: what pages wait for, and apart from it what programs ask. */
interface Fitting {
  readonly pages: FitRunner;
  readonly programs: FitRunner;
  readonly questions: QuestionQueue;
}

const fittingIn = (pages: FitRunner, programs: FitRunner): Fitting => ({
  pages,
  programs,
  questions: createQuestionQueue(programs, LIMITS),
});

let current: Fitting | null = null;

/** Refuses every job: a process that ends starts no more of them. */
const ENDED: FitRunner = {
  run: async () => {
    throw new DOMException("the server is ending", "AbortError");
  },
  close: async () => {},
};

function present(): Fitting {
  current ??= fittingIn(createOwnThreadRunner(), createOwnThreadRunner());
  return current;
}

/** Where this process computes fits: in threads once they are started, until then in its own thread. */
export const fitting = (): FitRunner => present().pages;

/** Where programs' questions are answered. */
export const questions = (): QuestionQueue => present().questions;

const close = (ending: Fitting | null): Promise<unknown> => Promise.all([ending?.pages.close(), ending?.programs.close()]);

/** Computes fits in threads from now on. @param file the built thread entry */
export function startFitThreads(file: string): void {
  void close(current);
  current = fittingIn(createThreadRunner(file), createThreadRunner(file, FOR_PROGRAMS));
}

/** Stops every fit and refuses those asked for later. @returns when the threads are gone */
export async function stopFitThreads(): Promise<void> {
  const stopping = current;
  current = fittingIn(ENDED, ENDED);
  await close(stopping);
}
