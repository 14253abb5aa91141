import type { Movement } from "@able-tide/core/movement/format";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { type Speech, speechOf } from "@able-tide/core/schedule/speech";
import { attentionLabel } from "./movement.ts";
import { variantWords } from "./variant-words.ts";

/** What is said about one block, in the order it is said. */
export interface ItemCues {
  /** How much is said: every phrase, the start of it, or names and counts. */
  readonly speech: Speech;
  /** What is done, in a sentence; empty where only names and counts are said. */
  readonly opening: readonly string[];
  /** Phrases of a repetition, one a key pose that has one. */
  readonly phrases: readonly string[];
  /** What to look out for; the instructor's own, not said. */
  readonly watch: string;
}

/** Where the attention goes, in a sentence; empty where the cue does not say. */
export const attentionLine = ({ attention }: Movement["cues"]): string =>
  attention === undefined ? "" : `Attention on ${attentionLabel(attention)}.`;

/**
 * Cue text of a block as it is taught in a style: it fades, and pictures come first where the style wants them.
 *
 * @param block as it is scheduled
 * @param shown the variant that the figure shows, which most do
 * @param style of teaching
 */
export function cuesOf(block: ScheduledItem, shown: VariantSpec, style: TeachingStyle): ItemCues {
  const { says, cues } = variantWords(block.performed, shown);
  const speech = speechOf(block, style);
  const { image = "", feel = "", watch = "" } = cues;
  const does = cues.do ?? "";
  const attention = attentionLine(cues);
  const lines =
    style.imagery === "pictures" ? [image, does, feel, attention] : [does, feel, speech === "phrases" ? image : "", attention];
  const said = says.filter((say) => say !== "");
  return {
    speech,
    opening: speech === "names" ? [] : lines.filter((line) => line !== ""),
    phrases: speech === "names" ? [] : speech === "start" ? said.slice(0, 1) : said,
    watch,
  };
}
