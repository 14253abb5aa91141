import type { ClassEvent } from "@able-tide/core/class/events";
import { useEffect, useState } from "react";
import { useStore } from "../kit/use-store.ts";
import { type ClassLog, type ClassLogState, createClassLog, type Shelf } from "./class-log.ts";
import { browserShelf, httpTransport } from "./class-transport.ts";

/** Milliseconds between tries to send what the server does not have yet. */
const RETRY = 3000;
/** Milliseconds between questions about what other devices recorded. */
const LOOK = 5000;

const EMPTY_SHELF: Shelf = { read: () => [], write: () => undefined };

const stamp = () => ({ id: crypto.randomUUID(), at: new Date().toISOString() });

/** The events of a class on this device. @param kept what the server had when the page was loaded */
export function useClassEvents(classId: string, kept: readonly ClassEvent[]): ClassLogState & Pick<ClassLog, "add"> {
  // The page as the server draws it has no shelf; the browser puts its own in its place.
  const [log, setLog] = useState(() => createClassLog(kept, EMPTY_SHELF, httpTransport(classId), stamp));
  const state = useStore(log);

  // biome-ignore lint/correctness/useExhaustiveDependencies: what the server had when the page was loaded is read once
  useEffect(() => {
    const own = createClassLog(kept, browserShelf(classId), httpTransport(classId), stamp);
    setLog(own);
    void own.send();
    const retrying = setInterval(own.send, RETRY);
    const looking = setInterval(() => {
      if (!document.hidden) void own.look();
    }, LOOK);
    return () => {
      clearInterval(retrying);
      clearInterval(looking);
    };
  }, [classId]);

  return { ...state, add: log.add };
}
