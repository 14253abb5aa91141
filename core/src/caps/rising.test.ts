import { expect, test } from "vitest";
import { addDays } from "../calendar.ts";
import { capOf } from "./cap.fixture.ts";
import { isActiveOn } from "./cap.ts";
import { capsOfRising, HAND_DAYS, type KnownRising, risesWithHand } from "./rising.ts";

const DAY = "2026-11-25";
const caps = (known: Partial<KnownRising>, day = DAY) =>
  capsOfRising("p", { risesFromChair: "unasked", handSeen: null, ...known }, day);

test("nothing follows for someone of whom nothing is known, or who rises alone", () => {
  expect(caps({})).toEqual([]);
  expect(caps({ risesFromChair: "alone" })).toEqual([]);
});

test("who says so has a hand for good, who would have to be lifted stays seated", () => {
  const said = caps({ risesFromChair: "hand" });
  expect(risesWithHand({ caps: said })).toBe(true);
  expect(said.map(({ until, strength }) => [until, strength])).toEqual([[null, "firm"]]);
  const lifted = caps({ risesFromChair: "lifted", handSeen: DAY });
  expect(lifted.map(({ limit }) => limit)).toEqual([
    { channel: "barredForm", limit: "standing" },
    { channel: "barredForm", limit: "supported" },
  ]);
  expect(risesWithHand({ caps: lifted })).toBe(false);
});

test("who needed a hand in class has one for four weeks from that day, whatever they said before", () => {
  for (const risesFromChair of ["unasked", "alone"] as const) {
    const known = { risesFromChair, handSeen: DAY };
    const last = addDays(DAY, HAND_DAYS);
    for (const day of [DAY, addDays(DAY, 1), last]) {
      expect(risesWithHand({ caps: caps(known, day) })).toBe(true);
      expect(caps(known, day).every((cap) => isActiveOn(cap, day))).toBe(true);
    }
    expect(caps(known, addDays(last, 1))).toEqual([]);
  }
});

test("other caps say nothing of a hand", () => {
  expect(risesWithHand({ caps: [capOf({ channel: "heldStanding" })] })).toBe(false);
  expect(risesWithHand({ caps: [capOf({ channel: "heldStanding" }), capOf({ channel: "handToRise" })] })).toBe(true);
});
