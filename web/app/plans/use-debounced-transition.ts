import { startTransition, useEffect, useState } from "react";

/** Rest of the hand after which slower things follow, milliseconds. */
const DEBOUNCE_MS = 60;

/** A value as it was when the hand last rested; what is drawn from it never holds the hand up. */
export function useDebouncedTransition<Value>(value: Value): Value {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setRested(value)), DEBOUNCE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return rested;
}
