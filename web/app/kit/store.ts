/** State that lives outside of a component, so that it can be tested without one. */
export interface Store<State> {
  readonly get: () => State;
  /** @returns a function that ends the subscription */
  readonly subscribe: (listener: () => void) => () => void;
}

export interface WritableStore<State> extends Store<State> {
  /** Replaces the state and tells every subscriber; the same state tells no one. */
  readonly set: (change: (before: State) => State) => void;
}

export function createStore<State>(initial: State): WritableStore<State> {
  let state = initial;
  const listeners = new Set<() => void>();
  return {
    get: () => state,
    subscribe(listener) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    set(change) {
      const next = change(state);
      if (Object.is(next, state)) return;
      state = next;
      for (const listener of listeners) listener();
    },
  };
}
