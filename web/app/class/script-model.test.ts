import { expect, test } from "vitest";
import { createScriptModel, type RevisedScript } from "./script-model.ts";

const revised = (scriptRevision: number): RevisedScript => ({
  script: { groupName: `revision ${scriptRevision}` } as RevisedScript["script"],
  scriptRevision,
});

/** Fits whose answers a test gives by hand. */
function byHand() {
  const fits: { readonly answer: (script: RevisedScript) => void; readonly fail: () => void }[] = [];
  const fit = () =>
    new Promise<RevisedScript>((answer, reject) => void fits.push({ answer, fail: () => reject(new Error("no network")) }));
  return { fits, model: createScriptModel(revised(1), fit) };
}

test("a fit is being computed until its answer comes, and then shows its script", async () => {
  const { fits, model } = byHand();
  const done = model.fitAgain();
  expect(model.get().fitting).toBe("working");
  await Promise.resolve();
  fits[0]?.answer(revised(2));
  await done;
  expect(model.get()).toMatchObject({ fitting: "done", scriptRevision: 2, script: { groupName: "revision 2" } });
});

test("the fit waits until what was answered has been sent", async () => {
  const { fits, model } = byHand();
  let send: () => void = () => undefined;
  void model.fitAgain(
    new Promise((resolve) => {
      send = resolve;
    }),
  );
  await Promise.resolve();
  expect(fits).toHaveLength(0);
  send();
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(fits).toHaveLength(1);
});

test("of two requests the newer says how it went, whichever answer comes last", async () => {
  const { fits, model } = byHand();
  const first = model.fitAgain();
  await Promise.resolve();
  const second = model.fitAgain();
  await Promise.resolve();
  fits[1]?.answer(revised(3));
  await second;
  fits[0]?.fail();
  await first;
  expect(model.get()).toMatchObject({ fitting: "done", scriptRevision: 3 });
});

test("without an answer the script stays, and the screen can say so", async () => {
  const { fits, model } = byHand();
  const done = model.fitAgain();
  await Promise.resolve();
  fits[0]?.fail();
  await done;
  expect(model.get()).toMatchObject({ fitting: "noConnection", scriptRevision: 1 });
});

test("an older script than the present one is dropped", () => {
  const { model } = byHand();
  model.take(revised(4));
  model.take(revised(2));
  expect(model.get().scriptRevision).toBe(4);
});
