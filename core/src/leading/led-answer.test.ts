import { expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { capsOf, named, planOf, withHand } from "../fit/group.fixture.ts";
import { load } from "../movement/library.fixture.ts";
import { ledAnswer } from "./led-answer.ts";
import { ledFit } from "./led-fit.fixture.ts";
import { sessionSheetOf } from "./session-sheet.ts";

test("the answer says how each item is led, with everyone in one version or apart, and the same as the sheet", () => {
  const body = { stature: 1.68, measured: USUAL_BODY };
  const people = named([
    { ...body, caps: [] },
    withHand({ ...body, caps: [] }),
    { ...body, caps: capsOf([{ channel: "noStanding" }]) },
    { ...body, caps: capsOf([{ channel: "heldStanding" }]) },
  ]);
  const plan = planOf(["trunk-turn", "lift-and-part", "heels-up"].map(load), { chairs: 4, rail: 2, helpers: 1, pool: null });
  const { led } = ledFit(plan, people);
  const sheet = sessionSheetOf(plan, people, led);
  const answer = ledAnswer({ plan, led, sheet }, ({ channel }) => channel);
  expect(answer).toMatchObject({ format: "able-tide/fit", good: led.good, match: sheet.match, freeMatch: sheet.freeMatch });
  expect(answer.items.map(({ blockId }) => blockId)).toEqual(plan.blocks.map(({ id }) => id));
  answer.items.forEach(({ versions, apart, shown, onFeet, change }, b) => {
    expect([...versions.flatMap((version) => version.people), ...apart].sort()).toEqual(people.map(({ id }) => id));
    expect([onFeet, shown, change]).toEqual([sheet.items[b]?.onFeet, sheet.items[b]?.shown, sheet.items[b]?.change]);
    for (const { posture, people: who } of versions)
      for (const id of who) {
        const way = answer.people.find((person) => person.id === id)?.cells[b]?.way;
        expect(posture === "seated").toBe(way === "seated");
      }
  });
});
