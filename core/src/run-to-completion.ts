/** Runs work that is given in steps in one go. */
export function runToCompletion<Value>(steps: Generator<undefined, Value>): Value {
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}
