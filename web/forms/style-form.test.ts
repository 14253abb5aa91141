import { USUAL_STYLE } from "@able-tide/core/plan/style";
import { expect, test } from "vitest";
import { parseForm } from "./parse-form.ts";
import { idealName, leastName, StyleForm } from "./style-form.ts";

/** What the page sends: every choice as text. */
function sent(differs: Record<string, string> = {}): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries({ ...USUAL_STYLE, ...differs })) form.set(name, String(value));
  return form;
}
const parsed = (differs?: Record<string, string>) => parseForm(sent(differs), { schema: StyleForm });

test("a style without numbers of a phase has none", () => {
  const read = parsed({ [idealName("flow")]: "", [leastName("flow")]: "" });
  expect(read.status).toBe("success");
  expect(read.status === "success" && read.value).toMatchObject({ rounds: USUAL_STYLE.rounds });
  expect(read.status === "success" && read.value.phases).toBeUndefined();
});

test("a phase with one number has it as both, with two each as it is", () => {
  const read = parsed({ [idealName("flow")]: "8", [idealName("loosen")]: "6", [leastName("loosen")]: "4" });
  expect(read.status === "success" && read.value.phases).toEqual({
    flow: { ideal: 8, least: 8 },
    loosen: { ideal: 6, least: 4 },
  });
});

test.each([
  [idealName("flow"), { [idealName("flow")]: "11" }, "Flow: enter a whole number from 2 to 10, or leave it empty."],
  [leastName("settle"), { [leastName("settle")]: "some" }, "Settle: enter a whole number from 2 to 10, or leave it empty."],
  [
    leastName("loosen"),
    { [idealName("loosen")]: "3", [leastName("loosen")]: "5" },
    "Loosen: the minimum cannot be more than the counted repetitions.",
  ],
])("%s says beside the box what is wrong", (name, differs, message) => {
  const read = parsed(differs);
  expect(read.status).toBe("error");
  expect(read.status === "error" && read.error?.[name]?.[0]).toBe(message);
});
