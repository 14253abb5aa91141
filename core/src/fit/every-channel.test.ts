import { expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import { ON_ARMRESTS, onRail } from "../body/supports.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import { repetitionsAllowed, repetitionsWithinHold, violatesCap } from "../caps/cap-violations.ts";
import { CAP_CHANNEL_NAMES } from "../caps/channels.ts";
import type { Demand } from "../movement/demand.ts";
import { load } from "../movement/library.fixture.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { MINUTES_CHANNELS, SESSION_SUMS } from "./session-limits.ts";
import { createVariantCache, leadingSides } from "./variant-cache.ts";

type Name = (typeof CAP_CHANNEL_NAMES)[number];
type LimitOf<Channel extends Name> = Extract<CapLimit, { channel: Channel }>;

/**
 * Where a cap on each channel counts: it rules variants out, leaves fewer repetitions, bounds a session's sums, slows
 * the pace, decides about the water or who has a hand in standing up, sets something up, or is shown to the instructor. A new channel has to be entered
 * here; the strictest cap of those that rule out or leave fewer is then shown to do so.
 */
const COUNTS: {
  readonly [Channel in Name]:
    | { readonly rulesOut: LimitOf<Channel> }
    | { readonly leavesFewer: LimitOf<Channel> }
    | "session"
    | "pace"
    | "water"
    | "standingUp"
    | "setUp"
    | "told";
} = {
  handHeight: { rulesOut: { channel: "handHeight", side: "both", limit: "lap" } },
  motion: { rulesOut: { channel: "motion", motion: "elbowFlexion", side: "both", limit: 0 } },
  handSeparation: { rulesOut: { channel: "handSeparation", limit: 0.5 } },
  loadedKnee: { rulesOut: { channel: "loadedKnee", side: "both", limit: 0 } },
  dorsiflexion: { rulesOut: { channel: "dorsiflexion", side: "both", limit: 0 } },
  straightKneeDorsiflexion: { rulesOut: { channel: "straightKneeDorsiflexion", side: "both", limit: 0 } },
  kneeLoad: { rulesOut: { channel: "kneeLoad", side: "both", limit: 0 } },
  shoulderLoad: { rulesOut: { channel: "shoulderLoad", side: "both", limit: 0 } },
  lowBackLoad: { rulesOut: { channel: "lowBackLoad", limit: 0 } },
  legShare: { rulesOut: { channel: "legShare", side: "both", limit: 0, poolAllowed: false } },
  shoulderDrag: { rulesOut: { channel: "shoulderDrag", side: "both", limit: 0 } },
  hipDrag: { rulesOut: { channel: "hipDrag", side: "both", limit: 0 } },
  handWeight: { rulesOut: { channel: "handWeight", side: "both", limit: 0 } },
  heldOutShare: { leavesFewer: { channel: "heldOutShare", side: "both", limit: 0 } },
  noStanding: { rulesOut: { channel: "noStanding" } },
  heldStanding: { rulesOut: { channel: "heldStanding" } },
  bothHandsStanding: { rulesOut: { channel: "bothHandsStanding" } },
  handToRise: "standingUp",
  chairWithArms: "setUp",
  higherSeat: "setUp",
  barredForm: { rulesOut: { channel: "barredForm", limit: "standing" } },
  barredFeature: { rulesOut: { channel: "barredFeature", limit: "holdsWithRight" } },
  steadiness: { rulesOut: { channel: "steadiness", limit: 0 } },
  oneLegSeconds: { rulesOut: { channel: "oneLegSeconds", side: "both", limit: 0 } },
  oneLegSecondsInAll: "session",
  handsUpSeconds: { rulesOut: { channel: "handsUpSeconds", side: "both", limit: 0 } },
  handsUpSecondsInAll: "session",
  holdSeconds: { rulesOut: { channel: "holdSeconds", limit: 0 } },
  holdSecondsInAll: "session",
  standingMinutesAtATime: "session",
  standingMinutes: "session",
  sessionMinutes: "session",
  rounds: { leavesFewer: { channel: "rounds", limit: 1 } },
  roundsShare: { leavesFewer: { channel: "roundsShare", part: "all", limit: 50 } },
  sizeShare: { rulesOut: { channel: "sizeShare", part: "all", limit: 0 } },
  longestBreath: "pace",
  shortestCycle: { rulesOut: { channel: "shortestCycle", limit: 30 } },
  breathPause: { rulesOut: { channel: "breathPause", limit: 0 } },
  effort: "told",
  heartRate: "told",
  waterMinutes: "session",
  waterDepth: "water",
  waterWarmest: "water",
  waterCoolest: "water",
};

const MOVEMENTS = [
  ...[
    "one-up-one-down",
    "step-behind-and-home",
    "one-leg-arms-rise",
    "slow-kick",
    "rise-and-sit",
    "settling-breath",
    "push-and-return",
    "wall-stand",
  ].map(load),
  { ...load("settling-breath"), features: ["breathPause" as const] },
];
const WATER: VariantSpec = { ...FULL_STANDING_VARIANT, kind: "water" };
const VARIANTS: readonly VariantSpec[] = [
  FULL_STANDING_VARIANT,
  { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("right") },
  FULL_SEATED_VARIANT,
  { ...FULL_STANDING_VARIANT, kind: "supported", hold: ON_ARMRESTS },
  WATER,
];
const ROUNDS = 6;

const cache = createVariantCache();
const solved: { readonly choice: VariantSpec; readonly demands: readonly Demand[] }[] = MOVEMENTS.flatMap((movement) =>
  VARIANTS.flatMap((choice) => {
    const depth = choice.kind === "water" ? 1.1 : null;
    const performer = { stature: 1.65, build: USUAL_BUILD, depth };
    const demands = cache.demands(movement, choice, performer, 8, leadingSides(movement));
    return demands ? [{ choice, demands }] : [];
  }),
);

test.each(CAP_CHANNEL_NAMES)("a cap on %s counts where it is said to", (name) => {
  const counts = COUNTS[name];
  if (counts === "session")
    expect([...SESSION_SUMS.map(({ channel }) => channel as string), ...MINUTES_CHANNELS, "standingMinutesAtATime"]).toContain(
      name,
    );
  else if (typeof counts === "object" && "rulesOut" in counts)
    expect(
      solved.some(({ choice, demands }) => demands.some((demand) => violatesCap(capOf(counts.rulesOut), choice, demand, ROUNDS))),
    ).toBe(true);
  else if (typeof counts === "object") {
    const cap = capOf(counts.leavesFewer);
    expect(
      solved.some(
        ({ choice, demands }) =>
          repetitionsWithinHold([cap], choice, demands, demands, ROUNDS) < ROUNDS ||
          demands.some((demand) => repetitionsAllowed([cap], choice.kind, demand, ROUNDS) < ROUNDS),
      ),
    ).toBe(true);
  }
});
