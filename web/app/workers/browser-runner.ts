import type { FitRunner } from "../../jobs/fit-runner.ts";
import { createWorkerRunner, type StartedWorker } from "../../jobs/worker-runner.ts";

function startWorker(): StartedWorker {
  const worker = new Worker(new URL("./job.worker.ts", import.meta.url), { type: "module" });
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener("error", ({ message }) => reject(new Error(message || "The worker stopped.")));
  });
  return { endpoint: worker, failed, stop: () => worker.terminate() };
}

/** Runs jobs in web workers of this page. @param size workers at most */
export const createBrowserRunner = (size = 1): FitRunner => createWorkerRunner(startWorker, size);

/** The board's worker, one for as long as the page lives: what it has solved serves every board opened after. */
export const boardRunner = createBrowserRunner();

/** Finds fixes in parallel with the fit, so that neither waits for the other. */
export const checksRunner = createBrowserRunner();
