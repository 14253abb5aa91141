import type { ScriptTransition } from "@able-tide/core/class/script";
import { sentenceCase } from "@able-tide/words/text";

/** How everyone gets to where a movement begins, and what the helper is ready for. */
export function ClassTransition({ link }: { link: ScriptTransition | null }) {
  if (!link || link.words.length === 0) return null;
  return (
    <p className="mt-1 text-xl text-tide-200">
      First: {link.words.join(", ")}.
      {link.hazards.map((hazard) => (
        <strong key={hazard} className="text-signal-300">
          {" "}
          {sentenceCase(hazard)}.
        </strong>
      ))}
    </p>
  );
}
