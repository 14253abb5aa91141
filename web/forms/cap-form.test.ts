import { describe, expect, test } from "vitest";
import { CapForm } from "./cap-form.ts";
import { parseForm } from "./parse-form.ts";

function read(fields: Record<string, string>) {
  const form = new FormData();
  const whole = {
    channel: "handHeight",
    side: "right",
    landmark: "shoulder",
    reason: "sore",
    source: "own word",
    strength: "firm",
    from: "2026-10-01",
    ...fields,
  };
  for (const [name, value] of Object.entries(whole)) form.set(name, value);
  return parseForm(form, { schema: CapForm });
}
const problemsOf = (fields: Record<string, string>) => {
  const submission = read(fields);
  return submission.status === "success" ? {} : (submission.error ?? {});
};

describe("the form of a cap becomes the cap it means", () => {
  test.each<[string, Record<string, string>, object]>([
    ["a hand height", {}, { channel: "handHeight", side: "right", limit: "shoulder" }],
    ["a knee", { channel: "loadedKnee", side: "left", amount: "35" }, { channel: "loadedKnee", side: "left", limit: 35 }],
    ["minutes", { channel: "standingMinutes", amount: "12" }, { channel: "standingMinutes", limit: 12 }],
    ["no standing", { channel: "noStanding" }, { channel: "noStanding" }],
    [
      "a joint's range",
      { channel: "motion", motion: "hipFlexion", side: "left", amount: "85" },
      { channel: "motion", motion: "hipFlexion", side: "left", limit: 85 },
    ],
    [
      "a share of the rounds",
      { channel: "roundsShare", part: "neck", amount: "50" },
      { channel: "roundsShare", part: "neck", limit: 50 },
    ],
    ["a form", { channel: "barredForm", form: "water" }, { channel: "barredForm", limit: "water" }],
    ["a feature", { channel: "barredFeature", feature: "bounce" }, { channel: "barredFeature", limit: "bounce" }],
  ])("%s", (_, fields, limit) => {
    const submission = read(fields);
    expect(submission.status === "success" && submission.value.limit).toEqual(limit);
  });

  test("a range may follow what is measured; a height may not", () => {
    const follows = (fields: Record<string, string>) => {
      const submission = read({ ...fields, follow: "on" });
      return submission.status === "success" && submission.value.follows;
    };
    expect(follows({ channel: "dorsiflexion", side: "left", amount: "8" })).toBe("dorsiflexion");
    expect(follows({ channel: "motion", motion: "neckRotation", amount: "40" })).toBe("neckRotation");
    expect(follows({})).toBeNull();
  });

  test("forms that are ticked are the only ones it holds in", () => {
    const submission = read({ onlyIn: "seated" });
    expect(submission.status === "success" && submission.value.forms).toEqual(["seated"]);
  });

  test("no until-date is none", () => {
    const submission = read({ until: "" });
    expect(submission.status === "success" && submission.value.until).toBeNull();
  });
});

describe("what is wrong is said at its field", () => {
  test.each<[string, Record<string, string>, string, string]>([
    ["no number where one is needed", { channel: "loadedKnee" }, "amount", "Enter a number (°)."],
    ["letters for a number", { channel: "loadedKnee", amount: "deep" }, "amount", "Enter a number."],
    [
      "more than a joint can",
      { channel: "motion", motion: "neckRotation", amount: "120" },
      "amount",
      "Enter a number from 0 to 80 °.",
    ],
    ["a number out of bounds", { channel: "dorsiflexion", amount: "60" }, "amount", "Enter a number from 0 to 30 °."],
    ["no reason", { reason: " " }, "reason", "Give a short reason."],
    ["nobody who set it", { source: "" }, "source", "Enter who set the cap."],
    ["dates the wrong way round", { until: "2026-09-30" }, "until", "The end date is before the start date. Change one of them."],
    ["a day that is none", { from: "soon" }, "from", "Enter the date it starts."],
  ])("%s", (_, fields, at, sentence) => {
    expect(problemsOf(fields)).toMatchObject({ [at]: [sentence] });
  });
});
