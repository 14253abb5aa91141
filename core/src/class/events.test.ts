import fc from "fast-check";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { AS_USUAL } from "../caps/answers.ts";
import { ClassEvent, classState } from "./events.ts";

const ada = "00000000-0000-4000-8000-0000000000a1";
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const at = (second: number) => `2026-10-14T10:00:${String(second).padStart(2, "0")}.000Z`;

const story: ClassEvent[] = [
  { kind: "attended", id: uuid(1), at: at(1), personId: ada, here: true },
  { kind: "moved", id: uuid(2), at: at(2), step: 0 },
  { kind: "moved", id: uuid(3), at: at(3), step: 1 },
  { kind: "noted", id: uuid(4), at: at(4), personId: ada, step: 1, sign: "wobbled" },
  { kind: "moved", id: uuid(5), at: at(5), step: 0 },
];

describe("replaying a class", () => {
  test("the last move says where it is and since when", () => {
    const state = classState(story);
    expect(state.step).toBe(0);
    expect(state.stepSince).toBe(at(5));
    expect([...state.here]).toEqual([ada]);
    expect(state.notes).toMatchObject([{ personId: ada, step: 1, sign: "wobbled" }]);
    expect(state.ended).toBeNull();
  });

  test("neither order nor sending twice changes it", () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...story, ...story], { minLength: story.length * 2 }), (shuffled) => {
        expect(classState(shuffled)).toEqual(classState(story));
      }),
    );
  });

  test("a note taken back is no longer shown", () => {
    const back: ClassEvent = { kind: "withdrawn", id: uuid(8), at: at(8), noteId: uuid(4) };
    expect(classState([...story, back]).notes).toEqual([]);
  });

  test("the class began with its first movement", () => {
    expect(classState(story).begunAt).toBe(at(2));
    expect(classState([]).begunAt).toBeNull();
  });

  test("the last check-in of a person counts", () => {
    const checked = (n: number, overall: "lighter" | "asUsual"): ClassEvent => ({
      kind: "checkedIn",
      id: uuid(n),
      at: at(n),
      personId: ada,
      answers: { ...AS_USUAL, overall },
      overriddenBecause: null,
    });
    const state = classState([...story, checked(11, "asUsual"), checked(10, "lighter")]);
    expect(state.checkIns.get(ada)?.answers.overall).toBe("asUsual");
  });

  test("a person ticked off again is not here", () => {
    const off: ClassEvent = { kind: "attended", id: uuid(9), at: at(9), personId: ada, here: false };
    expect(classState([...story, off]).here.size).toBe(0);
  });

  describe("once it has ended", () => {
    const ended: ClassEvent = { kind: "ended", id: uuid(20), at: at(20), effort: 7, note: "hot" };
    const because = "pressed the wrong key";

    test("the last correction of effort and note counts; when it ended stays", () => {
      const corrected = (n: number, effort: number, note: string): ClassEvent => ({
        kind: "closingCorrected",
        id: uuid(n),
        at: at(n),
        effort,
        note,
        because,
      });
      const state = classState([...story, corrected(22, 3, "calm"), corrected(21, 5, "warm"), ended]);
      expect(state.ended).toEqual({ effort: 3, note: "calm", at: at(20) });
    });

    test("someone who was there after all was there from the first movement, someone who was not never came", () => {
      const corrected = (personId: string, here: boolean): ClassEvent => ({
        kind: "attendanceCorrected",
        id: uuid(here ? 31 : 30),
        at: at(30),
        personId,
        here,
        because,
      });
      const state = classState([...story, ended, corrected(ada, false), corrected(uuid(77), true)]);
      expect([...state.here]).toEqual([uuid(77)]);
      expect(state.comings.get(ada)).toEqual([]);
      expect(state.comings.get(uuid(77))).toEqual([{ at: at(2), here: true }]);
    });
  });
});

test.each([
  ["2026-10-14T10:00:00.000Z", true],
  ["2026-02-31T10:00:00.000Z", false],
  ["0000-01-01T00:00:00.000Z", false],
  ["0001-01-01T00:00:00.000Z", false],
  ["9999-12-31T23:59:59.999Z", false],
  ["yesterday", false],
])("an event happened at %s: %s", (text, good) => {
  expect(v.is(ClassEvent, { kind: "moved", id: uuid(1), at: text, step: 0 })).toBe(good);
  expect(v.is(ClassEvent, { kind: "moved", id: uuid(1), at: at(1), deviceAt: text, step: 0 })).toBe(good);
});
