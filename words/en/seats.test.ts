import { FURNITURE_NAMES, positionsOn, SEATS } from "@able-tide/core/body/seats";
import { expect, test } from "vitest";
import { formatSeatProblem, formatSeats, formatSeatUse, onSeat, seatLabel } from "./seats.ts";

test("each seat has a name of its own, alone and as a place", () => {
  for (const words of [seatLabel, onSeat]) expect(new Set(SEATS.map(({ name }) => words(name))).size).toBe(SEATS.length);
});

test("the position is said where it is not the usual one", () => {
  expect(formatSeatUse({ seat: "bench", position: "middle" })).toBe("bench");
  expect(formatSeatUse({ seat: "sofa", position: "back" })).toBe("sofa, back supported");
  expect(formatSeatUse({ seat: "bed", position: "back" })).toBe("in bed, back raised");
  for (const seat of FURNITURE_NAMES)
    for (const position of positionsOn(seat).slice(1)) expect(formatSeatUse({ seat, position })).toContain(", ");
});

test("only those who have no usual chair are named", () => {
  expect(formatSeats([{ name: "Jowan", seat: null }])).toBe("");
  expect(
    formatSeats([
      { name: "Jowan", seat: null },
      { name: "Kerra", seat: { seat: "bench", position: "middle" } },
      { name: "Senara", seat: { seat: "bed", position: "back" } },
    ]),
  ).toBe("Seats other than a usual chair: Kerra: bench; Senara: in bed, back raised.");
});

test("what is wrong with a seat is rounded up to whole centimetres", () => {
  expect(`Sofa ${formatSeatProblem({ wrong: "tooLow", by: 0.061 })}.`).toBe("Sofa is 7 cm lower than their limits ask.");
  expect(formatSeatProblem({ wrong: "noArms" })).toContain("arms");
});
