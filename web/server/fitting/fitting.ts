import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import type { FitRunner } from "../../jobs/fit-runner.ts";
import { createOwnThreadRunner } from "../../jobs/own-thread-runner.ts";
import { createQuestionQueue, type QuestionLimits, type QuestionQueue } from "./question-queue.ts";
import { createThreadRunner, FOR_PROGRAMS } from "./thread-runner.ts";

const LIMITS: QuestionLimits = { ofOne: 2, ofAll: 8, deadline: 60_000 };

/** Where fits are computed: what pages wait for, and apart from it what programs ask. */
interface Fitting {
  /** Names the program that computes: another one may find other fits. */
  readonly engine: string;
  readonly pages: FitRunner;
  readonly programs: FitRunner;
  readonly questions: QuestionQueue;
}

const fittingIn = (engine: string, pages: FitRunner, programs: FitRunner): Fitting => ({
  engine,
  pages,
  programs,
  questions: createQuestionQueue(programs, LIMITS),
});

/** The engine of a process that computes in its own thread: tests and scripts. */
const OWN_THREAD = "own thread";

let current: Fitting | null = null;

/** Refuses every job: a process that ends starts no more of them. */
const ENDED: FitRunner = {
  run: async () => {
    throw new DOMException("the server is ending", "AbortError");
  },
  close: async () => {},
};

function present(): Fitting {
  current ??= fittingIn(OWN_THREAD, createOwnThreadRunner(), createOwnThreadRunner());
  return current;
}

/** Where this process computes fits: in threads once they are started, until then in its own thread. */
export const fitting = (): FitRunner => present().pages;

/** Names the program that computes fits: what one has found is not taken for what another would find. */
export const engine = (): string => present().engine;

/** Where programs' questions are answered. */
export const questions = (): QuestionQueue => present().questions;

const close = (ending: Fitting | null): Promise<unknown> => Promise.all([ending?.pages.close(), ending?.programs.close()]);

/** Computes fits in threads from now on. @param file the built thread entry */
export function startFitThreads(file: string): void {
  void close(current);
  // The entry names its parts by their content, so that it is another text whenever anything in it is.
  const name = createHash("sha256").update(readFileSync(file)).digest("base64url");
  current = fittingIn(name, createThreadRunner(file), createThreadRunner(file, FOR_PROGRAMS));
}

/** Stops every fit and refuses those asked for later. @returns when the threads are gone */
export async function stopFitThreads(): Promise<void> {
  const stopping = current;
  current = fittingIn(OWN_THREAD, ENDED, ENDED);
  await close(stopping);
}
