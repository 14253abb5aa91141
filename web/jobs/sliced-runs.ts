import PQueue from "p-queue";
import { yieldToEvents } from "./yield-to-events.ts";

/** Milliseconds that a job computes before another may go on. */
const SLICE = 8;

export interface SliceOptions {
  /** Of several jobs the one with the highest priority computes; of equal ones each in turn. */
  readonly priority: number;
  /** Asked before each slice. @throws if the job is to stop */
  readonly throwIfStopped: () => void;
}

/**
 * Runs generators side by side in one thread, a slice of some milliseconds at a time. Between slices messages are read, so
 * that a job can be stopped and a more urgent one can go first.
 *
 * @returns a function that runs steps to their end and returns their value
 */
export function createSlicedRuns(now: () => number = () => performance.now()) {
  const queue = new PQueue({ concurrency: 1 });
  return <Value>(steps: Generator<undefined, Value>, { priority, throwIfStopped }: SliceOptions): Promise<Value> =>
    new Promise((resolve, reject) => {
      const slice = async (): Promise<void> => {
        try {
          await yieldToEvents();
          throwIfStopped();
          const until = now() + SLICE;
          let step = steps.next();
          while (!step.done && now() < until) step = steps.next();
          // The next slice queues up before this one ends, so that a less urgent job does not slip in between.
          if (step.done) resolve(step.value);
          else void queue.add(slice, { priority });
        } catch (error) {
          reject(error);
        }
      };
      void queue.add(slice, { priority });
    });
}
