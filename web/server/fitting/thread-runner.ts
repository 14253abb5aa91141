import { availableParallelism } from "node:os";
import { MessageChannel } from "node:worker_threads";
import { Piscina } from "piscina";
import { aborted, type FitRunner, PRIORITY } from "../../jobs/fit-runner.ts";
import type { JobProgress, JobResult } from "../../jobs/jobs.ts";
import type { ThreadMessage, ThreadTask } from "./fit-thread.ts";

type PoolOptions = NonNullable<ConstructorParameters<typeof Piscina>[0]>;

/** Threads in addition to the one that serves pages; each keeps what it has solved, some hundred megabytes. */
const MAX_THREADS = 2;

/** For what pages wait for: jobs share a thread, the most urgent first, and threads keep what they have solved. */
const FOR_PAGES: PoolOptions = {
  minThreads: 1,
  maxThreads: Math.min(MAX_THREADS, Math.max(1, availableParallelism() - 1)),
  concurrentTasksPerWorker: 8,
  idleTimeout: Number.POSITIVE_INFINITY,
};

/**
 * For what programs ask: one thread with one question at a time, its memory limited, that ends with what it has solved when no one
 * asks any more. A question too large for it ends the thread and nothing else.
 */
export const FOR_PROGRAMS: PoolOptions = {
  minThreads: 0,
  maxThreads: 1,
  concurrentTasksPerWorker: 1,
  idleTimeout: 60_000,
  resourceLimits: { maxOldGenerationSizeMb: 768 },
};

/**
 * Runs jobs in worker threads of this process.
 *
 * @param file the built thread entry
 */
export function createThreadRunner(file: string, options: PoolOptions = FOR_PAGES): FitRunner {
  const pool = new Piscina<ThreadTask, unknown>({ filename: file, ...options });
  return {
    async run(name, input, { signal, priority = PRIORITY.fit, onProgress } = {}) {
      signal?.throwIfAborted();
      const flag = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
      const stop = () => void Atomics.store(flag, 0, 1);
      signal?.addEventListener("abort", stop, { once: true });
      const channel = onProgress ? new MessageChannel() : null;
      const allTold = new Promise<void>((resolve) => {
        channel?.port1.on("message", (message: ThreadMessage) => {
          if (message.kind === "end") resolve();
          else onProgress?.(message.progress as JobProgress<typeof name>);
        });
      });
      const task: ThreadTask = { name, input, priority, stop: flag, port: channel?.port2 ?? null };
      try {
        const result = pool.run(task, { transferList: channel ? [channel.port2] : [] });
        const ended = (await Promise.race([result, ...(signal ? [aborted(signal)] : [])])) as JobResult<typeof name>;
        // All progress is reported before the result.
        if (channel) await allTold;
        return ended;
      } finally {
        signal?.removeEventListener("abort", stop);
        channel?.port1.close();
      }
    },
    close: () => pool.destroy(),
  };
}
