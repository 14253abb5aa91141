import type { ClassEvent } from "@able-tide/core/class/events";
import { describe, expect, test } from "vitest";
import { type ClassTransport, createClassLog, type Shelf } from "./class-log.ts";

const AT = "2026-11-04T10:00:00.000Z";
const moved = (id: string, step = 0): ClassEvent => ({ kind: "moved", id, at: AT, step });

function memoryShelf(...events: ClassEvent[]): Shelf & { kept: () => readonly ClassEvent[] } {
  let kept: readonly ClassEvent[] = events;
  return {
    read: () => kept,
    write: (next) => {
      kept = next;
    },
    kept: () => kept,
  };
}

/** A server that notes what it is sent. */
function server(answer: (batch: readonly ClassEvent[]) => Awaited<ReturnType<ClassTransport["send"]>> = () => "sent") {
  const batches: string[][] = [];
  const transport: ClassTransport = {
    send: async (batch) => {
      batches.push(batch.map(({ id }) => id));
      return answer(batch);
    },
    progress: async () => null,
  };
  return { transport, batches };
}

function counter() {
  let n = 0;
  return () => {
    n += 1;
    return { id: `new${n}`, at: AT };
  };
}

describe("the log of a class", () => {
  test("an event is on the shelf before it is sent, and gone from it once the server has it", async () => {
    const shelf = memoryShelf();
    const { transport, batches } = server(() => {
      expect(shelf.kept().map(({ id }) => id)).toEqual(["new1"]);
      return "sent";
    });
    const log = createClassLog([], shelf, transport, counter());
    const sent = log.add({ kind: "moved", step: 2 });
    expect(log.get()).toMatchObject({ unsent: 1, events: [{ id: "new1", step: 2 }] });
    await sent;
    expect(log.get().unsent).toBe(0);
    expect(shelf.kept()).toEqual([]);
    expect(batches).toEqual([["new1"]]);
  });

  test("what waited on the shelf is shown at once, each event once, and sent", async () => {
    const shelf = memoryShelf(moved("a"), moved("b"));
    const { transport, batches } = server();
    const log = createClassLog([moved("a")], shelf, transport, counter());
    expect(log.get().events.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(log.get().unsent).toBe(2);
    await log.send();
    expect(batches).toEqual([["a", "b"]]);
    expect(log.get().unsent).toBe(0);
  });

  test("without a connection the event stays, and the next try sends it", async () => {
    const shelf = memoryShelf();
    let connected = false;
    const { transport, batches } = server(() => {
      if (!connected) throw new TypeError("no network");
      return "sent";
    });
    const log = createClassLog([], shelf, transport, counter());
    await log.add({ kind: "moved", step: 1 });
    expect(log.get().unsent).toBe(1);
    connected = true;
    await log.send();
    expect(log.get().unsent).toBe(0);
    expect(batches).toEqual([["new1"], ["new1"]]);
  });

  test("a server that fails keeps nothing and is not asked again in the same try", async () => {
    const shelf = memoryShelf();
    const { transport, batches } = server(() => null);
    const log = createClassLog([], shelf, transport, counter());
    await log.add({ kind: "moved", step: 1 });
    expect(batches).toHaveLength(1);
    expect(shelf.kept()).toHaveLength(1);
  });

  test("what is added while a try runs goes with it, and two tries never run at once", async () => {
    const shelf = memoryShelf();
    let open: (() => void) | null = null;
    const batches: string[][] = [];
    const transport: ClassTransport = {
      send: (batch) => {
        batches.push(batch.map(({ id }) => id));
        return new Promise((resolve) => {
          open = () => resolve("sent");
        });
      },
      progress: async () => null,
    };
    const log = createClassLog([], shelf, transport, counter());
    const first = log.add({ kind: "moved", step: 1 });
    const second = log.add({ kind: "moved", step: 2 });
    expect(batches).toEqual([["new1"]]);
    (open as unknown as () => void)();
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(batches).toEqual([["new1"], ["new2"]]);
    (open as unknown as () => void)();
    await Promise.all([first, second]);
    expect(shelf.kept()).toEqual([]);
  });

  test("an event that this account may not record is taken back, and the others still go", async () => {
    const shelf = memoryShelf();
    const { transport, batches } = server((batch) => (batch.some(({ id }) => id === "new1") ? { refused: ["new1"] } : "sent"));
    const log = createClassLog([], shelf, transport, counter());
    const first = log.add({ kind: "moved", step: 1 });
    await Promise.all([first, log.add({ kind: "moved", step: 2 })]);
    await log.send();
    expect(log.get().events.map(({ id }) => id)).toEqual(["new2"]);
    expect(shelf.kept()).toEqual([]);
    expect(batches.at(-1)).toEqual(["new2"]);
  });

  test("what other devices recorded is added once, and asked for from the last number on", async () => {
    const asked: number[] = [];
    const transport: ClassTransport = {
      send: async () => "sent",
      progress: async (after) => {
        asked.push(after);
        return { events: [moved("a"), moved("b")], last: 7, scriptRevision: 3 };
      },
    };
    const log = createClassLog([moved("a")], memoryShelf(), transport, counter());
    await log.look();
    await log.look();
    expect(asked).toEqual([0, 7]);
    expect(log.get().events.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(log.get().scriptRevision).toBe(3);
  });

  test("a lost answer about other devices changes nothing, and the next question is asked", async () => {
    let asked = 0;
    const transport: ClassTransport = {
      send: async () => "sent",
      progress: async () => {
        asked += 1;
        if (asked === 1) throw new TypeError("no network");
        return { events: [], last: 1, scriptRevision: 1 };
      },
    };
    const log = createClassLog([], memoryShelf(), transport, counter());
    await log.look();
    expect(log.get().scriptRevision).toBe(0);
    await log.look();
    expect(log.get().scriptRevision).toBe(1);
  });
});
