import type { JobInput, JobName, JobProgress, JobResult } from "./jobs.ts";

/** Jobs of a higher priority go first, also before the rest of one that is running. */
export const PRIORITY = { background: 0, draft: 1, fit: 2, question: 3 } as const;
export type Priority = (typeof PRIORITY)[keyof typeof PRIORITY];

export interface RunOptions<Name extends JobName> {
  /** Stops the job; its promise rejects with the signal's reason. */
  readonly signal?: AbortSignal;
  /** `PRIORITY.fit` where nothing is said. */
  readonly priority?: Priority;
  readonly onProgress?: (message: JobProgress<Name>) => void;
}

/** Runs jobs away from the thread that serves pages or draws them. */
export interface FitRunner {
  /**
   * @returns the job's result
   * @throws the signal's reason if the job was stopped, or an error if its worker failed
   */
  run<Name extends JobName>(name: Name, input: JobInput<Name>, options?: RunOptions<Name>): Promise<JobResult<Name>>;
  /** Stops all jobs, frees the workers and resolves when they are gone. */
  close(): Promise<void>;
}

/** Whether an error says no more than that a job was stopped on purpose. */
export const isAbort = (error: unknown): boolean => error instanceof Error && error.name === "AbortError";

/** Rejects with the signal's reason once it aborts; never resolves. */
export const aborted = (signal: AbortSignal): Promise<never> =>
  new Promise((_, reject) => {
    if (signal.aborted) reject(signal.reason);
    else signal.addEventListener("abort", () => reject(signal.reason), { once: true });
  });
