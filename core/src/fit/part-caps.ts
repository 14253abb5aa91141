import { type Cap, sidesOf } from "../caps/cap.ts";
import { motionNamed } from "../caps/motions.ts";
import type { Side } from "../side.ts";
import { ARM_RANGES } from "./fidelity.ts";

const BODY_CHANNELS: readonly Cap["limit"]["channel"][] = [
  "steadiness",
  "loadedKnee",
  "dorsiflexion",
  "straightKneeDorsiflexion",
  "kneeLoad",
  "lowBackLoad",
  "legShare",
];
const ARM_CHANNELS: readonly Cap["limit"]["channel"][] = ["handHeight", "shoulderLoad", "handsUpSeconds"];
const isArmMotion = ({ limit }: Cap): boolean =>
  limit.channel === "motion" && ARM_RANGES.includes(motionNamed(limit.motion).range);

/** Whether a cap is on trunk and legs: what breaks it depends on these, or nearly. */
export const isOnBody = (cap: Cap): boolean =>
  BODY_CHANNELS.includes(cap.limit.channel) || (cap.limit.channel === "motion" && !isArmMotion(cap));

/** Caps on one arm, each kept to that side; what holds in some variants only says nothing of an arm elsewhere. */
export const capsOnArm = (caps: readonly Cap[], side: Side): Cap[] =>
  caps.flatMap((cap) => {
    const onArm = ARM_CHANNELS.includes(cap.limit.channel) || isArmMotion(cap);
    if (!onArm || cap.forms !== null || !sidesOf(cap.limit).includes(side)) return [];
    return [{ ...cap, limit: { ...cap.limit, side } as Cap["limit"] }];
  });
