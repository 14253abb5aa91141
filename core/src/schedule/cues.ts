import { variantWords } from "../movement/variant-words.ts";
import type { TeachingStyle } from "../plan/style.ts";
import type { ScheduledItem } from "./schedule-plan.ts";

/** What is said about one block, in the order it is said. */
export interface BlockCues {
  /** How much is said: every phrase, the start of it, or names and counts. */
  readonly speech: "phrases" | "start" | "names";
  /** What is done, in a sentence; empty where only names and counts are said. */
  readonly opening: readonly string[];
  /** Phrases of a round, one a key pose that has one. */
  readonly phrases: readonly string[];
  /** What to look out for; the instructor's own, not said. */
  readonly watch: string;
}

/** How much is said of a block: its style, and for a style that fades how well the group knows it. */
function speechOf({ block, knowledge }: ScheduledItem, { speech }: TeachingStyle): BlockCues["speech"] {
  if (block.quiet || speech === "silent") return "names";
  if (speech === "everyPhrase") return "phrases";
  if (speech === "startThenQuiet") return "start";
  if (knowledge === "new" || knowledge === "second") return "phrases";
  return knowledge === "known" ? "start" : "names";
}

/** Cue text of a block as it is taught in a style: it fades, and pictures come first where the style wants them. */
export function cuesOf(block: ScheduledItem, style: TeachingStyle): BlockCues {
  const { says, cues } = variantWords(block.movement, block.meant);
  const speech = speechOf(block, style);
  const { image = "", feel = "", watch = "" } = cues;
  const does = cues.do ?? "";
  const lines = style.imagery === "pictures" ? [image, does, feel] : [does, feel, speech === "phrases" ? image : ""];
  const said = says.filter((say) => say !== "");
  return {
    speech,
    opening: speech === "names" ? [] : lines.filter((line) => line !== ""),
    phrases: speech === "names" ? [] : speech === "start" ? said.slice(0, 1) : said,
    watch,
  };
}

/** What is said once at the start of a session, from the style. */
export function openingWords({ breathRoute, breath, eyes, pelvis, trunk }: TeachingStyle, standing: boolean): string[] {
  const words = [
    breathRoute === "nose" && "In and out through the nose.",
    breathRoute === "noseMouth" && "In through the nose, out through the mouth.",
    breath === "coupled" && "Open on the in-breath, close on the out-breath. Take two breaths to my one whenever you like.",
    breath === "pause" && "A gentle pause at the top, no longer than is easy. Never hold the breath.",
    breath === "free" && "Breathe as it comes.",
    eyes === "soft" && "Soft eyes.",
    eyes === "closedStill" && "Eyes may close while we are still; open them if you feel unsure.",
    standing && pelvis === "tucked" && "Let the tailbone drop a little.",
    standing && trunk === "inclined" && "When the weight goes forward, the trunk leans with the front leg.",
    standing && trunk === "upright" && "When the weight goes, the trunk stays upright over it.",
  ];
  return words.filter((word): word is string => word !== false);
}
