import { type JobName, jobNamed } from "./jobs.ts";
import { createSlicedRuns, type SliceOptions } from "./sliced-runs.ts";
import { createWorkspace } from "./workspace.ts";

export interface ThreadOptions extends SliceOptions {
  readonly progress: (message: unknown) => void;
}

/**
 * What a worker does: runs any number of jobs side by side on one workspace, the most urgent first.
 *
 * @returns a function that runs one job and returns its result
 */
export function createJobThread() {
  const workspace = createWorkspace();
  const runSteps = createSlicedRuns();
  return async (name: JobName, input: unknown, { progress, ...slices }: ThreadOptions): Promise<unknown> =>
    jobNamed(name)(input, { workspace, progress, run: (steps) => runSteps(steps, slices) });
}

/** The error of a job that was stopped on purpose. */
export const stopError = (): DOMException => new DOMException("The job was stopped.", "AbortError");
