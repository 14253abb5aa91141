import type { ClassEvent } from "@able-tide/core/class/events";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { RecordedAnswer } from "./class-answers.ts";
import { type ClassTransport, createClassLog, type Shelf, type Shelved, SIGNED_OUT } from "./class-log.ts";

const AT = "2026-11-04T10:00:00.000Z";
const moved = (id: string, step = 0): ClassEvent => ({ kind: "moved", id, at: AT, step });

function memoryShelf(...waiting: ClassEvent[]): Shelf & { waiting: () => string[] } {
  let kept: Shelved = { waiting, refused: [] };
  return {
    read: () => kept,
    write: (next) => {
      kept = next;
    },
    waiting: () => kept.waiting.map(({ id }) => id),
  };
}

const idsOf = (events: readonly ClassEvent[]): string[] => events.map(({ id }) => id);
/** The answer of a server that keeps all it is sent. */
const all = (batch: readonly ClassEvent[]): RecordedAnswer => ({ kept: idsOf(batch), refused: [], now: AT });

type Sent = Awaited<ReturnType<ClassTransport["send"]>>;

/** A server that notes what it is sent. */
function server(answer: (batch: readonly ClassEvent[]) => Sent = all) {
  const batches: string[][] = [];
  const transport: ClassTransport = {
    send: async (batch) => {
      batches.push(idsOf(batch));
      return answer(batch);
    },
    progress: async () => null,
  };
  return { transport, batches };
}

/** Ids new1, new2 and so on; a clock that stands unless it is set. */
function stamps(deviceNow: () => number = () => Date.parse(AT)) {
  let n = 0;
  return {
    newId: () => {
      n += 1;
      return `new${n}`;
    },
    deviceNow,
    sheet: () => 3,
  };
}

