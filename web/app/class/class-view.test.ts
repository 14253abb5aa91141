import { itemAt } from "@able-tide/core/checked-access";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import { type ClassScript, type ScriptItem, type ScriptRoom, scriptItems } from "@able-tide/core/class/script";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { circumstances, combined, planned } from "@able-tide/core/schedule/plan.fixture";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { SCRIPT_WORDING } from "@able-tide/words/schedule";
import { describe, expect, test } from "vitest";
import { classKey, classView, formatDelay } from "./class-view.ts";

const AT = "2026-11-04T10:00:00.000Z";
const START = new Date(AT).getTime();
const schedule = schedulePlan(planned("settling-breath", "one-up-one-down"), circumstances());
const cell = (brief: string) => ({ brief }) as CellView;
const person = (n: number) => ({ id: `p${n}`, name: `Person ${n}`, cells: [cell(`first ${n}`), cell(`second ${n}`)] });

const script: ClassScript = {
  groupName: "Footing",
  blocks: scriptItems(schedule, SCRIPT_WORDING),
  total: schedule.total,
  home: "by the door",
  showing: "mirror",
  people: Array.from({ length: 11 }, (_, i) => person(i + 1)),
};
const NONE_DUE: ReadonlySet<string> = new Set();
const moved = (step: number): ClassEvent => ({ kind: "moved", id: `m${step}`, at: AT, step });
const view = (events: readonly ClassEvent[], secondsLater = 0, shown = script) =>
  classView(shown, classState(events), NONE_DUE, START + 1000 * secondsLater);
const STEPS = view([]).lastStep;

