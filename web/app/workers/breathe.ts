const turnstile = new MessageChannel();

/** Lets a newer question in. A message to oneself comes round at once, where a timer would wait four milliseconds. */
export const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    turnstile.port1.onmessage = () => resolve();
    turnstile.port2.postMessage(null);
  });
