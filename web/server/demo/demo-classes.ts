import { AS_USUAL } from "@able-tide/core/caps/answers";
import { classSteps } from "@able-tide/core/class/class-steps";
import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import { addSeconds } from "date-fns";
import { type DemoProgramme, WEEKS } from "./demo-person.ts";
import type { StoredDemoPerson } from "./demo-voices.ts";

/** Whether someone of the demo came in a week. */
export const isHere = ({ demo }: StoredDemoPerson, week: number): boolean => !(demo.missed ?? []).includes(week);

/** What was noted in a class, from the ticking of names to its end. Times follow the plan's own clock. */
export function arrivalsOf(week: number, people: readonly StoredDemoPerson[], begins: Date, nextId: () => string): ClassEvent[] {
  const here = people.filter((person) => isHere(person, week));
  return here.flatMap(({ id, demo }, i) => {
    const at = addSeconds(begins, 5 * (i - here.length)).toISOString();
    const lighter = (demo.lighter ?? []).includes(week);
    const attended: ClassEvent = { kind: "attended", id: nextId(), at, personId: id, here: true };
    const checked: ClassEvent = {
      kind: "checkedIn",
      id: nextId(),
      at,
      personId: id,
      answers: { ...AS_USUAL, overall: lighter ? "lighter" : "asUsual" },
      overriddenBecause: null,
    };
    return [attended, checked];
  });
}
export function classEvents(
  script: ClassScript,
  programme: DemoProgramme,
  week: number,
  people: readonly StoredDemoPerson[],
  begins: Date,
  nextId: () => string,
): ClassEvent[] {
  const events: ClassEvent[] = [];
  const at = (seconds: number) => addSeconds(begins, seconds).toISOString();
  /** A movement may come twice in a session: what was shown was shown the first time. */
  const firstStep = new Map<string, number>();
  const here = people.filter((person) => isHere(person, week));
  classSteps(script.blocks).forEach((step, number) => {
    events.push({ kind: "moved", id: nextId(), at: at(step.from), step: number });
    const movementOfStep = script.blocks[step.blockIndex]?.movement.id ?? "";
    if (firstStep.has(movementOfStep)) return;
    firstStep.set(movementOfStep, number);
    for (const { id, demo } of here)
      for (const { sign, movementId, week: inWeek } of demo.signs ?? [])
        if (inWeek === week && movementOfStep === movementId)
          events.push({ kind: "noted", id: nextId(), at: at(step.from + 35), personId: id, step: number, sign });
  });
  events.push({ kind: "ended", id: nextId(), at: at(script.total + 120), ...programme.ending(week) });
  return events;
}

/** Three trials of a one-leg stand on the way from the first test to the last, in tenths of a second. */
export function trialsOf({ first, last }: { first: number; last: number }, week: number, random: () => number): number[] {
  const expected = first + ((last - first) * (week - 1)) / (WEEKS - 2);
  return [0.78, 0.9, 1].map((share) => {
    const seconds = expected * share * (0.94 + 0.12 * random());
    return Math.min(ONE_LEG_STAND.ceiling, Math.round(10 * seconds) / 10);
  });
}
export function ids(random: () => number): () => string {
  const digits = () =>
    Math.floor(random() * 65536)
      .toString(16)
      .padStart(4, "0");
  return () => `${digits()}${digits()}-${digits()}-4${digits().slice(1)}-8${digits().slice(1)}-${digits()}${digits()}${digits()}`;
}
