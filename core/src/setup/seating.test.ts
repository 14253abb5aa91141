import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { FURNITURE_NAMES, positionsOn, type SeatUse } from "../body/seats.ts";
import { capOf } from "../caps/cap.fixture.ts";
import { seatHeightFor } from "../movement/seated-keys.ts";
import type { Seat } from "../venues/venue.ts";
import { seatHeights } from "./seat.ts";
import { assignSeats, bodyOnSeat, capsOfSeat, chairFit, cushionOnSeat, type Sitter, seatProblem } from "./seating.ts";

const NEEDS_ARMS = [capOf({ channel: "chairWithArms" })];
const NEEDS_HEIGHT = [capOf({ channel: "higherSeat", limit: 8 })];
const sitter = (id: string, more: Partial<Sitter> = {}): Sitter => ({
  id,
  stature: 1.65,
  measured: USUAL_BODY,
  caps: [],
  chosen: null,
  home: [],
  ...more,
});
const seat = (kind: Seat["kind"], count: number, height: number | null = null): Seat => ({ kind, height, count });
const kindOf = (given: ReturnType<typeof assignSeats>, id: string) => given.get(id)?.seat?.seat ?? "chair";

const anyUse: fc.Arbitrary<SeatUse> = fc
  .constantFrom(...FURNITURE_NAMES)
  .chain((name) => fc.record({ seat: fc.constant(name), position: fc.constantFrom(...positionsOn(name)) }));
const anySitters = fc
  .array(
    fc.record({
      stature: fc.double({ min: 1.4, max: 1.95, noNaN: true }),
      caps: fc.constantFrom([], [], NEEDS_ARMS, NEEDS_HEIGHT),
      chosen: fc.option(anyUse),
      measured: fc.constantFrom(USUAL_BODY, { ...USUAL_BODY, wheelchair: true }),
    }),
    { maxLength: 12 },
  )
  .map((people) => people.map((person, i) => sitter(`p${i}`, person)));
const anySeats = fc.uniqueArray(
  fc.record({
    kind: fc.constantFrom(...FURNITURE_NAMES),
    count: fc.integer({ min: 1, max: 6 }),
    height: fc.option(fc.double({ min: 0.3, max: 0.65, noNaN: true })),
  }),
  { selector: ({ kind }) => kind, maxLength: 5 },
);

describe("who sits on what", () => {
  test("each person gets a seat that exists, is free and suits them", () => {
    fc.assert(
      fc.property(anySitters, anySeats, (people, seats) => {
        const given = assignSeats(people, seats);
        expect(given.size).toBe(people.length);
        for (const { kind, count } of seats.filter(({ kind: name }) => name !== "chair"))
          expect([...given.values()].filter(({ seat: own }) => own?.seat === kind).length).toBeLessThanOrEqual(count);
        for (const person of people) {
          const own = given.get(person.id)?.seat ?? null;
          if (own === null) continue;
          expect(seats.some(({ kind }) => kind === own.seat)).toBe(true);
          expect(positionsOn(own.seat)).toContain(own.position);
          expect(seatProblem({ kind: own.seat, height: own.height }, person)).toBeNull();
          expect(person.measured.wheelchair).toBe(false);
        }
      }),
    );
  });

  test("what was chosen comes first where it suits, and a bed only where it was chosen or is all there is", () => {
    const hall = [seat("chair", 4), seat("bench", 1, 0.45), seat("bed", 1, 0.5)];
    const given = assignSeats(
      [
        sitter("a"),
        sitter("b", { chosen: { seat: "bench", position: "front" } }),
        sitter("c", { chosen: { seat: "bed", position: "back" } }),
      ],
      hall,
    );
    expect([kindOf(given, "a"), kindOf(given, "b"), kindOf(given, "c")]).toEqual(["chair", "bench", "bed"]);
    expect(given.get("b")?.seat).toMatchObject({ position: "front", height: 0.45 });
    expect(kindOf(assignSeats([sitter("a")], [seat("bed", 1)]), "a")).toBe("bed");
  });

  test("a position that a seat does not have becomes its usual one", () => {
    const chosen: SeatUse = { seat: "bench", position: "back" };
    expect(assignSeats([sitter("a", { chosen })], [seat("bench", 1)]).get("a")?.seat?.position).toBe("middle");
  });

  test("those who need arms have the chairs with arms, and are told where there is none", () => {
    const needy = sitter("b", { caps: NEEDS_ARMS });
    const given = assignSeats([sitter("a"), needy], [seat("armchair", 1), seat("bench", 3)]);
    expect([kindOf(given, "a"), kindOf(given, "b")]).toEqual(["bench", "armchair"]);
    expect(assignSeats([needy], [seat("bench", 3)]).get("b")).toMatchObject({ seat: null, problem: { wrong: "noArms" } });
    // The mattress carries trunk and legs: nobody pushes up from it.
    expect(seatProblem(seat("bed", 1), needy)).toBeNull();
  });

  test("a seat that is too low for someone's hips is not used, and says by how much", () => {
    const stiff = sitter("a", { caps: NEEDS_HEIGHT, chosen: { seat: "sofa", position: "middle" } });
    const sitting = seatHeights(1.65).sitting;
    const given = assignSeats([stiff], [seat("sofa", 2, 0.43), seat("bench", 2, 0.6)]);
    expect(given.get("a")?.seat?.seat).toBe("bench");
    const alone = assignSeats([stiff], [seat("sofa", 2, 0.43)]).get("a");
    expect(alone?.problem).toMatchObject({ wrong: "tooLow" });
    if (alone?.problem?.wrong === "tooLow") expect(alone.problem.by).toBeCloseTo(sitting + 0.08 - (0.43 - 0.05), 9);
  });

  test("at home everyone has their own, whatever others have", () => {
    const given = assignSeats(
      [sitter("a", { home: [seat("sofa", 1, 0.42)] }), sitter("b", { home: [seat("bed", 1), seat("chair", 1)] }), sitter("c")],
      null,
    );
    expect([kindOf(given, "a"), kindOf(given, "b"), kindOf(given, "c")]).toEqual(["sofa", "chair", "chair"]);
  });
});

