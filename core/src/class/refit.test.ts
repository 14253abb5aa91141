import { expect, test } from "vitest";
import { type ClassEvent, classState, type Observation } from "./events.ts";
import { fitsDue, notesToFit } from "./refit.ts";

const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
const [ann, bo] = [id(8), id(9)];
const noted = (n: number, personId: string, sign: Observation): ClassEvent => ({
  kind: "noted",
  id: id(n),
  at: `2026-10-14T09:0${n}:00.000Z`,
  personId,
  step: 0,
  sign,
});
const withdrawn = (n: number, note: number): ClassEvent => ({
  kind: "withdrawn",
  id: id(n),
  at: `2026-10-14T09:0${n}:00.000Z`,
  noteId: id(note),
});
const due = (events: readonly ClassEvent[], fittedAfter?: readonly string[]) => [
  ...fitsDue([fittedAfter ? { id: ann, fittedAfter } : { id: ann }, { id: bo }], classState(events)),
];

test("a fit is due after every note but a rest by choice, for that person", () => {
  expect(due([])).toEqual([]);
  expect(due([noted(1, ann, "rested")])).toEqual([]);
  for (const sign of ["wobbled", "caught", "pain", "dizzy"] as const) {
    expect(due([noted(1, ann, sign)])).toEqual([ann]);
    expect(due([noted(1, bo, sign)])).toEqual([bo]);
  }
});

test("nothing is due once the notes are in the fit, until another comes or one is taken back", () => {
  const events = [noted(2, ann, "pain"), noted(1, ann, "wobbled")];
  const fittedAfter = notesToFit(classState(events), ann);
  expect(fittedAfter).toEqual([id(1), id(2)]);
  expect(due(events, fittedAfter)).toEqual([]);
  expect(due([...events, noted(3, ann, "dizzy")], fittedAfter)).toEqual([ann]);
  expect(due([...events, withdrawn(4, 2)], fittedAfter)).toEqual([ann]);
});

test("nothing is due in a class that has ended", () => {
  const ended: ClassEvent = { kind: "ended", id: id(7), at: "2026-10-14T10:00:00.000Z", effort: 3, note: "" };
  expect(due([noted(1, ann, "dizzy"), ended])).toEqual([]);
});
