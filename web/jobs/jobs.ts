import { answer, explain, fit, refine, summaries, withoutCap } from "./fit-jobs.ts";
import type { Job, JobContext } from "./job.ts";
import { breakFixes, drafts, fixes, helpfulChanges } from "./planning-jobs.ts";

/** Everything that workers compute, by name: the same table serves the browser's workers and the server's threads. */
const JOBS = { fit, answer, refine, explain, withoutCap, summaries, fixes, breakFixes, helpfulChanges, drafts } as const;

export type JobName = keyof typeof JOBS;
export type JobInput<Name extends JobName> = Parameters<(typeof JOBS)[Name]>[0];
export type JobProgress<Name extends JobName> =
  Parameters<(typeof JOBS)[Name]>[1] extends JobContext<infer Progress> ? Progress : never;
export type JobResult<Name extends JobName> = Awaited<ReturnType<(typeof JOBS)[Name]>>;

/** A job whose types were checked where it was requested. */
export const jobNamed = (name: JobName): Job<unknown, unknown, unknown> =>
  JOBS[name] as unknown as Job<unknown, unknown, unknown>;