describe("a body on its seat", () => {
  test("sits as high as the seat is, less what it gives", () => {
    const person = sitter("a");
    const on = (kind: Seat["kind"], height: number) => bodyOnSeat(person, { seat: kind, position: "middle", height });
    const usual = seatHeights(1.65).sitting;
    for (const [kind, height, gives] of [
      ["bench", 0.5, 0],
      ["sofa", 0.4, 0.05],
      ["bedEdge", 0.55, 0.03],
    ] as const) {
      const build = buildOf(on(kind, height), 1.65);
      expect(1.65 * (seatHeightFor(build) - 0.25)).toBeCloseTo(height - gives - usual, 9);
    }
  });

  test("feet need a cushion where the seat is higher than suits, and none in bed", () => {
    const short = { measured: USUAL_BODY, stature: 1.5 };
    expect(cushionOnSeat(short, { seat: "bench", position: "middle", height: 0.45 })).toBeCloseTo(0.45 - (0.25 * 1.5 + 0.02), 9);
    expect(cushionOnSeat(short, { seat: "sofa", position: "middle", height: 0.42 })).toBe(0);
    expect(cushionOnSeat(short, { seat: "bed", position: "back", height: 0.6 })).toBe(0);
  });

  test("a chair that is high for someone takes a cushion under the feet, a low one a firm cushion where their caps ask for it", () => {
    const usual = seatHeights(1.65).sitting;
    const [plain, stiff] = [sitter("a"), sitter("b", { caps: NEEDS_HEIGHT })];
    expect(chairFit(plain, usual + 0.05)).toEqual({ underFeet: expect.closeTo(0.05, 9), onSeat: 0, raise: 0 });
    expect(chairFit(plain, usual - 0.005)).toEqual({ underFeet: 0, onSeat: 0, raise: 0 });
    expect(chairFit(stiff, usual + 0.03)).toEqual({ underFeet: 0, onSeat: expect.closeTo(0.05, 9), raise: 0.08 });
    expect(chairFit(stiff, usual + 0.1)).toEqual({ underFeet: expect.closeTo(0.02, 9), onSeat: 0, raise: 0.08 });
    // Too low for more than one firm cushion.
    expect(seatProblem(seat("chair", 1, usual - 0.02), stiff)).toEqual({ wrong: "tooLow", by: expect.closeTo(0.1, 9) });
    // Without such caps a tall person sits low, and the model is told.
    expect(chairFit(plain, usual - 0.04)).toEqual({ underFeet: 0, onSeat: 0, raise: expect.closeTo(-0.04, 9) });
    expect(bodyOnSeat(plain, null, usual - 0.04).seatRaise).toBeCloseTo(-0.04, 9);
    expect(bodyOnSeat(plain, null, usual + 0.04)).toEqual(USUAL_BODY);
    expect(bodyOnSeat(stiff, null, usual + 0.03)).toEqual(bodyOnSeat(stiff, null));
  });

  test("of chairs of two heights everyone has the lowest that is high enough, the tallest first", () => {
    const people = [1.5, 1.55, 1.8, 1.85].map((stature) => sitter(String(stature), { stature }));
    const chairsIn = (seats: readonly Seat[]) => [...assignSeats(people, seats)].map(([id, { chair }]) => [id, chair]).sort();
    expect(chairsIn([seat("chair", 3, 0.43), seat("chair", 3, 0.48)])).toEqual([
      ["1.5", 0.43],
      ["1.55", 0.43],
      ["1.8", 0.48],
      ["1.85", 0.48],
    ]);
    expect(chairsIn([seat("chair", 3, 0.43), seat("chair", 1, 0.48)]).at(-1)).toEqual(["1.85", 0.48]);
    expect(chairsIn([seat("chair", 3, 0.43), seat("chair", 1, 0.48)]).filter(([, chair]) => chair === 0.43)).toHaveLength(3);
  });

  test("a usual chair or a wheelchair changes nothing and bars nothing", () => {
    expect(bodyOnSeat(sitter("a"), null)).toEqual(USUAL_BODY);
    expect(capsOfSeat("a", null)).toEqual([]);
    expect(capsOfSeat("a", { seat: "bench", position: "middle", height: null })).toHaveLength(1);
  });
});
