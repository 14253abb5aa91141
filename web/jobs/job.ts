import type { RunSteps, Workspace } from "./workspace.ts";

/** What a job may use while it runs. */
export interface JobContext<Progress> {
  readonly run: RunSteps;
  /** Tells the requester something before the result; it may arrive late or, after the result, not at all. */
  readonly progress: (message: Progress) => void;
  readonly workspace: Workspace;
}

/** One kind of computation for a worker. Input, progress and result are plain data. */
export type Job<Input, Progress, Result> = (input: Input, context: JobContext<Progress>) => Promise<Result>;
