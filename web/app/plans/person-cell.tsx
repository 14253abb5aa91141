import type { CellView } from "@able-tide/core/fit/cell-view";
import type { PinnedVariant } from "@able-tide/core/plan/pinned-variant";
import { formatWhy } from "@able-tide/words/cell-view";
import { supportModeLabel } from "@able-tide/words/movement";
import { sentenceCase } from "@able-tide/words/text";
import { memo } from "react";
import { percent } from "../kit/percent.ts";
import { Select } from "../kit/select.tsx";
import type { BoardFitState } from "./board-fit.ts";

interface Props {
  readonly name: string;
  readonly cell: CellView;
  /** Null while it is being found. */
  readonly explained: BoardFitState["explained"];
  readonly without: BoardFitState["without"];
  /** The way the instructor chose; null for the fit's choice. */
  readonly pinned: PinnedVariant["way"] | null;
  readonly pin: (way: PinnedVariant["way"] | null) => void;
  readonly askWithout: (capId: string) => void;
  readonly blockName: (blockId: string) => string;
}

/** A way as it is chosen; nothing is kept of a movement that is not moved. */
function optionLabel(way: PinnedVariant["way"], fidelity: number): string {
  if (way === "rest") return "rest";
  return way === "mind" ? "in the mind only" : `${supportModeLabel(way)}, match ${percent(fidelity)}`;
}

/** What would be without a cap, for the talk with the person who set it. */
function IfItWereGone({
  without,
  blockName,
}: {
  without: NonNullable<BoardFitState["without"]>;
  blockName: (blockId: string) => string;
}) {
  const more = without.changes.filter(({ personId, before, after }) => personId === without.personId && after > before);
  return (
    <div role="status" className="mt-1 rounded-[10px] bg-sand-100 p-2">
      {more.length === 0 ? (
        <p>Ending this cap alone would change nothing here; other caps apply too.</p>
      ) : (
        <>
          <p>
            Without this cap the match would be <strong>{percent(without.fidelity)}</strong>. For your talk with the person who
            set it:
          </p>
          <ul className="list-disc pl-5">
            {more.slice(0, 6).map(({ blockId, before, after }) => (
              <li key={blockId}>
                {blockName(blockId)}: {percent(after)} instead of {percent(before)}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** One person in one block: why it is so, what would be without a cap, and the instructor's own word. */
export const PersonCell = memo(function PersonCell(props: Props) {
  const { name, cell, explained, without, pinned, pin, askWithout, blockName } = props;
  return (
    <section aria-label={`${name} in this movement`} className="flex flex-col gap-2 border-t border-sand-300 pt-3">
      {cell.whole ? (
        <p>Full movement, as planned.</p>
      ) : (
        <div>
          {cell.brief && <p className="font-bold">{sentenceCase(cell.brief)}.</p>}
          {cell.care && <p>{cell.care}</p>}
          {(explained === null || explained.caps.length === 0) && cell.why.map((why) => <p key={why.limit}>{formatWhy(why)}.</p>)}
          {explained === null && cell.why.length > 1 && <p className="text-sand-600">Finding which cap makes the difference…</p>}
          {explained && explained.caps.length > 1 && <p>These {explained.caps.length} caps together:</p>}
          {explained?.caps.map(({ id, why }) => (
            <div key={id}>
              <p>
                {formatWhy(why)}.{" "}
                <button type="button" onClick={() => askWithout(id)} className="min-h-6 underline underline-offset-4">
                  What if this cap ended?
                </button>
              </p>
              {without?.capId === id && <IfItWereGone without={without} blockName={blockName} />}
            </div>
          ))}
        </div>
      )}
      {explained && explained.modes.length > 0 && (
        <Select
          label={`Variant for ${name} (within the caps)${pinned === null ? "" : " (pinned)"}`}
          value={pinned ?? ""}
          options={[
            ["", "Automatic (suggested)"],
            ...explained.modes.map(({ mode, fidelity }) => [mode, optionLabel(mode, fidelity)] as const),
          ]}
          choose={(mode) => pin(mode === "" ? null : mode)}
        />
      )}
    </section>
  );
});
