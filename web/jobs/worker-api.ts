import type { Priority } from "./fit-runner.ts";
import { createJobThread, stopError } from "./job-thread.ts";
import type { JobName } from "./jobs.ts";

/** What a browser's worker offers to its page. */
export interface WorkerApi {
  run(
    id: number,
    name: JobName,
    input: unknown,
    priority: Priority,
    progress: ((message: unknown) => void) | null,
  ): Promise<unknown>;
  /** Stops a job; one that has ended is let be. */
  stop(id: number): void;
}

export function createWorkerApi(): WorkerApi {
  const compute = createJobThread();
  const running = new Set<number>();
  return {
    async run(id, name, input, priority, progress) {
      running.add(id);
      try {
        return await compute(name, input, {
          priority,
          progress: (message) => progress?.(message),
          throwIfStopped: () => {
            if (!running.has(id)) throw stopError();
          },
        });
      } finally {
        running.delete(id);
      }
    },
    stop: (id) => void running.delete(id),
  };
}
