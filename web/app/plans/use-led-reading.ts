import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import { scheduleAsLed } from "@able-tide/core/leading/timed-fit";
import type { PlanSchedule } from "@able-tide/core/schedule/schedule-plan";
import { useMemo } from "react";
import type { LookedAt } from "./use-plan-look.ts";

/**
 * A plan's schedule as the session is led. While that is worked out again, items have the times that they were last known to
 * take people to sit down and stand up.
 *
 * @param sheet how it is led, or was last led; null while nothing is known of it
 */
export const useLedReading = ({ analysis, timing }: LookedAt, sheet: SessionSheet | null): PlanSchedule =>
  useMemo(() => (sheet === null ? analysis.reading : scheduleAsLed(timing, sheet)), [analysis, timing, sheet]);
