import { type Endpoint, proxy, type Remote, wrap } from "comlink";
import { aborted, type FitRunner, PRIORITY, type RunOptions } from "./fit-runner.ts";
import type { JobInput, JobName, JobProgress, JobResult } from "./jobs.ts";
import type { WorkerApi } from "./worker-api.ts";

/** A worker that was started. */
export interface StartedWorker {
  readonly endpoint: Endpoint;
  /** Rejects if the worker fails; never resolves. */
  readonly failed: Promise<never>;
  readonly stop: () => void;
}

interface Handle {
  readonly api: Remote<WorkerApi>;
  readonly worker: StartedWorker;
  jobs: number;
}

/**
 * Runs jobs in up to `size` workers of a browser, each started when first needed. A job goes to the worker with the fewest
 * jobs. A worker that fails is replaced by the next job; jobs that ran in it reject.
 */
export function createWorkerRunner(start: () => StartedWorker, size = 1): FitRunner {
  let handles: Handle[] = [];
  let ids = 0;

  function startHandle(): Handle {
    const worker = start();
    const handle: Handle = { api: wrap<WorkerApi>(worker.endpoint), worker, jobs: 0 };
    handles = [...handles, handle];
    worker.failed.catch(() => {
      handles = handles.filter((each) => each !== handle);
      worker.stop();
    });
    return handle;
  }

  function freest(): Handle {
    const idle = handles.toSorted((a, b) => a.jobs - b.jobs)[0];
    return idle === undefined || (idle.jobs > 0 && handles.length < size) ? startHandle() : idle;
  }

  async function run<Name extends JobName>(
    name: Name,
    input: JobInput<Name>,
    { signal, priority = PRIORITY.fit, onProgress }: RunOptions<Name> = {},
  ): Promise<JobResult<Name>> {
    signal?.throwIfAborted();
    const handle = freest();
    ids += 1;
    const id = ids;
    let ended = false;
    // Progress comes by a channel of its own, and may be later than the result.
    const progress =
      onProgress &&
      proxy((message: unknown) => {
        if (!ended) onProgress(message as JobProgress<Name>);
      });
    const stop = () => void handle.api.stop(id);
    signal?.addEventListener("abort", stop, { once: true });
    handle.jobs += 1;
    try {
      const result = handle.api.run(id, name, input, priority, progress ?? null);
      const stops = signal ? [aborted(signal)] : [];
      return (await Promise.race([result, handle.worker.failed, ...stops])) as JobResult<Name>;
    } finally {
      ended = true;
      handle.jobs -= 1;
      signal?.removeEventListener("abort", stop);
    }
  }

  return {
    run,
    async close() {
      for (const { worker } of handles) worker.stop();
      handles = [];
    },
  };
}
