import { type TeachingStyle, USUAL_STYLE } from "@able-tide/core/plan/style";
import type { VenueInput } from "@able-tide/core/venues/venue";

/** The demo's organisation: a former boathouse on a made-up island. */
export const ORGANISATION = { name: "Kittiwake Rooms", timeZone: "Europe/London" } as const;

/** Who signs in; the password is the demo's own and is shown in the README. */
const PASSWORD = "low-water-mark";
export const INSTRUCTOR = { email: "ines@kittiwake.example", name: "Ines", password: PASSWORD, role: "owner" } as const;
export const HELPER = { email: "kees@kittiwake.example", name: "Kees", password: PASSWORD, role: "helper" } as const;
export const CLINICIAN = { email: "sunniva@kittiwake.example", name: "Sunniva", password: PASSWORD, role: "clinician" } as const;

export const PLACE: VenueInput = {
  name: "Kittiwake Rooms, Sorrel",
  room: {
    chairs: [
      { height: 0.43, count: 10 },
      { height: 0.48, count: 2 },
      { height: 0.48, count: 4, arms: true },
    ],
    rail: 7,
    softFloor: true,
    floorLength: 11,
    floorWidth: 7,
    shallow: 0.9,
    deep: 1.4,
    poolLength: 9,
    poolChairs: 2,
    water: 32.5,
  },
  emergency: {
    address: "The old boathouse, Quay End, Sorrel: the blue door on the water side",
    phone: "555 0100, then the harbour office 555 0110",
    defibrillator: "on the wall next to the changing rooms",
    exit: "the blue door; from the pool the glass door to the slipway",
    hoist: "shallow end; Kees and Ines are trained on it",
  },
};

/** How Ines teaches. */
export const STYLE: TeachingStyle = {
  ...USUAL_STYLE,
  name: "Kittiwake way",
  counting: "together",
  firstSide: "alternate",
  depth: "middle",
};
