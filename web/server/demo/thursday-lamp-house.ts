import type { VenueInput } from "@able-tide/core/venues/venue";
import type { DemoProgramme } from "./demo-person.ts";

/** A small house for people who live together: armchairs, a bench by the window, beds whose backs can be raised. */
export const LAMP_HOUSE: VenueInput = {
  name: "Lamp House, Sorrel",
  room: {
    chairs: [
      { height: 0.47, count: 3, arms: true },
      { height: 0.45, count: 3, kind: "bench" },
      { height: 0.5, count: 2, kind: "bed" },
    ],
    rail: null,
    floorLength: 7,
    floorWidth: 5,
    shallow: null,
    deep: null,
    poolLength: null,
    poolChairs: 0,
    water: null,
  },
  emergency: {
    address: "Lamp House, Upper Lane 4, Sorrel: the yellow gate",
    phone: "555 0100, then the night desk 555 0140",
    defibrillator: "in the hall under the stairs",
    exit: "the garden door by the bench",
    hoist: "",
  },
};

/** Half an hour for people on a bench, in an armchair and in bed; newly planned, with no sessions on record. */
export const THURSDAY_LAMP_HOUSE: DemoProgramme = {
  group: "thursday",
  name: "Thursday Lamp House",
  place: "the day room and the two rooms next to it, doors open",
  weekday: 4,
  hour: 15,
  minute: 0,
  minutes: 30,
  changing: 0,
  seatedOnly: true,
  inWater: false,
  helpers: 1,
  breathSeconds: 8,
  purpose: "neckAndShoulders",
  isNew: true,
  seats: {
    Maive: { seat: "bench", position: "middle" },
    Quill: { seat: "bench", position: "middle" },
    Rohese: { seat: "bed", position: "back" },
    Petra: { seat: "bed", position: "back" },
  },
  blocks: () => [
    ["settling-breath", 6],
    ["open-and-gather", 6],
    ["shoulder-circles", 6],
    ["look-over-shoulder", 4],
    ["row-lift-and-settle", 6],
    ["heels-up", 6],
    ["fist-and-open", 6],
    ["scoop-and-lift", 6],
    ["waves-with-both-hands", 6],
    ["warm-hands-warm-face", 4],
    ["gather-and-close", 6],
  ],
  ending: () => ({ effort: 3, note: "" }),
};
