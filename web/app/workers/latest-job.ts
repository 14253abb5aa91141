import { type FitRunner, isAbort, type Priority, type RunOptions } from "../../jobs/fit-runner.ts";
import type { JobInput, JobName, JobResult } from "../../jobs/jobs.ts";
import { createStore, type Store } from "../kit/store.ts";

/** The latest request of one kind. */
interface LatestJobState<Name extends JobName> {
  /** Null before the first request. */
  readonly input: JobInput<Name> | null;
  /** Null until the request is answered. */
  readonly result: JobResult<Name> | null;
  /** Whether the worker failed twice. */
  readonly failed: boolean;
}

export interface LatestJob<Name extends JobName> extends Store<LatestJobState<Name>> {
  /** Starts a job; one that still runs for an earlier request is stopped. */
  readonly request: (input: JobInput<Name>) => void;
  /** Stops the job that runs, if any; the state stays. */
  readonly stop: () => void;
}

/** Runs a job, once more if its worker fails. @throws what the second run throws, or the reason of the signal */
export async function runTwice<Name extends JobName>(
  runner: FitRunner,
  name: Name,
  input: JobInput<Name>,
  options: RunOptions<Name>,
): Promise<JobResult<Name>> {
  try {
    return await runner.run(name, input, options);
  } catch (error) {
    if (isAbort(error)) throw error;
    return runner.run(name, input, options);
  }
}

/** Keeps the answer to the latest request of one kind. */
export function createLatestJob<Name extends JobName>(runner: FitRunner, name: Name, priority: Priority): LatestJob<Name> {
  const store = createStore<LatestJobState<Name>>({ input: null, result: null, failed: false });
  let running = new AbortController();
  return {
    ...store,
    request(input) {
      running.abort();
      running = new AbortController();
      const { signal } = running;
      store.set(() => ({ input, result: null, failed: false }));
      runTwice(runner, name, input, { signal, priority }).then(
        (result) => {
          if (!signal.aborted) store.set((before) => ({ ...before, result }));
        },
        () => {
          if (!signal.aborted) store.set((before) => ({ ...before, failed: true }));
        },
      );
    },
    stop: () => running.abort(),
  };
}
