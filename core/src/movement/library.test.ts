import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { ROW_WIDTH } from "../body/channels.ts";
import { SIDES } from "../side.ts";
import { readDemand } from "./demand.ts";
import { FORM_KINDS, type FormChoice, FULL_STANDING } from "./form.ts";
import { type Movement, readMovement } from "./format.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";

const folder = join(import.meta.dirname, "../../../library");
const files = readdirSync(folder).filter((name) => name.endsWith(".json") && name !== "movement.schema.json");

function load(file: string): Movement {
  const { movement, problems } = readMovement(readFileSync(join(folder, file), "utf8"));
  expect(problems).toEqual([]);
  return movement as Movement;
}

function everyForm(movement: Movement): { choice: FormChoice; name: string }[] {
  return FORM_KINDS.filter((kind) => movement.forms[kind] !== false).flatMap((kind) =>
    (kind === "supported" ? SIDES : [null]).flatMap((hold) =>
      (movement.vary.toeDown && kind !== "seated" ? [false, true] : [false]).map((toeDown) => ({
        choice: { ...FULL_STANDING, kind, hold, toeDown },
        name: `${kind} ${hold ?? ""} ${toeDown ? "toe down" : ""}`.trim(),
      })),
    ),
  );
}

describe.each(files)("%s", (file) => {
  const movement = load(file);

  test("is named as its file", () => {
    expect(`${movement.id}.json`).toBe(file);
  });

  test.each(everyForm(movement))("$name can be done on both sides without falling or stretching", ({ choice }) => {
    for (const lead of SIDES) {
      const track = trackOf(movement, choice, lead);
      if (!track) throw new Error("form missing");
      const samples = sampleTrack(track);
      expect(samples.problem).toBeNull();
      expect(samples.rows.every(Number.isFinite)).toBe(true);
      expect(samples.rows.length).toBe(samples.count * ROW_WIDTH);
      expect(readDemand(samples, { stature: 1.65 }, 8 * movement.breaths).leastMargin.metres).toBeGreaterThan(0);
    }
  });
});
