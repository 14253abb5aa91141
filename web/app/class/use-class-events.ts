import type { ClassEvent } from "@able-tide/core/class/events";
import { useEffect, useState } from "react";
import { useStore } from "../kit/use-store.ts";
import { type ClassLog, type ClassLogState, createClassLog, type Shelf, type Stamps } from "./class-log.ts";
import { classShelf, othersWaiting, type Recorder } from "./class-shelf.ts";
import { httpTransport } from "./class-transport.ts";

/** Milliseconds between tries to send what the server does not have yet. */
const RETRY = 3000;
/** Milliseconds between questions about what other devices recorded. */
const LOOK = 5000;

const NO_SHELF: Shelf = { read: () => ({ waiting: [], refused: [] }), write: () => undefined };

const STAMPS: Omit<Stamps, "sheet"> = { newId: () => crypto.randomUUID(), deviceNow: () => Date.now() };

interface Options {
  readonly classId: string;
  readonly recorder: Recorder;
  /** What the server had when the page was loaded. */
  readonly kept: readonly ClassEvent[];
  /** The server's time when the page was loaded, ISO instant. */
  readonly now: string;
  /** Number of the session sheet that is shown. */
  readonly sheetShown: { readonly current: number };
}

type ClassEvents = ClassLogState &
  Pick<ClassLog, "add" | "send" | "dismissRefused"> & {
    /** Whose events of this class wait at this device, next to one's own. */
    readonly others: readonly { readonly name: string; readonly waiting: number }[];
    /** Whether this device's own memory was read: before that no one knows what waits in it. */
    readonly isRead: boolean;
  };

/** The events of a class on this device, of the account that is signed in. */
export function useClassEvents({ classId, recorder, kept, now, sheetShown }: Options): ClassEvents {
  const { accountId } = recorder;
  const stamps = (): Stamps => ({ ...STAMPS, sheet: () => sheetShown.current });
  // The page as the server draws it has no shelf; the browser puts its own in its place.
  const [log, setLog] = useState(() => createClassLog(kept, NO_SHELF, httpTransport(classId, accountId), stamps()));
  const [others, setOthers] = useState<ClassEvents["others"]>([]);
  const [isRead, setIsRead] = useState(false);
  const state = useStore(log);

  // biome-ignore lint/correctness/useExhaustiveDependencies: what the server had when the page was loaded is read once
  useEffect(() => {
    const shelf = classShelf(window.localStorage, classId, recorder);
    const offset = Date.parse(now) - Date.now();
    const own = createClassLog(kept, shelf, httpTransport(classId, accountId), stamps(), offset);
    setLog(own);
    setIsRead(true);
    setOthers(othersWaiting(window.localStorage, classId, recorder));
    void own.send();
    void own.look();
    const retrying = setInterval(own.send, RETRY);
    const looking = setInterval(() => {
      if (!document.hidden) void own.look();
    }, LOOK);
    return () => {
      clearInterval(retrying);
      clearInterval(looking);
    };
  }, [classId, accountId]);

  return { ...state, add: log.add, send: log.send, dismissRefused: log.dismissRefused, others, isRead };
}
