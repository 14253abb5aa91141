const channel = new MessageChannel();
/** Everything that waits for its turn, first come first: each has sent one message. */
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();

/** Yields to the event loop through a MessageChannel, which avoids the 4 ms minimum delay of timers. */
function yieldToEvents(): Promise<void> {
  return new Promise((resolve) => {
    waiting.push(resolve);
    channel.port2.postMessage(null);
  });
}

/**
 * Runs a generator to its end and yields to the event loop between steps, so that newer messages are read. Several may run at once.
 *
 * @param isNewest asked after every yield
 * @param each steps between two yields
 * @returns null as soon as `isNewest` is false
 */
export async function runInterruptible<Value>(
  steps: Generator<undefined, Value>,
  isNewest: () => boolean,
  each = 1,
): Promise<Value | null> {
  for (let step = steps.next(), i = 0; ; step = steps.next(), i += 1) {
    if (step.done) return step.value;
    if (i % each === 0) await yieldToEvents();
    if (!isNewest()) return null;
  }
}
