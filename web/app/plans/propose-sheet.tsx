import type { FitPerson } from "@able-tide/core/fit/session";
import type { Movement } from "@able-tide/core/movement/format";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import { ASKED_POSTURES, type DraftRules } from "@able-tide/core/planner/draft-rules";
import type { SessionTime } from "@able-tide/core/planner/fix-duration";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { askedPostureLabel, formatBrokenRules } from "@able-tide/words/planner";
import { count, formatMinutes, lowerFirst } from "@able-tide/words/text";
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

/** How many drafts there are, and whether they are fitted. */
function statusOf({ drafts: proposals, broken, failed }: DraftingState, people: number): string {
  if (failed) return "Drafting stopped. Close this window and try again.";
  if (broken === null && proposals.length < HOW_MANY) return `Draft ${proposals.length} of ${HOW_MANY} ready`;
  const all = proposals.length === HOW_MANY ? "Three drafts" : count(proposals.length, "draft", "drafts");
  if (people === 0 || proposals.length === 0) return all;
  return proposals.every(({ fit }) => fit !== null) ? `${all}, fitted to all participants` : `Fitting ${lowerFirst(all)}…`;
}

interface ProposalProps {
  readonly proposal: FittedDraft;
  readonly minutes: number;
  readonly fitting: boolean;
  readonly nameOf: (personId: string) => string;
  readonly take: (blocks: readonly PlanItem[]) => void;
}

function Proposal({ proposal, minutes, fitting, nameOf, take }: ProposalProps) {
  const { shown, fit, blocks, number } = proposal;
  const total = fit?.total ?? proposal.total;
  const over = total - 60 * minutes;
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
      {over > 0 && (
        <p className="font-semibold text-signal-700">
          {formatMinutes(over)} too long once people have sat down and stood up. Shorten it on the board.
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
  readonly time: SessionTime;
  readonly movements: readonly Movement[];
  readonly people: readonly (FitPerson & { readonly name: string })[];
  readonly take: (blocks: readonly PlanItem[]) => void;
}

/** What a plan is asked for by. */
type Asked = Pick<DraftRules, "news" | "posture">;

/** Movements that a session is made of, about: a group that knows fewer has as many new ones as it takes. */
const A_SESSION = 10;

/** How many new movements a draft has at first. */
function usualNews({ style }: Draft, { taught }: PlanSetting): number | null {
  if (Object.keys(taught).length < A_SESSION) return null;
  return style.learning === "sameSet" ? 0 : 2;
}

const POSTURES = ASKED_POSTURES.map((posture) => [posture, askedPostureLabel(posture)] as const);

const COUNTS = [["", "Any"], ...[0, 1, 2, 3, 4].map((news) => [String(news), String(news)] as const)] as const;

/** How many movements of a draft are new to the group. */
function NewMovements({ news, choose }: { news: number | null; choose: (news: number | null) => void }) {
  return (
    <Select
      label="New movements"
      look="line"
      value={news === null ? "" : String(news)}
      options={COUNTS}
      choose={(chosen) => choose(chosen === "" ? null : Number(chosen))}
    />
  );
}

/**
 * Three whole plans for this group, place, purpose and style, each fitted; taking one makes it the draft.
 *
 * Long because opening, drafting and taking a draft share one state.
 */
export const ProposeSheet = memo(function ProposeSheet({ draft, setting, time, movements, people, take }: Props) {
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState<Asked>({ news: usualNews(draft, setting), posture: "any" });
  const drafting = useDrafts();
  const begin = (now: Asked) => {
    const { style, breathSeconds, purpose } = draft;
    drafting.request({ movements, setting, style, breathSeconds, time, purpose, people, ...now });
  };
  const ask = (now: Asked) => {
    setAsked(now);
    begin(now);
  };
  const onLand = !setting.supports.pool && !setting.seatedOnly;
  return (
    <Dialog
      open={open}
      onOpenChange={(now) => {
        setOpen(now);
        if (now) begin(asked);
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
          <DialogTitle className="text-2xl">A plan of {time.minutes} minutes</DialogTitle>
          {onLand && (
            <Select
              label="Session"
              look="line"
              value={asked.posture}
              options={POSTURES}
              choose={(posture) => ask({ ...asked, posture })}
            />
          )}
          <NewMovements news={asked.news} choose={(news) => ask({ ...asked, news })} />
          <p role="status" className="text-sand-600">
            {statusOf(drafting, people.length)}
          </p>
          <DialogCancel className="ml-auto">Close</DialogCancel>
        </div>
        {drafting.broken !== null && drafting.drafts.length < HOW_MANY && (
          <p className="mb-4 font-semibold">
            {drafting.drafts.length === 0 ? "No draft can be offered. " : "No more drafts can be offered. "}
            {formatBrokenRules(drafting.broken, asked.news ?? 0)}
          </p>
        )}
        <ul className="grid gap-4 md:grid-cols-3">
          {drafting.drafts.map((proposal) => (
            <Proposal
              key={proposal.number}
              proposal={proposal}
              minutes={time.minutes}
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
