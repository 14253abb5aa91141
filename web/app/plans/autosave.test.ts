import { EMPTY_PLAN } from "@able-tide/core/plan/plan";
import { expect, test } from "vitest";
import { settle } from "../../jobs/hand-runner.fixture.ts";
import { createAutosave } from "./autosave.ts";
import type { Draft } from "./draft.ts";
import type { SaveAnswer } from "./submit-plan.ts";

const draft = (breathSeconds: number): Draft => ({ ...EMPTY_PLAN, breathSeconds });

/** A server whose answers a test gives by hand. */
function byHand() {
  const sent: {
    readonly draft: Draft;
    readonly revision: number;
    readonly answer: (answer: SaveAnswer) => void;
    readonly fail: () => void;
  }[] = [];
  const autosave = createAutosave(
    draft(6),
    1,
    (sending, revision) =>
      new Promise((answer, reject) =>
        sent.push({ draft: sending, revision, answer, fail: () => reject(new TypeError("no network")) }),
      ),
  );
  return { autosave, sent };
}

/** An autosave whose first draft can be gone back to. */
const startedWith = (first: Draft) => ({
  first,
  autosave: createAutosave(first, 1, () => Promise.reject(new Error("nothing is to be sent"))),
});

test("nothing is sent where nothing has changed", async () => {
  const { autosave, sent } = byHand();
  expect(await autosave.save()).toBe(true);
  expect(sent).toHaveLength(0);
  expect(autosave.isUnsaved()).toBe(false);
});

test("a change is sent with the revision it began from, the next with the revision that came back", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  expect(autosave.isUnsaved()).toBe(true);
  const first = autosave.save();
  expect(autosave.get().kind).toBe("saving");
  sent[0]?.answer({ kind: "saved", revision: 2 });
  expect(await first).toBe(true);
  autosave.setDraft(draft(8));
  const second = autosave.save();
  sent[1]?.answer({ kind: "saved", revision: 3 });
  await second;
  expect(sent.map(({ revision }) => revision)).toEqual([1, 2]);
  expect(autosave.get().kind).toBe("saved");
});

test("a change counts as unsaved at once, and no longer once it is undone before it was sent", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  expect(autosave.get().kind).toBe("saving");
  expect(sent).toHaveLength(0);
  const { autosave: undone, first } = startedWith(draft(6));
  undone.setDraft(draft(7));
  undone.setDraft(first);
  expect(undone.get().kind).toBe("saved");
});

test("what changes during a saving goes after it, never at the same time", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  const first = autosave.save();
  autosave.setDraft(draft(8));
  const joined = autosave.save();
  expect(sent).toHaveLength(1);
  sent[0]?.answer({ kind: "saved", revision: 2 });
  await settle();
  expect(sent[1]).toMatchObject({ revision: 2, draft: { breathSeconds: 8 } });
  sent[1]?.answer({ kind: "saved", revision: 3 });
  expect(await Promise.all([first, joined])).toEqual([true, true]);
});

test("without a connection the draft stays unsaved, and the next try sends it", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  const first = autosave.save();
  sent[0]?.fail();
  expect(await first).toBe(false);
  expect(autosave.get().kind).toBe("offline");
  expect(autosave.isUnsaved()).toBe(true);
  const second = autosave.save();
  sent[1]?.answer({ kind: "saved", revision: 2 });
  expect(await second).toBe(true);
});

test("a refusal is told and the draft stays", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  const saving = autosave.save();
  sent[0]?.answer({ kind: "refused", message: "A plan can have up to 60 movements." });
  expect(await saving).toBe(false);
  expect(autosave.get()).toEqual({ kind: "refused", message: "A plan can have up to 60 movements." });
  expect(autosave.isUnsaved()).toBe(true);
});

test("after a clash ours is saved over theirs from their revision", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  const saving = autosave.save();
  sent[0]?.answer({ kind: "elsewhere", theirs: draft(9), revision: 5 });
  await saving;
  expect(autosave.get()).toMatchObject({ kind: "elsewhere", revision: 5 });
  autosave.goOnFrom(5, null);
  expect(sent[1]).toMatchObject({ revision: 5, draft: { breathSeconds: 7 } });
  sent[1]?.answer({ kind: "saved", revision: 6 });
  await settle();
  expect(autosave.get().kind).toBe("saved");
});

test("after a clash theirs is taken as saved and nothing is sent", async () => {
  const { autosave, sent } = byHand();
  autosave.setDraft(draft(7));
  const saving = autosave.save();
  const theirs = draft(9);
  sent[0]?.answer({ kind: "elsewhere", theirs, revision: 5 });
  await saving;
  autosave.goOnFrom(5, theirs);
  autosave.setDraft(theirs);
  expect(autosave.isUnsaved()).toBe(false);
  expect(await autosave.save()).toBe(true);
  expect(sent).toHaveLength(1);
  autosave.setDraft(draft(10));
  void autosave.save();
  expect(sent[1]?.revision).toBe(5);
});
