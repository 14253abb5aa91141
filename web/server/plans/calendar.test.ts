import ICAL from "ical.js";
import { expect, test } from "vitest";
import type { Group } from "../groups/groups.ts";
import { calendarText } from "./calendar.ts";
import { sessionsFrom } from "./sessions.ts";

const group: Group = {
  id: "g1",
  name: "Wednesday Footing",
  place: "the hall",
  weekday: 3,
  startsAt: "10:30",
  minutes: 45,
  seatedOnly: false,
  inWater: false,
  helpers: 0,
  placeId: null,
  questions: null,
};
const HOUSE = { organisationName: "Kittiwake Rooms", timeZone: "Europe/London" };

/** When the sessions begin by the clock on the wall of the venue. */
function wallClock(text: string): string[] {
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((event) => new ICAL.Event(event));
  const clock = new Intl.DateTimeFormat("en-GB", { dateStyle: "short", timeStyle: "short", timeZone: HOUSE.timeZone });
  return events.map(({ startDate, endDate }) => `${clock.format(startDate.toJSDate())} to ${clock.format(endDate.toJSDate())}`);
}

test("sessions keep the time on the wall on both sides of a clock change", () => {
  const series = [{ id: "s1", groupId: "g1", firstDay: "2026-03-25", lastDay: "2026-04-01", breaks: [] }];
  const autumn = [{ id: "s2", groupId: "g1", firstDay: "2026-10-21", lastDay: "2026-10-28", breaks: [] }];
  const sessions = sessionsFrom("2026-01-01", [group], [...series, ...autumn], []);
  expect(wallClock(calendarText(HOUSE, sessions, [group]))).toEqual([
    "25/03/2026, 10:30 to 25/03/2026, 11:15",
    "01/04/2026, 10:30 to 01/04/2026, 11:15",
    "21/10/2026, 10:30 to 21/10/2026, 11:15",
    "28/10/2026, 10:30 to 28/10/2026, 11:15",
  ]);
});

test("a session keeps its id whatever is planned, and says whether it is", () => {
  const series = [{ id: "s1", groupId: "g1", firstDay: "2026-11-04", lastDay: "2026-11-11", breaks: [] }];
  const plans = [{ id: "p1", groupId: "g1", day: "2026-11-11" }];
  const read = (list: typeof plans) =>
    new ICAL.Component(ICAL.parse(calendarText(HOUSE, sessionsFrom("2026-11-01", [group], series, list), [group])))
      .getAllSubcomponents("vevent")
      .map((event) => new ICAL.Event(event));
  expect(read([]).map(({ uid }) => uid)).toEqual(read(plans).map(({ uid }) => uid));
  expect(read(plans).map(({ description }) => description)).toEqual(["No plan yet.", "Planned."]);
});

test("sessions are the days of the series and plans on other days, from a day on, each once", () => {
  const series = [{ id: "s1", groupId: "g1", firstDay: "2026-11-04", lastDay: "2026-11-11", breaks: [] }];
  const plans = [
    { id: "p1", groupId: "g1", day: "2026-11-11" },
    { id: "p2", groupId: "g1", day: "2026-11-13" },
    { id: "p3", groupId: "gone", day: "2026-11-13" },
  ];
  expect(sessionsFrom("2026-11-05", [group], series, plans)).toEqual([
    { groupId: "g1", day: "2026-11-11", planId: "p1" },
    { groupId: "g1", day: "2026-11-13", planId: "p2" },
  ]);
});