describe("what the class screen shows", () => {
  test("participants arrive first, with digits for the first ten", () => {
    const { stage, people, current } = view([]);
    expect(stage).toBe("arrivals");
    expect(current).toBeNull();
    expect(people.map(({ digit }) => digit).join("")).toBe("1234567890");
    expect(people[10]?.digit).toBe("");
  });

  test("a step is demonstrated, then its repetitions are counted up to the last", () => {
    const { step } = view([moved(0)]).current ?? {};
    if (!step) throw new Error("no step");
    const shown = view([moved(0)], step.lead - 1).current;
    expect(shown?.repetition).toBe(0);
    expect(shown?.untilRepetitions).toBeCloseTo(1, 6);
    expect(view([moved(0)], step.lead + 1).current?.repetition).toBe(1);
    expect(view([moved(0)], step.lead + step.roundSeconds + 1).current?.repetition).toBe(2);
    expect(view([moved(0)], step.lead + 100 * step.roundSeconds).current?.repetition).toBe(step.rounds);
  });

  test("how a movement is reached is told until its repetitions begin", () => {
    const { step } = view([moved(1)]).current ?? {};
    expect(view([moved(1)]).current?.transition).toEqual(script.blocks[1]?.link);
    expect(view([moved(1)], (step?.lead ?? 0) + 1).current?.transition).toBeNull();
  });

  test("each participant's cell is that of the movement being done", () => {
    expect(view([moved(0)]).people[0]?.cell?.brief).toBe("first 1");
    expect(view([moved(1)]).people[0]?.cell?.brief).toBe("second 1");
  });

  test("in a mirror the instructor's side is the other one, with the back turned it is not told", () => {
    const sided = Array.from({ length: STEPS }, (_, i) => i).find((i) => view([moved(i)]).current?.side);
    if (sided === undefined) throw new Error("no sided step");
    const { side, instructorSide } = view([moved(sided)]).current ?? {};
    expect([side, instructorSide].toSorted()).toEqual(["left", "right"]);
    const backTurned = view([moved(sided)], 0, { ...script, showing: "sameSide" });
    expect(backTurned.current?.instructorSide).toBeNull();
  });

  test("in water whoever does none of its movements stays out, and everyone leaves from there", () => {
    const variant = itemAt(script.blocks, 0).meant;
    const wall = { posture: "atWall", legs: "planned", arms: "all", people: ["p1"], besides: false, variant } as const;
    const ledApart = (apart: readonly string[]): NonNullable<ScriptItem["led"]> => {
      return { blockId: "b", onFeet: false, shown: 0, shownVariant: variant, versions: [wall], apart, change: null };
    };
    const apart = [["p2", "p3"], ["p2"]];
    const shown = { ...script, blocks: script.blocks.map((item, i) => ({ ...item, led: ledApart(apart[i] ?? []) })) };
    const { people, endsInWater } = view([], 0, shown);
    expect(people.filter(({ outOfWater }) => outOfWater).map(({ id }) => id)).toEqual(["p2"]);
    expect(endsInWater).toBe(true);
    expect(view([]).endsInWater).toBe(false);
  });

  test("who stands up before a movement is told before it begins, and not again before it goes the other way", () => {
    const both = schedulePlan(planned("settling-breath", "hips-draw-circle"), circumstances());
    const [first, second] = scriptItems(both, SCRIPT_WORDING);
    if (!first || !second) throw new Error("two items");
    const change = { room: null, rise: ["p1"], sit: [], hands: ["p1"], waves: 1, seconds: 10 };
    const led = { blockId: second.id, onFeet: true, shown: null, shownVariant: second.meant, versions: [], apart: [], change };
    const shown: ClassScript = { ...script, blocks: [first, { ...second, led }] };
    const here: ClassEvent[] = [{ kind: "attended", id: "a", at: AT, personId: "p1", here: true }];
    const nextAt = (step: number) => view([...here, moved(step)], 0, shown).current?.next;
    expect(nextAt(0)?.change).toContain("A hand for");
    expect(nextAt(1)).toMatchObject({ name: "Other way", change: "" });
    const handsAt = (step: number) => view([...here, moved(step)], 0, shown).people.flatMap(({ id, hand }) => (hand ? [id] : []));
    expect([0, 1, 2].map(handsAt)).toEqual([["p1"], ["p1"], []]);
  });

  test("where to stand is told before a movement and during its demonstration, of those who are here", () => {
    const both = schedulePlan(planned("settling-breath", "hips-draw-circle"), circumstances());
    const [first, second] = scriptItems(both, SCRIPT_WORDING);
    if (!first || !second) throw new Error("two items");
    const blind = { personId: "p1", parts: ["feet" as const] };
    const station = { instructor: { x: 0.5, z: 3 }, helpers: [], unseen: [blind], unreached: [] };
    const floor = { length: 8, width: 6 } as ScriptRoom["floor"];
    const shown = {
      ...script,
      blocks: [first, { ...second, station }],
      room: { floor, places: [{ personId: "p1", x: 2, z: 3 }] },
    };
    const at = (step: number, events: ClassEvent[] = [], more = 0) => view([...events, moved(step)], more, shown).current;
    expect([at(0)?.stand, at(0)?.next?.stand]).toEqual([[], "You: in front."]);
    expect([at(1)?.stand, at(1)?.next?.stand]).toEqual([["You: in front."], ""]);
    const here: ClassEvent[] = [{ kind: "attended", id: "a", at: AT, personId: "p1", here: true }];
    const name = script.people.find(({ id }) => id === "p1")?.name;
    expect(at(1, here)?.stand).toEqual(["You: in front.", `${name} cannot see your feet.`]);
    expect(at(1, here, at(1)?.untilRepetitions)?.stand).toEqual([]);
  });

  test("next is the other side, the next movement, or the end", () => {
    const names = Array.from({ length: STEPS }, (_, i) => view([moved(i)]).current?.next?.name);
    expect(names[0]).toBe("One hand up, one down");
    expect(names.at(-1)).toBeUndefined();
    if (STEPS > 2) expect(names[1]).toBe("Other side");
  });

  test("time in a step counts as behind the plan only beyond the step's own length", () => {
    const { step, left } = view([moved(0)]).current ?? {};
    expect(view([moved(0)], (left ?? 0) - 1).behind).toBeCloseTo(-(step?.from ?? 0), 6);
    expect(view([moved(0)], (left ?? 0) + 90).behind).toBeCloseTo(90 - (step?.from ?? 0), 6);
  });

  test("someone dizzy sits, and what was taken back is not shown", () => {
    const noted: ClassEvent = { kind: "noted", id: "n1", at: AT, personId: "p1", step: 0, sign: "dizzy" };
    expect(view([moved(0), noted]).people[0]).toMatchObject({ sits: true, noted: ["Dizzy"] });
    const withdrawn: ClassEvent = { kind: "withdrawn", id: "w1", at: AT, noteId: "n1", because: "she only sat down" };
    expect(view([moved(0), noted, withdrawn]).people[0]).toMatchObject({ sits: false, noted: [] });
  });

  test("after the last step the class ends, and stays ended", () => {
    expect(view([moved(STEPS)])).toMatchObject({ stage: "ending", progress: 1 });
    expect(view([moved(STEPS), { kind: "ended", id: "e", at: AT, effort: 4, note: "" }]).stage).toBe("ended");
  });

  test("before the page is in the browser no time has passed", () => {
    const still = classView(script, classState([moved(0)]), NONE_DUE, null);
    expect(still).toMatchObject({ elapsed: 0, since: null });
    expect(still.current?.repetition).toBe(0);
  });
});

