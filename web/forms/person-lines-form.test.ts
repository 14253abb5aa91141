import { describe, expect, test } from "vitest";
import { parseForm } from "./parse-form.ts";
import { PersonLinesForm } from "./person-lines-form.ts";

const GROUP = "8f7f6a0e-3a57-4a53-9c0e-0d0a9fdd2f11";

function read(lines: string) {
  const form = new FormData();
  form.set("lines", lines);
  form.append("groupIds", GROUP);
  return parseForm(form, { schema: PersonLinesForm });
}

const peopleOf = (lines: string) => {
  const submission = read(lines);
  return submission.status === "success" ? submission.value : submission.reply().error?.["lines"];
};

describe("people, a line each", () => {
  test.each([
    "Ada Penrose, 1948, 164, 68.5",
    "Ada Penrose;1948;164;68.5",
    "Ada Penrose\t1948\t164\t68.5",
    "  Ada Penrose 1948 164 68.5  ",
  ])("%j is one person", (line) =>
    expect(peopleOf(line)).toMatchObject([
      { name: "Ada Penrose", birthYear: 1948, statureCentimetres: 164, massKilograms: 68.5, groupIds: [GROUP] },
    ]),
  );

  test("blank lines between them are left out", () =>
    expect(peopleOf("Ada, 1948, 164, 68\n\n  \r\nJory Vane, 1950, 171, 80\n")).toMatchObject([
      { name: "Ada" },
      { name: "Jory Vane" },
    ]));

  test.each([
    ["Ada", "Line 1: Enter the birth year, such as 1948."],
    ["Ada, 1948, 164, 68\nJory, 1950, 171", "Line 2: Enter the weight in kilograms, such as 68."],
    ["Ada, 1948, 1.64, 68", "Line 1: Enter a height of 100 cm or more. Is it in centimetres?"],
    ["1948, 164, 68", "Line 1: Enter a birth year of 1905 or later."],
    ["\n \n", "Enter a line for each participant."],
    [
      Array.from({ length: 61 }, (_, i) => `Ada ${"abcdefghij"[i % 10]}, 1948, 164, 68`).join("\n"),
      "Add 60 participants or fewer at a time.",
    ],
  ])("%j is told what is wrong, and on which line", (lines, sentence) => expect(peopleOf(lines)).toContain(sentence));
});
