import type { OwnAid } from "../body/supports.ts";
import { balanceDemandShown, type StandStage } from "./balance-levels.ts";
import type { Cap, CapLimit } from "./cap.ts";
import { USUAL_PRACTICE } from "./limitations/rule.ts";

/** From feet together on, a frame is company rather than what carries. */
const STANDS_WITHOUT_FRAME = 4;

/** What someone who walks with an aid needs while standing: the aid, or something as firm. */
function limitOf(aid: OwnAid, stage: StandStage | null): CapLimit {
  const shown = stage === null ? 0 : balanceDemandShown(stage);
  return aid === "frame" && shown < STANDS_WITHOUT_FRAME ? { channel: "bothHandsStanding" } : { channel: "heldStanding" };
}

/**
 * Caps of those who walk with an aid, from the first day and for as long as they do: computed, so that no one has to
 * remember to set them.
 *
 * @param stage furthest stage of the four-stage stand that was held; null where no one has tested it
 */
export const capsOfAids = (personId: string, aids: readonly OwnAid[], stage: StandStage | null, day: string): Cap[] =>
  aids.map((aid) => ({
    id: `aid-${aid}-${personId}`,
    limit: limitOf(aid, stage),
    forms: null,
    reason: { because: "aid", aid },
    source: { standard: USUAL_PRACTICE },
    strength: "firm",
    from: day,
    until: null,
    dateKind: "review",
  }));
