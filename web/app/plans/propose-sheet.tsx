import type { FitPerson } from "@able-tide/core/fit/session";
import type { Movement } from "@able-tide/core/movement/format";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { formatMinutes } from "@able-tide/words/text";
import { memo, useState } from "react";
import { Button } from "../kit/button.tsx";
import { Dialog, DialogCancel, DialogFrame, DialogTitle, DialogTrigger } from "../kit/dialog.tsx";
import { percent } from "../kit/percent.ts";
import { Select } from "../kit/select.tsx";
import { TideLine } from "../kit/tide-line.tsx";
import type { Draft } from "./draft.ts";
import type { DraftingState, FittedDraft } from "./drafting.ts";
import { useDrafts } from "./use-drafts.ts";

const WIDTH = 320;
const HOW_MANY = 3;

function statusOf({ drafts: proposals, failed }: DraftingState, people: number): string {
  if (failed) return "Drafting stopped. Close this window and try again.";
  if (people === 0 && proposals.length === HOW_MANY) return "Three drafts";
  if (proposals.length < HOW_MANY) return `Draft ${proposals.length} of ${HOW_MANY} ready`;
  return proposals.every(({ fit }) => fit !== null) ? "Three drafts, fitted to all participants" : "Fitting three drafts…";
}

interface ProposalProps {
  readonly proposal: FittedDraft;
  readonly fitting: boolean;
  readonly nameOf: (personId: string) => string;
  readonly take: (blocks: readonly PlanItem[]) => void;
}

function Proposal({ proposal, fitting, nameOf, take }: ProposalProps) {
  const { shown, total, fit, blocks, number } = proposal;
  const scale = WIDTH / Math.max(1, shown[shown.length - 1]?.to ?? 1);
  return (
    <li className="flex min-w-0 flex-col gap-2 rounded-soft border border-sand-300 bg-white p-4">
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="text-xl">Draft {number + 1}</h3>
        <span className="font-display text-xl font-bold">{formatMinutes(total)}</span>
      </div>
      <TideLine
        blocks={shown.map(({ from, to, balance, rising }) => ({
          left: from * scale,
          right: to * scale,
          height: balance,
          rising,
        }))}
        width={WIDTH}
        height={70}
        label={shown.map(({ name }) => name).join(", ")}
        className="block h-auto w-full"
      />
      {fit === null ? (
        fitting && <p className="text-sand-600">Fitting all participants…</p>
      ) : (
        <p>
          Average match: <strong>{percent(fit.fidelity)}</strong>
          {fit.least && `; lowest: ${nameOf(fit.least.personId)}, ${percent(fit.least.share)}`}.
        </p>
      )}
      <Button type="button" onClick={() => take(blocks)}>
        Use this draft
      </Button>
      <ol className="flex flex-col gap-1">
        {shown.map(({ id, name, rounds, from, why }) => (
          <li key={id}>
            <details>
              <summary className="min-h-8">
                <span className="text-sand-600">{formatMinutes(from)}</span> <strong>{name}</strong> × {rounds}
              </summary>
              <p className="pl-4 text-sand-600">{why.join("; ")}.</p>
            </details>
          </li>
        ))}
      </ol>
    </li>
  );
}

interface Props {
  readonly draft: Draft;
  readonly setting: PlanSetting;
  readonly minutes: number;
  readonly movements: readonly Movement[];
  readonly people: readonly (FitPerson & { readonly name: string })[];
  readonly take: (blocks: readonly PlanItem[]) => void;
}

const COUNTS = [0, 1, 2, 3, 4].map((count) => [String(count), String(count)] as const);

/** How many movements of a draft are new to the group. */
function NewMovements({ count, choose }: { count: number; choose: (count: number) => void }) {
  return (
    <Select
      label="New movements"
      look="line"
      value={String(count)}
      options={COUNTS}
      choose={(chosen) => choose(Number(chosen))}
    />
  );
}

/**
 * Three whole plans for this group, place, purpose and style, each fitted; taking one makes it the draft.
 *
 * Long because opening, drafting and taking a draft share one state.
 */
export const ProposeSheet = memo(function ProposeSheet({ draft, setting, minutes, movements, people, take }: Props) {
  const [open, setOpen] = useState(false);
  const [news, setNews] = useState(draft.style.learning === "sameSet" ? 0 : 2);
  const drafting = useDrafts();
  const begin = (fresh: number) =>
    drafting.request({
      movements,
      setting,
      style: draft.style,
      breathSeconds: draft.breathSeconds,
      minutes,
      purpose: draft.purpose,
      news: fresh,
      people,
    });
  return (
    <Dialog
      open={open}
      onOpenChange={(now) => {
        setOpen(now);
        if (now) begin(news);
        else drafting.stop();
      }}
    >
      <DialogTrigger asChild>
        <Button type="button" look="plain">
          Draft a plan
        </Button>
      </DialogTrigger>
      <DialogFrame width="full">
        <div className="mb-4 flex flex-wrap items-center gap-x-6 gap-y-2">
          <DialogTitle className="text-2xl">A plan of {minutes} minutes</DialogTitle>
          <NewMovements
            count={news}
            choose={(fresh) => {
              setNews(fresh);
              begin(fresh);
            }}
          />
          <p role="status" className="text-sand-600">
            {statusOf(drafting, people.length)}
          </p>
          <DialogCancel className="ml-auto">Close</DialogCancel>
        </div>
        <ul className="grid gap-4 md:grid-cols-3">
          {drafting.drafts.map((proposal) => (
            <Proposal
              key={proposal.number}
              proposal={proposal}
              fitting={people.length > 0}
              nameOf={(personId) => people.find(({ id }) => id === personId)?.name ?? ""}
              take={(blocks) => {
                take(blocks);
                setOpen(false);
              }}
            />
          ))}
        </ul>
        <p className="mt-4 text-sand-600">
          Drafts are based on the body model, the caps and what this group has done. You decide: nothing changes until you choose
          one.
        </p>
      </DialogFrame>
    </Dialog>
  );
});
