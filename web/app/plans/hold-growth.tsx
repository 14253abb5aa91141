import { CLEAN_SESSIONS } from "@able-tide/core/caps/newcomers";
import { type HoldRecord, isSameHold } from "@able-tide/core/class/clean-holds";
import { holdGrowth } from "@able-tide/core/movement/hold-growth";
import type { TimedHold } from "@able-tide/core/movement/timed-hold";
import { formatHold } from "@able-tide/words/repetitions";
import { sentenceCase } from "@able-tide/words/text";

interface Props {
  readonly hold: TimedHold;
  /** How the group last held this movement; null where it did not. */
  readonly held: HoldRecord | null;
  /** Takes the grown levels. */
  readonly grow: (hold: TimedHold) => void;
}

/** Proposes a longer or a further hold once the present one went well three times; the instructor decides. */
export function HoldGrowth({ hold, held, grow }: Props) {
  if (held === null || held.clean < CLEAN_SESSIONS || !isSameHold(held.levels, hold)) return null;
  const { longer, further } = holdGrowth(hold);
  const ways = [
    ["5 s longer", longer],
    ["Further", further],
  ] as const;
  if (longer === null && further === null) return null;
  return (
    <section aria-label="Next step for this hold" className="rounded-[10px] bg-tide-100 p-3">
      <p>
        <strong>Held this way {held.clean} times in a row</strong> with no lost balance, pain or dizziness. You can go a step on.
        Change one thing at a time.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {ways.map(
          ([label, grown]) =>
            grown && (
              <button
                key={label}
                type="button"
                onClick={() => grow(grown)}
                className="min-h-11 rounded-[22px] border-[1.5px] border-tide-800 bg-white px-4 font-semibold hover:bg-tide-200"
              >
                {label}: {sentenceCase(formatHold(grown))}
              </button>
            ),
        )}
      </div>
    </section>
  );
}
