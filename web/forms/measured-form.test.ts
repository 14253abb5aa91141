import { type MeasuredBody, USUAL_BODY, WHOLE } from "@able-tide/core/body/build";
import { expect, test } from "vitest";
import { fieldsOf } from "./measured-form.ts";
import { parseForm } from "./parse-form.ts";
import { PersonForm } from "./person-form.ts";

function read(fields: Record<string, string>) {
  const form = new FormData();
  const whole = { name: "Ilse", birthYear: "1950", statureCentimetres: "164", massKilograms: "68", ...fields };
  for (const [name, value] of Object.entries(whole)) form.set(name, value);
  return parseForm(form, { schema: PersonForm });
}

test("nothing said of the body is the usual body", () => {
  const submission = read({});
  expect(submission.status === "success" && submission.value.measured).toEqual(USUAL_BODY);
});

test.each<[string, Partial<MeasuredBody>]>([
  ["a measured leg", { legLength: [0.855, null] }],
  ["a wheelchair and an arm that does not move", { wheelchair: true, arms: [{ kind: "still" }, WHOLE] }],
  ["an arm that the other hand may carry", { arms: [{ kind: "carried" }, WHOLE] }],
  ["a prosthesis from below the knee", { legs: [WHOLE, { kind: "absent", from: "lower", prosthesis: true }] }],
  [
    "a stump above the elbow, and floating more",
    { arms: [WHOLE, { kind: "absent", from: "upper", prosthesis: false }], floats: 0.03 },
  ],
])("%s is read as it was shown", (_, differs) => {
  const measured = { ...USUAL_BODY, ...differs };
  const submission = read(fieldsOf(measured));
  expect(submission.status === "success" && submission.value.measured).toEqual(measured);
});

test("a length that does not go with the stature is asked about, next to its field", () => {
  const submission = read({ legLengthRight: "60" });
  expect(submission.status === "error" && submission.error).toEqual({
    legLengthRight: ["For a height of 164 cm a leg is usually about 87 cm. Check the measurement."],
  });
});
