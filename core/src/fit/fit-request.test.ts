import { expect, test } from "vitest";
import { load } from "../movement/library.fixture.ts";
import { EMPTY_PLAN } from "../plan/plan.ts";
import { fitAnswer } from "./fit-answer.ts";
import { readFitRequest } from "./fit-request.ts";
import { fitGroup } from "./group.ts";
import { createVariantCache } from "./variant-cache.ts";

const movements = ["settling-breath", "lift-and-part"].map(load);
const blocks = movements.map(({ id }, i) => ({ id: `b${i}`, movementId: id, rounds: 4 }));
const request = (more: object = {}) => ({
  format: "able-tide/fit-request",
  version: 1,
  plan: { format: "able-tide/plan", version: 1, name: "Two", plan: { ...EMPTY_PLAN, blocks }, movements },
  people: [
    { id: "sore", stature: 1.6, caps: [{ id: "c1", limit: { channel: "handHeight", side: "right", limit: "shoulder" } }] },
    { id: "well", stature: 1.7 },
  ],
  ...more,
});
const problemsOf = (value: unknown) => readFitRequest(JSON.stringify(value)).problems;

test("a question in the open formats is read and answered with every cell and why", () => {
  const { question, problems } = readFitRequest(JSON.stringify(request()));
  expect(problems).toEqual([]);
  if (!question) throw new Error("it was read");
  const answer = fitAnswer(
    question.plan,
    fitGroup(question.plan, question.people, createVariantCache()),
    ({ channel }) => channel,
  );
  expect(answer).toMatchObject({ format: "able-tide/fit", version: 1 });
  const [sore, well] = answer.people;
  expect(well?.cells.map(({ fidelity }) => fidelity)).toEqual([1, 1]);
  expect(sore?.cells.map(({ blockId }) => blockId)).toEqual(["b0", "b1"]);
  expect(sore?.cells[1]).toMatchObject({
    way: "standing",
    because: [{ id: "c1", words: "handHeight" }],
  });
  expect(sore?.cells[1]?.fidelity).toBeLessThan(1);
  expect(answer.bound).toBeGreaterThanOrEqual(answer.good - 1e-9);
});

test("someone told to do it in the mind is asked nothing, in that item alone", () => {
  const { question } = readFitRequest(JSON.stringify(request()));
  if (!question) throw new Error("it was read");
  const holds = [{ personId: "well", blockId: "b1", way: "mind" as const }];
  const fitted = fitGroup({ ...question.plan, holds }, question.people, createVariantCache());
  const answer = fitAnswer(question.plan, fitted, ({ channel }) => channel);
  const [, well] = answer.people;
  expect(well?.cells.map(({ way, fidelity, rounds, steadiness }) => [way, fidelity, rounds, steadiness])).toEqual([
    ["standing", 1, 4, expect.any(Number)],
    ["mind", 0, 0, 0],
  ]);
  expect(well?.cells[1]).toMatchObject({ form: null, gaveWay: "held" });
  const [sore] = answer.people;
  expect(sore?.cells[1]?.way).toBe("standing");
  // At ease on the feet: no one has to sit down to picture a movement that the room stands in.
  expect(fitted.rows[1]?.cells[1]?.inMind).toBe("standing");
  expect(fitted.rows[1]?.sums.changes).toBe(0);
});

test("someone in bed is fitted to the bed: the seat is a cap of its own, and they do not stand", () => {
  const row = load("row-lift-and-settle");
  const plan = { ...EMPTY_PLAN, blocks: [{ id: "b0", movementId: row.id, rounds: 4 }] };
  const asked = (sits: object) =>
    JSON.stringify(
      request({
        plan: { format: "able-tide/plan", version: 1, name: "Row", plan, movements: [row] },
        people: [{ id: "lies", stature: 1.65, body: { sits, seatRaise: 0.04 } }],
      }),
    );
  const { question, problems } = readFitRequest(asked({ seat: "bed", position: "back" }));
  expect(problems).toEqual([]);
  if (!question) throw new Error("it was read");
  const [lies] = fitAnswer(
    question.plan,
    fitGroup(question.plan, question.people, createVariantCache()),
    ({ channel }) => channel,
  ).people;
  expect(lies?.cells[0]).toMatchObject({ way: "seated", because: [{ id: "seat-bed-lies", words: "barredFeature" }] });
  expect(lies?.cells[0]?.fidelity).toBeLessThan(1);
  expect(readFitRequest(asked({ seat: "bench", position: "back" })).problems[0]).toMatchObject({
    path: "people[0].body.sits",
    code: "notOnThisSeat",
  });
});

test("what is wrong is named with its place", () => {
  expect(readFitRequest("{").problems[0]?.code).toBe("notJson");
  expect(problemsOf(request({ people: [] }))).toEqual([{ path: "people", code: "tooFew", requirement: 1 }]);
  expect(problemsOf(request({ people: [{ id: "a", stature: 9 }] }))[0]).toMatchObject({ path: "people[0].stature" });
  expect(
    problemsOf(
      request({
        people: [
          { id: "a", stature: 1.6 },
          { id: "a", stature: 1.6 },
        ],
      }),
    )[0]?.code,
  ).toBe("sameIds");
  const plan = { ...request().plan, movements: movements.slice(0, 1) };
  expect(problemsOf(request({ plan }))[0]).toMatchObject({ path: "plan.plan.blocks[1].movementId" });
});

test("in a pool everyone is in the water", () => {
  const { question } = readFitRequest(JSON.stringify(request({ place: { pool: { temperature: 32 } } })));
  expect(question?.plan.blocks[0]?.plannedVariant.kind).toBe("water");
});
