import { describe, expect, test } from "vitest";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { classSteps } from "./class-steps.ts";
import { type NotClean, notClean } from "./clean-session.ts";
import { type ClassEvent, classState, type Observation } from "./events.ts";
import { type ClassScript, scriptItems } from "./script.ts";
import { CODES } from "./wording.fixture.ts";

const PERSON = "00000000-0000-4000-8000-000000000001";
const reading = schedulePlan(planned("settling-breath", "lift-and-part", "shift-and-press", "quiet-feet"), circumstances());
const blocks = scriptItems(reading, CODES);
const cell = { form: "standing" } as ClassScript["people"][number]["cells"][number];
const script: ClassScript = {
  groupName: "g",
  blocks,
  total: reading.total,
  home: "",
  showing: "mirror",
  people: [{ id: PERSON, name: "Ann", cells: blocks.map(() => cell) }],
};
const steps = classSteps(blocks);

const START = Date.parse("2026-10-14T09:00:00Z");
let counted = 0;
const eventId = () => {
  counted += 1;
  return `00000000-0000-4000-8000-${String(counted).padStart(12, "0")}`;
};
const at = (seconds: number) => new Date(START + 1000 * seconds).toISOString();
const came = (seconds: number, here = true): ClassEvent => ({
  kind: "attended",
  id: eventId(),
  at: at(seconds),
  personId: PERSON,
  here,
});
const moved = (seconds: number, step: number): ClassEvent => ({ kind: "moved", id: eventId(), at: at(seconds), step });
const noted = (seconds: number, step: number, sign: Observation): ClassEvent => ({
  kind: "noted",
  id: eventId(),
  at: at(seconds),
  personId: PERSON,
  step,
  sign,
});
const ended = (seconds: number): ClassEvent => ({ kind: "ended", id: eventId(), at: at(seconds), effort: 3, note: "" });

/** A class taught by the plan's own clock. */
const taught = (): ClassEvent[] => [
  came(-60),
  ...steps.map(({ from }, i) => moved(from, i)),
  moved(reading.total, steps.length),
  ended(reading.total),
];
const why = (events: readonly ClassEvent[]): NotClean | null => notClean(script, classState(events), PERSON);

test("a class taught as planned, with nothing shown, is clean", () => {
  expect(why(taught())).toBeNull();
});

test("a class that is skipped through in 40 seconds counts for no one", () => {
  const skipped = [came(-60), ...steps.map((_, i) => moved(5 * i, i)), moved(39, steps.length), ended(40)];
  expect(why(skipped)).toBe("tooShort");
});

test("a class whose steps are skipped and which is ended at its planned time was not done", () => {
  const skipped = [came(-60), ...steps.map((_, i) => moved(2 * i, i)), moved(20, steps.length), ended(reading.total)];
  expect(why(skipped)).toBe("didTooLittle");
});

describe("what undoes it", () => {
  test.each<Observation>(["wobbled", "caught", "dizzy", "pain"])("%s", (sign) => {
    expect(why([...taught(), noted(30, 0, sign)])).toBe("showedSigns");
  });

  test("a sign that was taken back does not", () => {
    const note = noted(30, 0, "caught");
    const back: ClassEvent = { kind: "withdrawn", id: eventId(), at: at(40), noteId: note.id, because: "someone else" };
    expect(why([...taught(), note, back])).toBeNull();
  });

  test("coming when more than a third is over", () => {
    const late = taught().filter(({ kind }) => kind !== "attended");
    expect(why([...late, came(0.3 * reading.total)])).toBeNull();
    expect(why([...late, came(0.4 * reading.total)])).toBe("tooShort");
  });

  test("leaving early, also with the most of it done", () => {
    expect(why([...taught(), came(0.9 * reading.total, false)])).toBe("leftEarly");
  });

  test("an attendance that was forgotten and corrected counts like one that was recorded", () => {
    const corrected = (here: boolean): ClassEvent => ({
      kind: "attendanceCorrected",
      id: eventId(),
      at: at(90_000),
      personId: PERSON,
      here,
      because: "forgot to tick",
    });
    const forgotten = taught().filter(({ kind }) => kind !== "attended");
    expect(why([...forgotten, corrected(true)])).toBeNull();
    expect(why([...taught(), corrected(false)])).toBe("notThere");
  });

  test("not being there at all", () => {
    expect(why(taught().filter(({ kind }) => kind !== "attended"))).toBe("notThere");
  });

  test("pain that lasted on the day after; pain that settled does not", () => {
    const after = (pain: "settled" | "lasted"): ClassEvent => ({
      kind: "nextDay",
      id: eventId(),
      at: at(86_400),
      personId: PERSON,
      pain,
    });
    expect(why([...taught(), after("settled")])).toBeNull();
    expect(why([...taught(), after("lasted")])).toBe("painLasted");
  });
});

test("one rest by choice counts for nothing; resting through more than half of the time is too little done", () => {
  expect(why([...taught(), noted(30, 0, "rested")])).toBeNull();
  const allButFirst = steps.slice(1).map((_, i) => noted(60, i + 1, "rested"));
  expect(why([...taught(), ...allButFirst])).toBe("didTooLittle");
});
