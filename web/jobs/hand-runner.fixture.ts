import type { FitRunner, Priority } from "./fit-runner.ts";
import type { JobName } from "./jobs.ts";

/** A job that a test ends by hand. */
export interface HandJob {
  readonly name: JobName;
  readonly input: unknown;
  readonly priority: Priority | undefined;
  readonly signal: AbortSignal | undefined;
  readonly progress: (message: unknown) => void;
  readonly end: (result: unknown) => void;
  readonly fail: (error: unknown) => void;
}

/** A runner that only notes its jobs; a stopped job rejects with the signal's reason. */
export function handRunner(): {
  readonly runner: FitRunner;
  readonly jobs: HandJob[];
  readonly latest: (name: JobName) => HandJob;
} {
  const jobs: HandJob[] = [];
  const run = (
    name: JobName,
    input: unknown,
    options: { signal?: AbortSignal; priority?: Priority; onProgress?: unknown } = {},
  ) =>
    new Promise((end, fail) => {
      const { signal, priority } = options;
      signal?.addEventListener("abort", () => fail(signal.reason));
      const progress = (options.onProgress ?? (() => undefined)) as (message: unknown) => void;
      jobs.push({ name, input, priority, signal, progress, end, fail });
    });
  return {
    runner: { run: run as FitRunner["run"], close: async () => {} },
    jobs,
    latest: (name) => {
      const job = jobs.findLast((each) => each.name === name);
      if (!job) throw new Error(`no ${name} job yet`);
      return job;
    },
  };
}

/** Lets everything that is already settled be heard. */
export const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));
