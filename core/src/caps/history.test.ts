import fc from "fast-check";
import { expect, test } from "vitest";
import { capOf } from "./cap.fixture.ts";
import { type CapChange, type CapRecord, capsAt, changesOf } from "./history.ts";
import { replayCaps } from "./replay-caps.fixture.ts";

const minute = (n: number): string => new Date(Date.UTC(2026, 2, 1) + 60_000 * n).toISOString();
const dayOf = (at: string): string => at.slice(0, 10);

type Step = { readonly set: boolean; readonly which: number; readonly wait: number };

/** Random days of setting and ending caps, one change at a time. */
function changesFrom(steps: readonly Step[]): CapChange[] {
  const changes: CapChange[] = [];
  const open: string[] = [];
  let now = 0;
  for (const [i, { set, which, wait }] of steps.entries()) {
    now += wait;
    const at = minute(now);
    const [id] = set ? [] : open.splice(which % Math.max(1, open.length), 1);
    if (id !== undefined) changes.push({ kind: "ended", at, capId: id, by: "Ines", because: "better" });
    else {
      open.push(`c${i}`);
      const cap = capOf({ channel: "steadiness", limit: 1 + (which % 9) }, { id: `c${i}`, from: dayOf(at) });
      changes.push({ kind: "set", at, cap: { ...cap, setAt: at, setBy: "Ines" } });
    }
  }
  return changes;
}

const steps = fc.array(fc.record({ set: fc.boolean(), which: fc.nat(20), wait: fc.integer({ min: 1, max: 3000 }) }), {
  maxLength: 20,
});

test("what held at any instant equals the changes replayed up to it", () => {
  fc.assert(
    fc.property(steps, fc.nat(40_000), (random, moment) => {
      const changes = changesFrom(random);
      const at = minute(moment);
      const replayed = replayCaps(changes.filter((change) => change.at <= at)).filter((record) => record.ended === null);
      expect(capsAt(replayCaps(changes), at, dayOf(at)).map(({ id }) => id)).toEqual(replayed.map(({ id }) => id));
    }),
  );
});

test("records tell the changes they came from", () => {
  fc.assert(
    fc.property(steps, (random) => {
      const changes = changesFrom(random);
      expect(changesOf(replayCaps(changes))).toEqual(changes);
    }),
  );
});

test("what were the caps on 3 March", () => {
  const cap = capOf({ channel: "noStanding" }, { from: "2026-03-02", until: "2026-03-05", strength: "comfort" });
  const record: CapRecord = {
    ...cap,
    setAt: "2026-03-02T09:00:00.000Z",
    setBy: "Ines",
    ended: { at: "2026-03-04T10:00:00.000Z", by: "Ines", because: "steady again" },
  };
  const ids = (at: string) => capsAt([record], at, dayOf(at)).length;
  expect(ids("2026-03-01T12:00:00.000Z")).toBe(0);
  expect(ids("2026-03-03T12:00:00.000Z")).toBe(1);
  expect(ids("2026-03-04T12:00:00.000Z")).toBe(0);
});
