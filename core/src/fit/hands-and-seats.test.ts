import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { sidedColumn } from "../body/channels.ts";
import type { OwnAid } from "../body/supports.ts";
import { capsOfAids } from "../caps/aids.ts";
import { AS_USUAL } from "../caps/answers.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { Cap, CapLimit } from "../caps/cap.ts";
import { dayCaps, readCheckIn } from "../caps/check-in.ts";
import { newcomerCaps } from "../caps/newcomers.ts";
import { USUAL_POLICY } from "../caps/policy.ts";
import { numberAt, present } from "../checked-access.ts";
import { hasLandVariant } from "../movement/format.ts";
import { load, loadAll } from "../movement/library.fixture.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { FULL_SEATED_VARIANT } from "../movement/variant.ts";
import { seatedBody } from "../setup/seat-raise.ts";
import { someOf } from "../test-size.fixture.ts";
import { fitCell } from "./cell.ts";
import { cellInputOf } from "./cell-input.fixture.ts";
import { createVariantCache } from "./variant-cache.ts";

const variants = createVariantCache();
const onLand = someOf(loadAll().filter(hasLandVariant), 3);
const DAY = "2026-10-14";
const STATURE = 1.62;

function fit(id: string, caps: readonly Cap[], aids: readonly OwnAid[] = []) {
  const build = buildOf(seatedBody(USUAL_BODY, STATURE, caps), STATURE);
  return fitCell(cellInputOf(id, { stature: STATURE, build, aids, caps }), variants);
}
const capsOf = (limits: readonly CapLimit[]): Cap[] => limits.map((limit) => capOf(limit));
const HELD = capsOf([{ channel: "heldStanding" }, { channel: "steadiness", limit: 3.5 }]);

describe("a sore or weak arm never holds on", () => {
  const sore = (pains: NonNullable<Parameters<typeof readCheckIn>[0]["pains"]>) => [
    ...HELD,
    ...dayCaps(readCheckIn({ ...AS_USUAL, pains }, USUAL_POLICY), HELD, DAY, false),
  ];
  const pain = (part: "rightShoulder" | "leftHand") => ({ part, now: 5, usual: 0, fresh: "no" as const });

  test.each(["small-knee-bends", "side-weight-shift", "heels-up", "one-leg-toe-near"])(
    "%s: pain of five on the right, the left holds",
    (id) => {
      expect(fit(id, sore([pain("rightShoulder")])).choice?.hold?.hand ?? "none").not.toMatch(/right|both/);
    },
  );

  test.each<[string, CapLimit, boolean]>([
    ["a cap on its load", { channel: "shoulderLoad", side: "right", limit: 60 }, false],
    ["nothing in the hand", { channel: "handWeight", side: "right", limit: 0 }, false],
    ["a weak grip", { channel: "barredFeature", limit: "holdsWithRight" }, false],
    ["a cap on its height alone", { channel: "handHeight", side: "right", limit: "chest" }, true],
    ["a cap on its turn alone", { channel: "motion", motion: "shoulderInwardTurn", side: "right", limit: 60 }, true],
  ])("%s: the right hand may hold: %s", (_, limit, may) => {
    const onlyRight = capsOf([{ channel: "barredFeature", limit: "holdsWithLeft" }]);
    const { choice } = fit("heels-up", [...HELD, ...onlyRight, ...capsOf([limit])]);
    expect(choice?.hold?.hand === "right").toBe(may);
  });

  test("without a hand left no one stands unsupported", () => {
    for (const { id } of onLand) {
      const { choice } = fit(id, sore([pain("rightShoulder"), pain("leftHand")]));
      expect(choice?.kind ?? "seated", id).toBe("seated");
    }
  });
});

describe("frailty and aids count", () => {
  test("someone of 93 with a frame and no tested level gets another plan than someone of 66", () => {
    const first = capsOf(newcomerCaps(null));
    const withFrame = (id: string) => fit(id, [...first, ...capsOfAids("p", ["frame"], null, DAY)], ["frame"]);
    const hale = (id: string) => fit(id, capsOf(newcomerCaps("tandem")));
    for (const { id } of onLand) {
      const { choice } = withFrame(id);
      if (choice && choice.kind !== "seated") expect(choice.hold, id).toMatchObject({ hand: "both" });
    }
    const differ = onLand.filter(({ id }) => JSON.stringify(withFrame(id).choice) !== JSON.stringify(hale(id).choice));
    expect(differ.length).toBeGreaterThan(onLand.length / 2);
    expect(onLand.some(({ id }) => withFrame(id).choice?.hold?.by === "frame")).toBe(true);
  });
});

describe("a hip that may not bend to a right angle", () => {
  const hip = capsOf([{ channel: "motion", motion: "hipFlexion", side: "left", limit: 90 }]);
  const hipSeated = (caps: readonly Cap[]) => {
    const build = buildOf(seatedBody(USUAL_BODY, STATURE, caps), STATURE);
    const { reading } = sampleTrack(present(trackOf(load("chin-glide"), FULL_SEATED_VARIANT, "right", build), "track"));
    return numberAt(reading.highest, sidedColumn("hipFlexion", "left"));
  };

  test("sits higher, with ten degrees to spare, in the fit as in the set-up", () => {
    expect(hipSeated([])).toBeGreaterThan(85);
    expect(hipSeated(hip)).toBeLessThan(82);
    expect(hipSeated(capsOf([{ channel: "higherSeat", limit: 5 }]))).toBeLessThan(hipSeated([]) - 5);
  });

  test("is not kept from the chair by it", () => {
    const { choice } = fit("chin-glide", [...hip, ...capsOf([{ channel: "noStanding" }])]);
    expect(choice?.kind).toBe("seated");
  });
});
