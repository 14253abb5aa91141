import type { FitPerson } from "@able-tide/core/fit/session";
import type { Movement } from "@able-tide/core/movement/format";
import type { HelpfulChange } from "@able-tide/core/planner/best-change";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { formatChange } from "@able-tide/words/planner";
import { count } from "@able-tide/words/text";
import { memo, useEffect, useState } from "react";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { Button } from "../kit/button.tsx";
import { Dialog, DialogFrame, DialogHead, DialogTrigger } from "../kit/dialog.tsx";
import { useStore } from "../kit/use-store.ts";
import { boardRunner } from "../workers/browser-runner.ts";
import { createLatestJob } from "../workers/latest-job.ts";
import type { Draft } from "./draft.ts";

interface Props {
  readonly draft: Draft;
  readonly setting: PlanSetting;
  readonly movements: readonly Movement[];
  readonly people: readonly FitPerson[];
  readonly take: (blocks: Draft["blocks"]) => void;
}

const percent = (share: number): string => `${Math.round(1000 * share) / 10}%`;

function effectOf({ more, less }: HelpfulChange): string {
  const people = (number: number) => count(number, "participant has", "participants have");
  const closer = `${people(more)} a closer match`;
  return less === 0 ? `${closer}.` : `${closer}, ${people(less)} a lower match.`;
}

/** Which one change to the plan would help the group most, each tried with everyone and made in one touch. */
export const HelpfulChanges = memo(function HelpfulChanges({ draft, setting, movements, people, take }: Props) {
  const [open, setOpen] = useState(false);
  const [search] = useState(() => createLatestJob(boardRunner, "helpfulChanges", PRIORITY.draft));
  const { result: changes, failed } = useStore(search);
  useEffect(() => search.stop, [search]);

  function ask() {
    search.request({ content: draft, movements, setting, people });
  }

  return (
    <Dialog
      open={open}
      onOpenChange={(opens) => {
        setOpen(opens);
        if (opens) ask();
        else search.stop();
      }}
    >
      <DialogTrigger className="min-h-11 underline underline-offset-4">Suggest one change that helps most</DialogTrigger>
      <DialogFrame width="medium">
        <DialogHead>One change for the group</DialogHead>
        <div role="status" className="mt-2">
          {failed && <p>The test stopped. Close this window and try again.</p>}
          {changes === null && !failed && (
            <p>Testing changes for all {people.length} participants. This can take half a minute.</p>
          )}
          {changes?.length === 0 && <p>No single change would help the group without making it worse for someone.</p>}
        </div>
        <ul className="mt-2 flex flex-col gap-3">
          {changes?.map((change) => (
            <li key={formatChange(change)} className="rounded-soft border border-sand-300 bg-white p-4">
              <h3 className="text-lg">{formatChange(change)}</h3>
              <p>
                Average match would be <strong>{percent(change.after)}</strong> instead of {percent(change.before)}.{" "}
                {effectOf(change)}
              </p>
              <Button
                type="button"
                className="mt-2"
                onClick={() => {
                  take(change.blocks);
                  setOpen(false);
                }}
              >
                Apply this change
              </Button>
            </li>
          ))}
        </ul>
      </DialogFrame>
    </Dialog>
  );
});
