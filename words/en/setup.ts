import type { WalkLength } from "@able-tide/core/schedule/walks";
import type { PositionFinding } from "@able-tide/core/setup/position-problems";
import type { WalkRoom } from "@able-tide/core/setup/standing-positions";

/** What is wrong with a position on the floor or in the pool. */
export function formatPositionFinding(finding: PositionFinding): string {
  switch (finding.found) {
    case "tooClose":
      return `${finding.by.toFixed(1)} m too close to another participant`;
    case "tooDeep":
      return `${finding.by.toFixed(2)} m deeper than planned`;
    case "walksTooClose":
      return `${finding.by.toFixed(1)} m too close to another participant on the walk`;
    case "walksTooDeep":
      return `walks into water ${finding.by.toFixed(2)} m deeper than planned`;
    case "walksOffTheFloor":
      return `the walk needs ${finding.by.toFixed(1)} m more floor`;
    case "endsAway":
      return `ends ${finding.by.toFixed(1)} m from the starting position`;
    case "nearWall":
      return "too near a wall for the longest step";
    case "railOutOfReach":
      return "the rail is out of reach";
    case "wallOutOfReach":
      return "the wall is out of reach";
    case "farFromInstructor":
      return "far from the instructor for a participant with low vision or hearing loss";
  }
}

/** What a leader says where a walk turns round. */
export const WALK_BACK = "Turn round and walk back";

const inCentimetres = (metres: number): string => `${Math.round(100 * Math.abs(metres))} cm`;

/** Where a repetition ends that does not end where it began. @param walk metres */
export function formatWalkEnd({ ahead, aside }: Pick<WalkLength, "ahead" | "aside">): string {
  if (aside !== 0) return `Each repetition ends ${inCentimetres(aside)} further to the side`;
  return `Each repetition ends ${inCentimetres(ahead)} further ${ahead > 0 ? "ahead" : "back"}`;
}

/**
 * How far an item takes someone, and how they come back. Whose walk it is belongs to it: a group's set-up sheet has its own.
 *
 * @param stature metres
 */
export const formatWalk = (walk: WalkLength, stature: number): string =>
  `${formatWalkEnd(walk)}. Keep ${walk.furthest.toFixed(1)} m free for someone ${inCentimetres(stature)} tall. ${walk.turnsRound ? `${WALK_BACK}.` : "The other foot leads the way back."}`;

/** The free floor that walks need around where everyone stands; empty without a walk. */
export function formatWalkRoom(room: WalkRoom): string {
  const sides = [
    [room.front, "in front"],
    [room.rear, "behind"],
    [room.left, "on the left"],
    [room.right, "on the right"],
  ] as const;
  const needed = sides.filter(([metres]) => metres >= 0.05).map(([metres, where]) => `${metres.toFixed(1)} m ${where}`);
  return needed.length === 0 ? "" : `Walks need free floor around everyone: ${needed.join(", ")}.`;
}
