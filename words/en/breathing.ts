import type { BreathPause } from "@able-tide/core/movement/breathing";

/** A pause of the breath: "2 s after breathing in". */
export function formatPause({ at, seconds }: BreathPause): string {
  if (seconds === 0) return "no pause";
  return `${seconds} s after breathing ${at === "top" ? "in" : "out"}`;
}
