/** Something being edited, with what it was before and what was taken back. */
export interface History<Value> {
  readonly past: readonly Value[];
  readonly present: Value;
  readonly future: readonly Value[];
}

export const createHistory = <Value>(present: Value): History<Value> => ({ past: [], present, future: [] });

/** Goes on to a new value. @param along whether it belongs to the change before it, as while something is being pulled */
export const push = <Value>({ past, present }: History<Value>, next: Value, along = false): History<Value> => ({
  past: along ? past : [...past, present],
  present: next,
  future: [],
});

export function undo<Value>(history: History<Value>): History<Value> {
  const { past, present, future } = history;
  const before = past[past.length - 1];
  return before === undefined ? history : { past: past.slice(0, -1), present: before, future: [present, ...future] };
}

export function redo<Value>(history: History<Value>): History<Value> {
  const { past, present, future } = history;
  const [next, ...rest] = future;
  return next === undefined ? history : { past: [...past, present], present: next, future: rest };
}
