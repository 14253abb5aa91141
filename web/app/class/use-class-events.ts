import type { ClassEvent } from "@able-tide/core/class/events";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Progress } from "../../server/classes/classes.ts";

const RETRY = 3000;
/** How often what other devices recorded is asked for, in milliseconds. */
const LOOK = 5000;
/** The server's answer to an event that this account may not record. */
const REFUSED = 403;

type NewEvent = ClassEvent extends infer Event ? (Event extends ClassEvent ? Omit<Event, "id" | "at"> : never) : never;

const shelf = (classId: string): string => `able-tide.class.${classId}`;

function readShelf(classId: string): ClassEvent[] {
  try {
    return JSON.parse(window.localStorage.getItem(shelf(classId)) ?? "[]");
  } catch {
    return [];
  }
}

function writeShelf(classId: string, events: readonly ClassEvent[]): void {
  if (events.length === 0) window.localStorage.removeItem(shelf(classId));
  else window.localStorage.setItem(shelf(classId), JSON.stringify(events));
}

/** What has happened in a class after a numbered event; null without an answer. */
async function fetchProgress(classId: string, after: number): Promise<Progress | null> {
  try {
    const response = await fetch(`/classes/${classId}/events?after=${after}`, { headers: { Accept: "application/json" } });
    return response.ok ? await response.json() : null;
  } catch {
    return null;
  }
}

/**
 * The events of a class. A new one is put on the browser's shelf before anything else and stays there until the
 * server has it, so neither a reload nor a lost connection loses it; the server keeps one that comes twice once. What another
 * device in the class records is asked for every few seconds.
 *
 * @param kept what the server had when the page was loaded
 */
export function useClassEvents(classId: string, kept: readonly ClassEvent[]) {
  const [events, setEvents] = useState(kept);
  const [unsent, setUnsent] = useState(0);
  const sending = useRef<Promise<void> | null>(null);

  const sendShelf = useCallback(async () => {
    try {
      for (let batch = readShelf(classId); batch.length > 0; batch = readShelf(classId)) {
        const response = await fetch(`/classes/${classId}/events`, {
          method: "POST",
          headers: { "Content-Type": "application/json" },
          body: JSON.stringify(batch),
        });
        if (response.status === REFUSED) {
          // What this account may not record is not tried for ever; what else was recorded goes on.
          const refused = new Set(((await response.json()) as { refused?: string[] }).refused ?? batch.map(({ id }) => id));
          writeShelf(
            classId,
            readShelf(classId).filter(({ id }) => !refused.has(id)),
          );
          setEvents((known) => known.filter(({ id }) => !refused.has(id)));
          setUnsent(readShelf(classId).length);
          continue;
        }
        if (!response.ok) break;
        const sent = new Set(batch.map(({ id }) => id));
        writeShelf(
          classId,
          readShelf(classId).filter(({ id }) => !sent.has(id)),
        );
        setUnsent(readShelf(classId).length);
      }
    } catch {
      // No connection: the events stay on the shelf and the next try takes them.
    }
  }, [classId]);

  /** Sends what is on the shelf; while that is under way, what was added since goes with it. */
  const send = useCallback((): Promise<void> => {
    sending.current ??= sendShelf().finally(() => {
      sending.current = null;
    });
    return sending.current;
  }, [sendShelf]);

  useEffect(() => {
    const waiting = readShelf(classId);
    if (waiting.length > 0) setEvents((known) => [...known, ...waiting]);
    setUnsent(waiting.length);
    void send();
    const timer = setInterval(send, RETRY);
    return () => clearInterval(timer);
  }, [classId, send]);

  const [scriptRevision, setScriptRevision] = useState(0);
  useEffect(() => {
    let last = 0;
    let asking = false;
    const timer = setInterval(async () => {
      if (asking || document.hidden) return;
      asking = true;
      const progress = await fetchProgress(classId, last);
      asking = false;
      if (!progress) return;
      last = progress.last;
      setScriptRevision(progress.scriptRevision);
      setEvents((known) => {
        const ids = new Set(known.map(({ id }) => id));
        const others = progress.events.filter(({ id }) => !ids.has(id));
        return others.length > 0 ? [...known, ...others] : known;
      });
    }, LOOK);
    return () => clearInterval(timer);
  }, [classId]);

  const add = useCallback(
    (event: NewEvent) => {
      const added = { ...event, id: crypto.randomUUID(), at: new Date().toISOString() } as ClassEvent;
      writeShelf(classId, [...readShelf(classId), added]);
      setUnsent(readShelf(classId).length);
      setEvents((known) => [...known, added]);
      return send();
    },
    [classId, send],
  );

  return { events, add, unsent, scriptRevision };
}
