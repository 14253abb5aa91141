import { difference, SIDE_COUNTS, SIDES_DIFFER, type SideTotals } from "@able-tide/core/planner/side-balance";
import { sideCountWords } from "@able-tide/words/planner";
import { sentenceCase } from "@able-tide/words/text";

/** Left and right of everything that is counted, always in sight; a mark where they are apart. */
export function SideTotalsLine({ totals }: { totals: SideTotals }) {
  return (
    <ul className="flex flex-wrap gap-x-5" aria-label="Left and right">
      {SIDE_COUNTS.filter((name) => Math.max(...totals[name]) > 0).map((name) => {
        const { label, unit } = sideCountWords(name);
        const [left, right] = [Math.round(totals[name][0]), Math.round(totals[name][1])];
        const apart = difference(totals[name]) > SIDES_DIFFER;
        return (
          <li key={name} className={apart ? "font-semibold text-signal-700" : ""}>
            <span className="text-sand-600">{sentenceCase(label)}</span> L <strong>{left}</strong> · R <strong>{right}</strong>{" "}
            {unit}
            {apart && ", uneven"}
          </li>
        );
      })}
    </ul>
  );
}
