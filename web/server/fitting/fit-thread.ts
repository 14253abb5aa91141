import { isMainThread, type MessagePort } from "node:worker_threads";
import type { Priority } from "../../jobs/fit-runner.ts";
import { createJobThread, stopError } from "../../jobs/job-thread.ts";
import type { JobName } from "../../jobs/jobs.ts";

/** One job as the server's pool gives it to a thread. */
export interface ThreadTask {
  readonly name: JobName;
  readonly input: unknown;
  readonly priority: Priority;
  /** Not zero once the job is to stop; shared with the thread that asked. */
  readonly stop: Int32Array<SharedArrayBuffer>;
  /** Where progress goes; null where no one listens. */
  readonly port: MessagePort | null;
}

/**
 * Messages of a thread while a job runs. Progress and results use different channels: the end message says that all
 * progress was sent.
 */
export type ThreadMessage = { readonly kind: "progress"; readonly progress: unknown } | { readonly kind: "end" };

const compute = isMainThread ? null : createJobThread();

/** The entry of a thread: the second entry of the server build. */
export default async function runTask({ name, input, priority, stop, port }: ThreadTask): Promise<unknown> {
  if (compute === null) throw new Error("Jobs run in threads of the pool only.");
  try {
    return await compute(name, input, {
      priority,
      progress: (progress) => port?.postMessage({ kind: "progress", progress } satisfies ThreadMessage),
      throwIfStopped: () => {
        if (Atomics.load(stop, 0) !== 0) throw stopError();
      },
    });
  } finally {
    port?.postMessage({ kind: "end" } satisfies ThreadMessage);
  }
}
