const turnstile = new MessageChannel();

/** Lets a newer question in. A message to oneself comes round at once, where a timer would wait four milliseconds. */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    turnstile.port1.onmessage = () => resolve();
    turnstile.port2.postMessage(null);
  });

/**
 * Runs steps with room in between for a newer question.
 *
 * @param isNewest asked after every breath
 * @param each steps to a breath
 * @returns null where something newer was asked
 */
export async function runWithRoom<Value>(
  steps: Generator<undefined, Value>,
  isNewest: () => boolean,
  each = 1,
): Promise<Value | null> {
  for (let step = steps.next(), i = 0; ; step = steps.next(), i += 1) {
    if (step.done) return step.value;
    if (i % each === 0) await breathe();
    if (!isNewest()) return null;
  }
}