describe("a combination in class", () => {
  const pair = schedulePlan(
    planned({
      ...combined(["shift-and-press", "side-drift"], { passes: [{ how: "joined", quiet: true, say: "Once more." }] }),
      rounds: 2,
    }),
    circumstances(),
  );
  const shown = { ...script, blocks: scriptItems(pair, SCRIPT_WORDING), total: pair.total };
  const stepLength = ({ current }: ReturnType<typeof view>) =>
    (current?.step.lead ?? 0) + (current?.step.rounds ?? 0) * (current?.step.roundSeconds ?? 0);

  test("says which pass it is and what is said before it, and gives no cue where few words are meant", () => {
    const { current } = view([moved(0)], 0, shown);
    expect(current).toMatchObject({
      pass: "Harbour wall, pass 1 of 1: joined, few words",
      say: "Once more.",
      cue: "",
      attention: "",
    });
    expect(current?.next).toMatchObject({ side: "right", goesOn: true });
  });

  test("goes on to the next part by the clock, and the participants' cells with it", () => {
    const first = stepLength(view([moved(0)], 0, shown));
    expect(view([moved(0)], first - 0.5, shown)).toMatchObject({ at: 0 });
    const second = view([moved(0)], first + 0.5, shown);
    expect(second).toMatchObject({ at: 1, current: { name: expect.stringContaining("Side drift"), say: "" } });
    expect(second.people[0]?.cell?.brief).toBe("second 1");
    expect(second.since).toBeCloseTo(START + 1000 * first, -1);
    expect(view([moved(0)], 3600, shown).at).toBe(3);
  });
});

test("growing repetitions begin half way and end whole, on each side anew", () => {
  const grown = schedulePlan(planned({ movementId: "one-up-one-down", rounds: 3, grows: true }), circumstances());
  const shown = { ...script, blocks: scriptItems(grown, SCRIPT_WORDING), total: grown.total };
  const { step } = view([moved(0)], 0, shown).current ?? {};
  if (!step) throw new Error("no step");
  const shareIn = (repetition: number, at = 0) =>
    view([moved(at)], step.lead + (repetition + 0.5) * step.roundSeconds, shown).current?.share;
  expect([0, 1, 2].map((repetition) => shareIn(repetition))).toEqual([0.5, 0.75, 1]);
  expect(view([moved(1)], 0, shown).current?.share).toBe(0.5);
  expect(view([moved(0)]).current?.share).toBe(1);
});

describe("keys of the class screen", () => {
  test("during arrivals a digit ticks a participant and the space bar begins", () => {
    expect(classKey("2", view([]))).toEqual({ kind: "tick", personId: "p2" });
    expect(classKey(" ", view([]))).toEqual({ kind: "begin" });
    expect(classKey("Backspace", view([]))).toBeNull();
  });

  test("while moving a digit picks a participant, space goes on and backspace goes back, never before the first", () => {
    expect(classKey("0", view([moved(0)]))).toEqual({ kind: "pick", personId: "p10" });
    expect(classKey(" ", view([moved(0)]))).toEqual({ kind: "go", step: 1 });
    expect(classKey("Backspace", view([moved(1)]))).toEqual({ kind: "go", step: 0 });
    expect(classKey("Backspace", view([moved(0)]))).toBeNull();
  });

  test("at the end space does nothing, back returns to the last step", () => {
    expect(classKey(" ", view([moved(STEPS)]))).toBeNull();
    expect(classKey("Backspace", view([moved(STEPS)]))).toEqual({ kind: "go", step: STEPS - 1 });
  });

  test("the stop is one key away until the class has ended", () => {
    expect(classKey("s", view([]))).toEqual({ kind: "stop" });
    expect(classKey("s", view([moved(0)]))).toEqual({ kind: "stop" });
    expect(classKey("s", view([{ kind: "ended", id: "e", at: AT, effort: 4, note: "" }]))).toBeNull();
  });

  test("other keys mean nothing", () => {
    expect(classKey("x", view([moved(0)]))).toBeNull();
  });
});

test.each([
  [0, "on time"],
  [29, "on time"],
  [95, "2 min behind"],
  [-61, "1 min ahead"],
])("%s seconds behind is %s", (behind, words) => {
  expect(formatDelay(behind)).toBe(words);
});
