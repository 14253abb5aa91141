import type { ClassEvent } from "@able-tide/core/class/events";
import type { ProgressAnswer, RecordedAnswer } from "./class-answers.ts";
import { type ClassTransport, SIGNED_OUT } from "./class-log.ts";

/** A request without an answer after this long is given up and tried again, milliseconds. */
const DEADLINE = 10_000;

/** No one is signed in any more, or someone else than who recorded the events. */
const NOT_MINE: readonly number[] = [401, 409];

/** @returns null where the answer is not the server's own: an error, or a page that the request was led to */
async function ask<Answer>(address: string, init: RequestInit = {}): Promise<Answer | typeof SIGNED_OUT | null> {
  const response = await fetch(address, { ...init, redirect: "manual", signal: AbortSignal.timeout(DEADLINE) });
  if (NOT_MINE.includes(response.status)) return SIGNED_OUT;
  return response.ok ? response.json() : null;
}

/** Sends events of a class to its address and asks there for those of other devices. */
export const httpTransport = (classId: string, accountId: string): ClassTransport => ({
  send: (events: readonly ClassEvent[]) =>
    ask<RecordedAnswer>(`/classes/${classId}/events`, {
      method: "POST",
      headers: { "Content-Type": "application/json", Accept: "application/json" },
      body: JSON.stringify({ accountId, events }),
    }),
  progress: (after) =>
    ask<ProgressAnswer>(`/classes/${classId}/events?after=${after}`, { headers: { Accept: "application/json" } }),
});