describe("the log of a class", () => {
  test("an event is on the shelf before it is sent, and gone from it once the server has it", async () => {
    const shelf = memoryShelf();
    const { transport, batches } = server((batch) => {
      expect(shelf.waiting()).toEqual(["new1"]);
      return all(batch);
    });
    const log = createClassLog([], shelf, transport, stamps());
    const sent = log.add({ kind: "moved", step: 2 });
    expect(log.get()).toMatchObject({ unsent: 1, events: [{ id: "new1", step: 2 }] });
    await sent;
    expect(log.get().unsent).toBe(0);
    expect(shelf.waiting()).toEqual([]);
    expect(batches).toEqual([["new1"]]);
  });

  test("what waited on the shelf is shown at once, each event once, and sent", async () => {
    const shelf = memoryShelf(moved("a"), moved("b"));
    const { transport, batches } = server();
    const log = createClassLog([moved("a")], shelf, transport, stamps());
    expect(log.get().events.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(log.get().unsent).toBe(2);
    await log.send();
    expect(batches).toEqual([["a", "b"]]);
    expect(log.get().unsent).toBe(0);
  });

  test("without a connection the event stays, and the next try sends it", async () => {
    const shelf = memoryShelf();
    let connected = false;
    const { transport, batches } = server((batch) => {
      if (!connected) throw new TypeError("no network");
      return all(batch);
    });
    const log = createClassLog([], shelf, transport, stamps());
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
    const log = createClassLog([], shelf, transport, stamps());
    await log.add({ kind: "moved", step: 1 });
    expect(batches).toHaveLength(1);
    expect(shelf.waiting()).toEqual(["new1"]);
  });

  test("what is added while a try runs goes with it, and two tries never run at once", async () => {
    const shelf = memoryShelf();
    let open: (() => void) | null = null;
    const batches: string[][] = [];
    const transport: ClassTransport = {
      send: (batch) => {
        batches.push(idsOf(batch));
        return new Promise((resolve) => {
          open = () => resolve(all(batch));
        });
      },
      progress: async () => null,
    };
    const log = createClassLog([], shelf, transport, stamps());
    const first = log.add({ kind: "moved", step: 1 });
    const second = log.add({ kind: "moved", step: 2 });
    expect(batches).toEqual([["new1"]]);
    (open as unknown as () => void)();
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(batches).toEqual([["new1"], ["new2"]]);
    (open as unknown as () => void)();
    await Promise.all([first, second]);
    expect(shelf.waiting()).toEqual([]);
  });

  test("an event that is refused blocks no other: it leaves the class, and stays to be read with its reason", async () => {
    const shelf = memoryShelf();
    const { transport, batches } = server((batch) => ({
      kept: idsOf(batch).filter((id) => id !== "new1"),
      refused: batch.some(({ id }) => id === "new1") ? [{ id: "new1", why: "role" }] : [],
      now: AT,
    }));
    const log = createClassLog([], shelf, transport, stamps());
    await Promise.all([log.add({ kind: "moved", step: 1 }), log.add({ kind: "moved", step: 2 })]);
    await log.send();
    expect(idsOf(log.get().events)).toEqual(["new2"]);
    expect(batches.at(-1)).toEqual(["new2"]);
    expect(shelf.waiting()).toEqual([]);
    // Also after a reload, until someone has read it.
    const again = createClassLog([], shelf, transport, stamps());
    expect(again.get().refused).toMatchObject([{ event: { id: "new1" }, why: "role" }]);
    again.dismissRefused();
    expect(createClassLog([], shelf, transport, stamps()).get().refused).toEqual([]);
  });

  test("only what the server names leaves the shelf", async () => {
    const shelf = memoryShelf(moved("a"), moved("b"));
    const { transport, batches } = server(() => ({ kept: ["a"], refused: [], now: AT }));
    await createClassLog([], shelf, transport, stamps()).send();
    expect(shelf.waiting()).toEqual(["b"]);
    expect(batches).toEqual([["a", "b"], ["b"]]);
  });

  test("after the session has ended everything waits; once someone is signed in again it is sent", async () => {
    const shelf = memoryShelf();
    let signedIn = false;
    const { transport, batches } = server((batch) => (signedIn ? all(batch) : SIGNED_OUT));
    const log = createClassLog([], shelf, transport, stamps());
    await log.add({ kind: "moved", step: 1 });
    expect(log.get()).toMatchObject({ signedOut: true, unsent: 1, events: [{ id: "new1" }] });
    expect(batches).toHaveLength(1);
    signedIn = true;
    await log.send();
    expect(log.get()).toMatchObject({ signedOut: false, unsent: 0 });
  });

  test("twelve hundred waiting events are sent in parts, in order", async () => {
    const waiting = Array.from({ length: 1200 }, (_, i) => moved(`w${i}`));
    const shelf = memoryShelf(...waiting);
    const { transport, batches } = server();
    await createClassLog([], shelf, transport, stamps()).send();
    expect(batches.map(({ length }) => length)).toEqual([200, 200, 200, 200, 200, 200]);
    expect(batches.flat()).toEqual(idsOf(waiting));
    expect(shelf.waiting()).toEqual([]);
  });

  test("a device whose clock is wrong says both times, and learns the server's from any answer", async () => {
    const minutesFast = Date.parse(AT) + 7 * 60_000;
    const { transport } = server();
    const log = createClassLog(
      [],
      memoryShelf(),
      transport,
      stamps(() => minutesFast),
    );
    await log.add({ kind: "moved", step: 1 });
    await log.add({ kind: "moved", step: 2 });
    const device = new Date(minutesFast).toISOString();
    expect(log.get().offset).toBe(-7 * 60_000);
    expect(log.get().events).toMatchObject([
      { at: device, deviceAt: device },
      { at: "2026-11-04T10:07:00.001Z", deviceAt: device },
    ]);
  });

  test("what is known of the clock when the page is loaded counts from the first event on", async () => {
    const minutesFast = Date.parse(AT) + 7 * 60_000;
    const log = createClassLog(
      [],
      memoryShelf(),
      server(() => null).transport,
      stamps(() => minutesFast),
      -7 * 60_000,
    );
    await log.add({ kind: "moved", step: 1 });
    expect(log.get().events).toMatchObject([{ at: AT }]);
  });

  test("events keep their order whatever is learned about the clock", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ passes: fc.nat(5000), serverOff: fc.integer({ min: -600_000, max: 600_000 }) }), { minLength: 2 }),
        async (turns) => {
          let device = Date.parse(AT);
          let off = 0;
          const { transport } = server((batch) => ({ ...all(batch), now: new Date(device + off).toISOString() }));
          const log = createClassLog(
            [],
            memoryShelf(),
            transport,
            stamps(() => device),
          );
          for (const { passes, serverOff } of turns) {
            device += passes;
            off = serverOff;
            await log.add({ kind: "moved", step: 1 });
          }
          const times = log.get().events.map(({ at }) => at);
          expect(new Set(times).size).toBe(turns.length);
          expect(times.toSorted()).toEqual(times);
        },
      ),
    );
  });

  test("what other devices recorded is added once, and asked for from the last number on", async () => {
    const asked: number[] = [];
    const transport: ClassTransport = {
      send: async (batch) => all(batch),
      progress: async (after) => {
        asked.push(after);
        return { events: [moved("a"), moved("b")], last: 7, scriptRevision: 3, ended: false, now: AT };
      },
    };
    const log = createClassLog([moved("a")], memoryShelf(), transport, stamps());
    await log.look();
    await log.look();
    expect(asked).toEqual([0, 7]);
    expect(log.get().events.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(log.get().scriptRevision).toBe(3);
  });

  test("a lost answer about other devices changes nothing, and the next question is asked", async () => {
    let asked = 0;
    const transport: ClassTransport = {
      send: async (batch) => all(batch),
      progress: async () => {
        asked += 1;
        if (asked === 1) throw new TypeError("no network");
        return { events: [], last: 1, scriptRevision: 1, ended: false, now: AT };
      },
    };
    const log = createClassLog([], memoryShelf(), transport, stamps());
    await log.look();
    expect(log.get().scriptRevision).toBe(0);
    await log.look();
    expect(log.get().scriptRevision).toBe(1);
  });
});
