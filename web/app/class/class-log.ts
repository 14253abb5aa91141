import type { EventRefusal } from "@able-tide/core/class/event-rights";
import type { ClassEvent } from "@able-tide/core/class/events";
import { createStore, type Store } from "../kit/store.ts";
import type { ProgressAnswer, RecordedAnswer } from "./class-answers.ts";

/** An event before its id and times are given. */
type NewEvent = ClassEvent extends infer Event
  ? Event extends ClassEvent
    ? Omit<Event, "id" | "at" | "deviceAt" | "sheet">
    : never
  : never;

/** An event that the server does not record, and why. */
interface RefusedEvent {
  readonly event: ClassEvent;
  readonly why: EventRefusal;
}

/** What a browser keeps of a class for one account. */
export interface Shelved {
  /** Events that the server does not have yet. */
  readonly waiting: readonly ClassEvent[];
  /** Events that the server refused and no one has read about yet. */
  readonly refused: readonly RefusedEvent[];
}

/** Where a browser keeps the events of a class until the server has them. */
export interface Shelf {
  readonly read: () => Shelved;
  readonly write: (shelved: Shelved) => void;
}

/** The answer of a server that knows no one, or someone else, at this device. */
export const SIGNED_OUT = "signedOut";

/** How events reach the server; null without an answer that says what became of them. */
export interface ClassTransport {
  readonly send: (batch: readonly ClassEvent[]) => Promise<RecordedAnswer | typeof SIGNED_OUT | null>;
  /** What happened after a numbered event. */
  readonly progress: (after: number) => Promise<ProgressAnswer | typeof SIGNED_OUT | null>;
}

/** Where ids and times come from. */
export interface Stamps {
  readonly newId: () => string;
  /** This device's time, milliseconds. */
  readonly deviceNow: () => number;
  /** Number of the session sheet that this device shows. */
  readonly sheet: () => number;
}

export interface ClassLogState {
  readonly events: readonly ClassEvent[];
  /** Events that the server does not have yet. */
  readonly unsent: number;
  readonly refused: readonly RefusedEvent[];
  /** Whether the server asks to sign in before it takes anything. */
  readonly signedOut: boolean;
  /** Milliseconds to add to this device's time for the server's. */
  readonly offset: number;
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
  /** Someone has read what was refused. */
  readonly dismissRefused: () => void;
}

/** Events sent at once. */
const PART = 200;

const onceEach = (events: readonly ClassEvent[]): readonly ClassEvent[] => [
  ...new Map(events.map((event) => [event.id, event])).values(),
];

/**
 * The events of a class. A new one is put on the shelf before anything else and stays there until the server names it as
 * kept or refused, so neither a reload, a lost connection nor an ended session loses it; the server keeps one that comes
 * twice once. Events of different times never change their order, whatever is learned about the clock.
 *
 * Long because its commands share one outbox and one send that is under way.
 *
 * @param kept what the server had when the page was loaded
 * @param offset milliseconds to add to this device's time for the server's, as far as is known then
 */
export function createClassLog(
  kept: readonly ClassEvent[],
  shelf: Shelf,
  transport: ClassTransport,
  { newId, deviceNow, sheet }: Stamps,
  offset = 0,
): ClassLog {
  const { waiting, refused } = shelf.read();
  const store = createStore<ClassLogState>({
    events: onceEach([...kept, ...waiting]),
    unsent: waiting.length,
    refused,
    signedOut: false,
    offset,
    scriptRevision: 0,
  });
  let sending: Promise<void> | null = null;
  let looking = false;
  let last = 0;
  let lastAt = 0;

  function shelve(change: (before: Shelved) => Shelved): void {
    const after = change(shelf.read());
    shelf.write(after);
    store.set((before) => ({ ...before, unsent: after.waiting.length, refused: after.refused }));
  }

  /** Learns from an answer who is signed in and what time it is there; the server read its clock about half-way. */
  function learn(answer: { readonly now: string } | typeof SIGNED_OUT, asked: number): void {
    if (answer === SIGNED_OUT) store.set((before) => ({ ...before, signedOut: true }));
    else store.set((before) => ({ ...before, signedOut: false, offset: Date.parse(answer.now) - (asked + deviceNow()) / 2 }));
  }

  /** Takes off the shelf what the server has, and what it refuses, which is no longer part of the class. */
  function settle(batch: readonly ClassEvent[], answer: RecordedAnswer): void {
    const done = new Set(answer.kept);
    const why = new Map(answer.refused.map((each) => [each.id, each.why]));
    const now = batch.flatMap((event) => {
      const reason = why.get(event.id);
      return reason === undefined ? [] : [{ event, why: reason }];
    });
    shelve((before) => ({
      waiting: before.waiting.filter(({ id }) => !done.has(id) && !why.has(id)),
      refused: [...before.refused, ...now],
    }));
    if (now.length > 0)
      store.set((before) => ({ ...before, events: before.events.filter(({ id }) => !why.has(id) || done.has(id)) }));
  }

  async function sendShelf(): Promise<void> {
    for (let batch = shelf.read().waiting.slice(0, PART); batch.length > 0; batch = shelf.read().waiting.slice(0, PART)) {
      const asked = deviceNow();
      const answer = await transport.send(batch);
      if (answer === null) return;
      learn(answer, asked);
      if (answer === SIGNED_OUT) return;
      settle(batch, answer);
      // An answer that names none of them would be asked for again and again.
      const left = new Set(shelf.read().waiting.map(({ id }) => id));
      if (batch.every(({ id }) => left.has(id))) return;
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

  return {
    ...store,
    send,
    add(event) {
      const device = deviceNow();
      lastAt = Math.max(lastAt + 1, device + store.get().offset);
      const added = {
        ...event,
        id: newId(),
        at: new Date(lastAt).toISOString(),
        deviceAt: new Date(device).toISOString(),
        sheet: sheet(),
      } as ClassEvent;
      shelve((before) => ({ ...before, waiting: [...before.waiting, added] }));
      store.set((before) => ({ ...before, events: [...before.events, added] }));
      return send();
    },
    async look() {
      if (looking) return;
      looking = true;
      const asked = deviceNow();
      const answer = await transport.progress(last).catch(() => null);
      looking = false;
      if (answer === null) return;
      learn(answer, asked);
      if (answer === SIGNED_OUT) return;
      last = answer.last;
      // The server's own copy counts: a time that cannot be is put right there.
      store.set((before) => ({
        ...before,
        scriptRevision: answer.scriptRevision,
        events: answer.events.length === 0 ? before.events : onceEach([...before.events, ...answer.events]),
      }));
    },
    dismissRefused: () => shelve((before) => ({ ...before, refused: [] })),
  };
}
