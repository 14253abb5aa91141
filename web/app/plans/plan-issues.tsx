import type { PlanItem } from "@able-tide/core/plan/plan-item";
import type { Fix } from "@able-tide/core/planner/fixes";
import type { PlanIssue } from "@able-tide/core/planner/plan-issues";
import { formatChange, formatIssue } from "@able-tide/words/planner";
import { count } from "@able-tide/words/text";
import type { Ref } from "react";
import { memo } from "react";
import { Popover, PopoverChoice } from "../kit/popover.tsx";
import type { CheckedSession, FindFixes } from "./use-plan-issues.ts";

interface Props extends CheckedSession {
  readonly choose: (blockId: string) => void;
  readonly take: (blocks: readonly PlanItem[]) => void;
  readonly ref?: Ref<HTMLElement>;
}

const more = (seconds: number): string =>
  seconds === 0 ? "" : `, ${Math.abs(Math.round(seconds))} s ${seconds < 0 ? "shorter" : "longer"}`;

interface IssueProps extends Pick<Props, "choose" | "take"> {
  readonly note: PlanIssue;
  /** Null while they are being found. */
  readonly fixes: readonly Fix[] | null;
  /** Looks for them; null where that is not left to the instructor. */
  readonly find: FindFixes | null;
}

/**
 * A check that the plan does not pass, with its fixes: one is a button, several are steps in their order or choices.
 *
 * Long because one fix, several fixes and none are shown in the same line.
 */
function Issue({ note, fixes, find, choose, take }: IssueProps) {
  const { blockId, pressing, inOrder } = note;
  const words = formatIssue(note.finding);
  const [only] = fixes ?? [];
  return (
    <li
      className={`flex flex-wrap items-center gap-x-3 rounded-[10px] border px-3 ${pressing ? "border-[1.5px] border-signal-600 bg-signal-100 font-semibold text-signal-700" : "border-sand-300 bg-white"}`}
    >
      {blockId ? (
        <button type="button" onClick={() => choose(blockId)} className="min-h-11 text-left hover:underline">
          {words}
        </button>
      ) : (
        <span className="flex min-h-11 items-center">{words}</span>
      )}
      {fixes === null && find && (
        <button type="button" onClick={find.find} className="min-h-11 font-semibold underline underline-offset-4">
          {find.again ? "The search stopped. Try again" : "Find a change that saves one"}
        </button>
      )}
      {fixes === null && !find && <span className="font-normal text-sand-600">Finding a fix…</span>}
      {note.toFix?.what === "breaks" && fixes?.length === 0 && (
        <span className="font-normal text-sand-600">No small change saves one.</span>
      )}
      {only && fixes?.length === 1 && (
        <button
          type="button"
          onClick={() => take(only.blocks)}
          className="min-h-11 font-semibold text-tide-900 underline underline-offset-4"
        >
          {formatChange(only)}
        </button>
      )}
      {fixes && fixes.length > 1 && (
        <Popover words={inOrder ? "Suggested fixes, in order" : `${fixes.length} possible fixes`}>
          <ol className={inOrder ? "list-decimal pl-6" : ""}>
            {fixes.map((fix) => (
              <li key={formatChange(fix)}>
                <PopoverChoice onClick={() => take(fix.blocks)}>
                  {formatChange(fix)}
                  <span className="text-sand-600">{more(fix.seconds)}</span>
                </PopoverChoice>
              </li>
            ))}
          </ol>
          {inOrder && (
            <p className="mt-1 px-2 text-sand-600">
              Each fix includes the ones above it. The cool-down (Settle) is never shortened.
            </p>
          )}
        </Popover>
      )}
    </li>
  );
}

/** Checks in this plan: what cannot be taught as it is, then what is good to know. */
export const PlanIssues = memo(function PlanIssues({ notes, fixesOf, findFixes, choose, take, ref }: Props) {
  const pressing = notes.filter((note) => note.pressing);
  const others = notes.filter((note) => !note.pressing);
  return (
    <section ref={ref} aria-label="Checks" className="contents">
      {pressing.length > 0 && (
        <ul className="order-last mb-2 flex basis-full flex-wrap gap-2">
          {pressing.map((note) => (
            <Issue key={note.id} note={note} fixes={fixesOf(note)} find={findFixes(note)} choose={choose} take={take} />
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <details className="group open:order-last open:basis-full">
          <summary className="flex min-h-11 w-fit items-center underline underline-offset-4">
            {pressing.length > 0 ? count(others.length, "more check", "more checks") : count(others.length, "check", "checks")}
          </summary>
          <ul className="mb-2 flex flex-wrap gap-2">
            {others.map((note) => (
              <Issue key={note.id} note={note} fixes={fixesOf(note)} find={findFixes(note)} choose={choose} take={take} />
            ))}
          </ul>
        </details>
      )}
    </section>
  );
});
