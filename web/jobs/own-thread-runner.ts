import { type FitRunner, PRIORITY } from "./fit-runner.ts";
import { createJobThread } from "./job-thread.ts";
import type { JobProgress, JobResult } from "./jobs.ts";

/** Runs jobs in the thread of the caller, in slices: for tests, scripts and a server that starts no threads. */
export function createOwnThreadRunner(): FitRunner {
  const compute = createJobThread();
  return {
    async run(name, input, { signal, priority = PRIORITY.fit, onProgress } = {}) {
      const result = await compute(name, input, {
        priority,
        progress: (message) => onProgress?.(message as JobProgress<typeof name>),
        throwIfStopped: () => signal?.throwIfAborted(),
      });
      return result as JobResult<typeof name>;
    },
    close: async () => {},
  };
}
