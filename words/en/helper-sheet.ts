import type { HelpNote } from "@able-tide/core/fit/helper-sheet";
import { otherSide } from "@able-tide/core/side";
import { formatHandSupport } from "./body.ts";

const WHILE = { rising: "standing up", sitting: "sitting down", moving: "near their balance limit" } as const;

/** What a helper does for a participant or knows of them, in a few words. */
export function formatHelpNote(note: HelpNote): string {
  switch (note.note) {
    case "carries":
      return `${otherSide(note.arm)} hand under the ${note.arm} forearm, near the elbow; nothing pulls on the ${note.arm} hand`;
    case "bothHandsFixed":
      return "both hands on fixed support while standing";
    case "nearCap":
      return WHILE[note.while];
    case "support":
      return note.hold.by === "helper" && note.hold.hand !== "both" ? `${note.hold.hand} hand` : formatHandSupport(note.hold);
  }
}
