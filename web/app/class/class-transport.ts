import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassTransport, Shelf } from "./class-log.ts";

/** The server's answer to an event that this account may not record. */
const REFUSED = 403;

/** The events of a class in this browser's local storage. */
export function browserShelf(classId: string): Shelf {
  const key = `able-tide.class.${classId}`;
  return {
    read() {
      try {
        return JSON.parse(window.localStorage.getItem(key) ?? "[]");
      } catch {
        return [];
      }
    },
    write(events) {
      if (events.length === 0) window.localStorage.removeItem(key);
      else window.localStorage.setItem(key, JSON.stringify(events));
    },
  };
}

/** Sends events of a class to its address and asks there for those of other devices. */
export const httpTransport = (classId: string): ClassTransport => ({
  async send(batch: readonly ClassEvent[]) {
    const response = await fetch(`/classes/${classId}/events`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(batch),
    });
    if (response.status === REFUSED) {
      const { refused = batch.map(({ id }) => id) } = (await response.json()) as { refused?: string[] };
      return { refused };
    }
    return response.ok ? "sent" : null;
  },
  async progress(after) {
    const response = await fetch(`/classes/${classId}/events?after=${after}`, { headers: { Accept: "application/json" } });
    return response.ok ? response.json() : null;
  },
});
