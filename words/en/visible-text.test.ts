import { describe, expect, test } from "vitest";
import { textsIn } from "./visible-text.fixture.ts";

/** Words of our former private style; docs/glossary.md has what to say in their place. */
const BANNED =
  /\b(nought|meanwhile|mends?|to mind|any more|somebody|everybody|nobody|write it down|written down|take it (on|out|in|away)|just now|asked|beside|sits? out|whoever)\b/i;

const isProse = (text: string): boolean => /[a-z]{2,} [a-z]{2,}/i.test(text);

describe("texts that people read", () => {
  test("have none of the banned words", () => {
    const texts = textsIn("words/en", "web/app", "web/forms", "web/jobs", "web/server");
    expect(texts.length).toBeGreaterThan(1000);
    const seen = texts.filter(({ at }) => !at.startsWith("web/server/migrations/"));
    expect(seen.filter(({ text }) => isProse(text) && BANNED.test(text))).toEqual([]);
  });

  test("are told from code: a banned word in a sentence is found, in a name it is not", () => {
    expect(BANNED.test("Nobody yet.")).toBe(true);
    expect(BANNED.test("besideNobody")).toBe(false);
  });
});

/** What of the core looks like a sentence and is none: stored values, names of styles, a file format, published sources. */
const NO_SENTENCES = [
  "neck and shoulders",
  "hips and knees",
  "ankles and feet",
  "hands and wrists",
  "memory and coordination",
  "Even keel",
  "Small ripples",
  "Long swell",
  "Subject To",
  "counting water ",
  "legShare …",
  "Springer and others 2007",
  "Vellas and others 1997",
];

test("the core computes and says nothing: it returns codes and values", () => {
  const texts = textsIn("core/src");
  expect(texts.length).toBeGreaterThan(500);
  expect(texts.filter(({ text }) => isProse(text) && !NO_SENTENCES.includes(text))).toEqual([]);
});
