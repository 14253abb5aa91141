import { seatsOf } from "@able-tide/core/venues/venue";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { VenueForm, type VenueFormInput, type VenueKind, venueKindOf } from "./venue-form.ts";

const typed = (fields: Partial<VenueFormInput>) => v.safeParse(VenueForm, { name: "The boathouse", ...fields });
const messages = (fields: Partial<VenueFormInput>): string[] => (typed(fields).issues ?? []).map(({ message }) => message);

describe("a place as it is typed", () => {
  test("needs no more than a name: what is left open is not there", () => {
    const { output } = typed({}) as { output: v.InferOutput<typeof VenueForm> };
    expect(output.place.room).toEqual({
      chairs: [],
      rail: null,
      floorLength: null,
      floorWidth: null,
      shallow: null,
      deep: null,
      poolLength: null,
      poolChairs: 0,
      water: null,
    });
  });

  test("chairs of two heights are metres, and one is meant where no one counted", () => {
    const { output } = typed({ chairHeight: 43, chairCount: 10, otherHeight: 48 }) as { output: v.InferOutput<typeof VenueForm> };
    expect(output.place.room.chairs).toEqual([
      { height: 0.43, count: 10 },
      { height: 0.48, count: 1 },
    ]);
  });

  test("has four kinds of seats, and only what its kind has", () => {
    const chairs = {
      chairHeight: 43,
      otherHeight: 48,
      otherKind: "armchair" as const,
      thirdHeight: 50,
      thirdCount: 2,
      shallow: 0.9,
    };
    const read = (kind: VenueKind) =>
      (typed({ kind, ...chairs }) as { output: v.InferOutput<typeof VenueForm> }).output.place.room;
    expect(read("hall").chairs).toEqual([
      { height: 0.43, count: 1 },
      { height: 0.48, count: 1, arms: true },
      { height: 0.5, count: 2 },
    ]);
    expect(read("hall").shallow).toBeNull();
    expect(read("pool")).toMatchObject({ chairs: [], shallow: 0.9 });
    const kinds = ["hall", "pool", "both", "homes"] as const;
    expect(kinds.map((kind) => venueKindOf(read(kind)))).toEqual(kinds);
    expect(read("homes")).toMatchObject({ chairs: [], shallow: null, homes: true });
  });

  test("a bench and a bed are stored as what they are, and read the same", () => {
    const { output } = typed({ chairHeight: 45, chairCount: 3, chairKind: "bench", fourthHeight: 50, fourthKind: "bed" }) as {
      output: v.InferOutput<typeof VenueForm>;
    };
    expect(seatsOf(output.place.room)).toEqual([
      { kind: "bench", height: 0.45, count: 3 },
      { kind: "bed", height: 0.5, count: 1 },
    ]);
  });

  test.each<[Partial<VenueFormInput>, string]>([
    [{ name: " " }, "Enter a name for the venue."],
    [{ poolChairs: -1 }, "Enter 0 or more."],
    [{ poolChairs: 1.5 }, "Enter a whole number."],
    [{ shallow: 1.4, deep: 0.9 }, "The shallow end is deeper than the deep end. Swap the two depths."],
    [{ water: 50 }, "Enter 42 °C or less."],
    [{ rail: 80 }, "Enter 60 m or less."],
  ])("%j is told: %s", (fields, message) => {
    expect(messages(fields)).toContain(message);
  });
});
