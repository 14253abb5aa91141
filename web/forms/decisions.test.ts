import type { CapLimit } from "@able-tide/core/caps/cap";
import type { ProposedCap } from "@able-tide/core/caps/propose";
import { expect, test } from "vitest";
import { readDecisions } from "./decisions.ts";

const proposed = (limit: CapLimit): ProposedCap => ({
  limit,
  forms: null,
  reason: "Knee arthritis, left",
  source: "common practice",
  strength: "comfort",
  from: "2026-10-14",
  until: null,
  dateKind: "review",
  follows: null,
});
const knee = proposed({ channel: "loadedKnee", side: "left", limit: 45 });
const hand = proposed({ channel: "handHeight", side: "right", limit: "shoulder" });

function read(fields: Record<string, string>, proposals: readonly ProposedCap[] = [knee], clinician = false) {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  return readDecisions(form, proposals, clinician);
}

test("nothing said accepts what was proposed", () => {
  expect(read({})).toEqual({ decisions: [{ kind: "accept", limit: knee.limit }], problems: {} });
});

test("a stricter number with a word is taken", () => {
  const { decisions, problems } = read({ "decision-0": "tighten", "amount-0": "30,5", "because-0": "swollen" });
  expect(problems).toEqual({});
  expect(decisions[0]).toEqual({ kind: "tighten", limit: { ...knee.limit, limit: 30.5 }, because: "swollen" });
});

test("a height is tightened by its name", () => {
  const { decisions } = read({ "decision-0": "tighten", "amount-0": "chest", "because-0": "sore" }, [hand]);
  expect(decisions[0]?.limit).toMatchObject({ limit: "chest" });
});

test.each<[string, Record<string, string>, RegExp]>([
  ["a looser number", { "decision-0": "tighten", "amount-0": "60", "because-0": "strong" }, /not stricter/],
  ["no number", { "decision-0": "tighten", "because-0": "x" }, /new value/],
  ["more than the joint can", { "decision-0": "tighten", "amount-0": "-5", "because-0": "x" }, /new value/],
  ["declined without a word", { "decision-0": "decline" }, /short reason/],
])("%s is told", (_, fields, sentence) => {
  expect(read(fields).problems[0]).toMatch(sentence);
});

test("a clinician's own number may be any, and needs no word", () => {
  expect(read({ "decision-0": "tighten", "amount-0": "60" }, [knee], true).problems).toEqual({});
});
