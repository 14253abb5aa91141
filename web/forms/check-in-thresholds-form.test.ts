import { THRESHOLDS, USUAL_THRESHOLDS } from "@able-tide/core/caps/policy";
import { expect, test } from "vitest";
import { PolicyForm } from "./check-in-thresholds-form.ts";
import { parseForm } from "./parse-form.ts";

function read(change: Record<string, string>) {
  const form = new FormData();
  for (const [name, value] of Object.entries({ ...USUAL_THRESHOLDS, version: 0, ...change })) form.set(name, String(value));
  return parseForm(form, { schema: PolicyForm });
}

test("the usual thresholds are a policy", () => {
  expect(read({}).status).toBe("success");
});

test.each(THRESHOLDS.map((threshold) => [threshold.name, threshold] as const))(
  "%s may be stricter, never looser",
  (name, { usual, stricter }) => {
    const step = stricter === "less" ? -1 : 1;
    expect(read({ [name]: String(usual + step) }).status).toBe("success");
    const looser = read({ [name]: String(usual - step) });
    expect(looser.status === "error" && looser.error?.[name]?.[0]).toContain("can only be stricter");
  },
);
