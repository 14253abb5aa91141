import type { PositionFinding } from "@able-tide/core/setup/standing-positions";

/** What is wrong with a position on the floor or in the pool. */
export function formatPositionFinding(finding: PositionFinding): string {
  switch (finding.found) {
    case "tooClose":
      return `${finding.by.toFixed(1)} m too close to another participant`;
    case "tooDeep":
      return `${finding.by.toFixed(2)} m deeper than planned`;
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
