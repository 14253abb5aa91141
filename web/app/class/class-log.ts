import type { ClassEvent } from "@able-tide/core/class/events";
import type { Progress } from "../../server/classes/classes.ts";
import { createStore, type Store } from "../kit/store.ts";

/** An event before its id and time are given. */
type NewEvent = ClassEvent extends infer Event ? (Event extends ClassEvent ? Omit<Event, "id" | "at"> : never) : never;

/** Where a browser keeps events until the server has them. */
export interface Shelf {
  readonly read: () => readonly ClassEvent[];
  readonly write: (events: readonly ClassEvent[]) => void;
}

/** How events reach the server. */
export interface ClassTransport {
  /** @returns "sent", the ids that this account may not record, or null if the server did not take the batch */
  readonly send: (batch: readonly ClassEvent[]) => Promise<"sent" | { readonly refused: readonly string[] } | null>;
  /** What happened after a numbered event; null without an answer. */
  readonly progress: (after: number) => Promise<Progress | null>;
}

export interface ClassLogState {
  readonly events: readonly ClassEvent[];
  /** Events that the server does not have yet. */
  readonly unsent: number;
  /** How often the class's script has been changed, as far as is known. */
  readonly scriptRevision: number;
}

export interface ClassLog extends Store<ClassLogState> {
  /** Records an event. @returns when this try to send it has ended, whether it could be sent or not */
  readonly add: (event: NewEvent) => Promise<void>;
  /** Tries to send what is on the shelf; what is added during the try goes with it. */
  readonly send: () => Promise<void>;
  /** Asks what other devices recorded; a second request while one runs is dropped. */
  readonly look: () => Promise<void>;
}

/**
 * The events of a class. A new one is put on the shelf before anything else and stays there until the server has it, so
 * neither a reload nor a lost connection loses it; the server keeps one that comes twice once.
 *
 * Long because its commands share one outbox and one send that is under way.
 *
 * @param kept what the server had when the page was loaded
 */
export function createClassLog(
  kept: readonly ClassEvent[],
  shelf: Shelf,
  transport: ClassTransport,
  stamp: () => Pick<ClassEvent, "id" | "at">,
): ClassLog {
  const store = createStore<ClassLogState>({ events: kept, unsent: 0, scriptRevision: 0 });
  let sending: Promise<void> | null = null;
  let looking = false;
  let last = 0;

  /** Adds events that are not in the log yet. */
  const put = (events: readonly ClassEvent[]): void =>
    store.set((before) => {
      const ids = new Set(before.events.map(({ id }) => id));
      const added = events.filter(({ id }) => !ids.has(id));
      return added.length === 0 ? before : { ...before, events: [...before.events, ...added] };
    });

  function unshelve(gone: ReadonlySet<string>): void {
    shelf.write(shelf.read().filter(({ id }) => !gone.has(id)));
    store.set((before) => ({ ...before, unsent: shelf.read().length }));
  }

  async function sendShelf(): Promise<void> {
    for (let batch = shelf.read(); batch.length > 0; batch = shelf.read()) {
      const answer = await transport.send(batch);
      if (answer === null) return;
      if (answer === "sent") unshelve(new Set(batch.map(({ id }) => id)));
      else {
        // What this account may not record is not tried for ever; what else was recorded goes on.
        const refused = new Set(answer.refused);
        if (refused.size === 0) return;
        unshelve(refused);
        store.set((before) => ({ ...before, events: before.events.filter(({ id }) => !refused.has(id)) }));
      }
    }
  }

  function send(): Promise<void> {
    // Without a connection the events stay on the shelf, and the next try takes them.
    sending ??= sendShelf()
      .catch(() => undefined)
      .finally(() => {
        sending = null;
      });
    return sending;
  }

  const waiting = shelf.read();
  put(waiting);
  store.set((before) => (waiting.length === 0 ? before : { ...before, unsent: waiting.length }));

  return {
    ...store,
    send,
    add(event) {
      const added = { ...event, ...stamp() } as ClassEvent;
      shelf.write([...shelf.read(), added]);
      put([added]);
      store.set((before) => ({ ...before, unsent: shelf.read().length }));
      return send();
    },
    async look() {
      if (looking) return;
      looking = true;
      const progress = await transport.progress(last).catch(() => null);
      looking = false;
      if (!progress) return;
      last = progress.last;
      store.set((before) => ({ ...before, scriptRevision: progress.scriptRevision }));
      put(progress.events);
    },
  };
}
