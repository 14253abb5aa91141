import type { FitRunner } from "../../jobs/fit-runner.ts";
import { createOwnThreadRunner } from "../../jobs/own-thread-runner.ts";
import { createThreadRunner } from "./thread-runner.ts";

let runner: FitRunner | null = null;

/** Refuses every job: a process that ends starts no more of them. */
const ENDED: FitRunner = {
  run: async () => {
    throw new DOMException("the server is ending", "AbortError");
  },
  close: async () => {},
};

/** Where this process computes fits: in threads once they are started, until then in its own thread. */
export function fitting(): FitRunner {
  runner ??= createOwnThreadRunner();
  return runner;
}

/** Computes fits in threads from now on. @param file the built thread entry */
export function startFitThreads(file: string): void {
  void runner?.close();
  runner = createThreadRunner(file);
}

/** Stops every fit and refuses those asked for later. @returns when the threads are gone */
export async function stopFitThreads(): Promise<void> {
  const stopping = runner;
  runner = ENDED;
  await stopping?.close();
}
