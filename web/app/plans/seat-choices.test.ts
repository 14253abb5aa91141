import { USUAL_BODY } from "@able-tide/core/body/build";
import { capOf } from "@able-tide/core/caps/cap.fixture";
import type { Seat } from "@able-tide/core/venues/venue";
import { describe, expect, test } from "vitest";
import { chooseSeat, type SeatedPerson, seatRows } from "./seat-choices.ts";

const person = (id: string, more: Partial<SeatedPerson> = {}): SeatedPerson => ({
  id,
  name: id,
  stature: 1.65,
  measured: USUAL_BODY,
  caps: [],
  home: [],
  ...more,
});
const NEEDS_ARMS = capOf({ channel: "chairWithArms" });
const HALL: readonly Seat[] = [
  { kind: "chair", height: 0.45, count: 8 },
  { kind: "bench", height: 0.45, count: 1 },
  { kind: "bed", height: 0.5, count: 1 },
];

describe("the list of seats", () => {
  test("offers what the place has, and says why a seat does not suit someone", () => {
    const [first, second] = seatRows([person("a"), person("b", { caps: [NEEDS_ARMS] })], HALL, []);
    expect(first?.options.map(({ seat, problem }) => [seat, problem?.wrong ?? null])).toEqual([
      ["chair", null],
      ["bench", null],
      ["bed", null],
    ]);
    expect(second?.options.map(({ problem }) => problem?.wrong ?? null)).toEqual(["noArms", "noArms", null]);
  });

  test("tells when all places on a seat are taken", () => {
    const chosen = [
      { personId: "a", seat: "bench", position: "middle" },
      { personId: "b", seat: "bench", position: "front" },
    ] as const;
    const rows = seatRows([person("a"), person("b")], HALL, chosen);
    expect(rows.map(({ full }) => full)).toEqual([false, true]);
    expect(rows[1]?.seated.seat).toBeNull();
  });

  test("at home it offers what each has there", () => {
    const rows = seatRows([person("a", { home: [{ kind: "sofa", height: null, count: 1 }] }), person("b")], null, []);
    expect(rows.map(({ options }) => options.map(({ seat }) => seat))).toEqual([["sofa"], []]);
    expect(rows[0]?.positions).toEqual(["back", "middle", "front"]);
  });
});

describe("choosing a seat", () => {
  test("keeps the position where the new seat has it, and everyone else's choice", () => {
    const before = [{ personId: "b", seat: "bench", position: "front" }] as const;
    const chosen = chooseSeat(before, "a", "sofa", "front");
    expect(chosen).toEqual([...before, { personId: "a", seat: "sofa", position: "front" }]);
    expect(chooseSeat(chosen, "a", "bed", "front").at(-1)).toEqual({ personId: "a", seat: "bed", position: "back" });
    expect(chooseSeat(chosen, "a", "bench", "back").at(-1)).toEqual({ personId: "a", seat: "bench", position: "middle" });
  });

  test("taken back, the seat is found again", () => {
    expect(chooseSeat([{ personId: "a", seat: "bed", position: "back" }], "a", null)).toEqual([]);
  });
});
