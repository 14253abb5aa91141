import { buildOf, type MeasuredBody } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import { strictestNumber } from "../caps/effective.ts";
import { seatForHips, seatHeights } from "./seat.ts";

/** What the stiffer hip may bend, degrees; null without a cap. */
export function strictestHip(caps: readonly Cap[]): number | null {
  const hips = caps.flatMap(({ limit }) => (limit.channel === "motion" && limit.motion === "hipFlexion" ? [limit.limit] : []));
  return hips.length > 0 ? Math.min(...hips) : null;
}

/**
 * How much higher than usual someone sits, metres: so that a hip that may not bend far has room to lean, and as much as a cap
 * on the seat asks. The same in the set-up and in the fit.
 */
export function seatRaise(measured: MeasuredBody, stature: number, caps: readonly Cap[]): number {
  const build = buildOf(measured, stature);
  const hip = strictestHip(caps);
  const forHips = hip === null ? 0 : seatForHips(stature, hip, build) - seatHeights(stature, build).sitting;
  return Math.max(forHips, (strictestNumber(caps, "higherSeat") ?? 0) / 100);
}

/** A body as it sits with its caps: on a higher seat where they ask for one. */
export function seatedBody(measured: MeasuredBody, stature: number, caps: readonly Cap[]): MeasuredBody {
  const raise = seatRaise(measured, stature, caps);
  return raise > 0 ? { ...measured, seatRaise: raise } : measured;
}
