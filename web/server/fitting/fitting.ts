import type { FitRunner } from "../../jobs/fit-runner.ts";
import { createOwnThreadRunner } from "../../jobs/own-thread-runner.ts";
import { createThreadRunner } from "./thread-runner.ts";

let runner: FitRunner | null = null;

/** Where this process computes fits: in threads once they are started, until then in its own thread. */
export function fitting(): FitRunner {
  runner ??= createOwnThreadRunner();
  return runner;
}

/** Computes fits in threads from now on. @param file the built thread entry */
export function startFitThreads(file: string): void {
  runner?.close();
  runner = createThreadRunner(file);
}

export function stopFitThreads(): void {
  runner?.close();
  runner = null;
}
