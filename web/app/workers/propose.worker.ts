import { buildOf } from "@able-tide/core/body/build";
import { type FitPlan, fitPlanOf } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import type { SessionPurpose } from "@able-tide/core/plan/purpose";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import { type Proposal, proposeIncrementally } from "@able-tide/core/planner/propose";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import { runInterruptible } from "./yield-to-events.ts";

/** Asks for whole plans. A newer question makes an older one stop. */
export interface ProposeQuestion {
  readonly turn: number;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly style: TeachingStyle;
  readonly breathSeconds: number;
  readonly minutes: number;
  readonly purpose: SessionPurpose | null;
  readonly news: number;
  readonly people: readonly FitPerson[];
}

/** A proposed block as it is shown. */
export interface ProposedBlock {
  readonly id: string;
  readonly name: string;
  readonly rounds: number;
  readonly from: number;
  readonly to: number;
  readonly steadiness: number;
  readonly rising: number | null;
  readonly why: readonly string[];
}

/** One proposal, not fitted yet. */
export interface ProposeAnswer {
  readonly turn: number;
  readonly number: number;
  readonly blocks: readonly PlanItem[];
  readonly shown: readonly ProposedBlock[];
  /** Seconds of the session. */
  readonly total: number;
  /** What everybody is to be fitted to. */
  readonly plan: FitPlan;
}

/** Proposals given for one question. */
const HOW_MANY = 3;

const library = createVariantCache();
let newest = 0;
/** Steps to a breath. */
const EACH = 8;

function shown({ look, why, blocks }: Proposal, { turn, setting, style }: ProposeQuestion, number: number): ProposeAnswer {
  return {
    turn,
    number,
    blocks,
    shown: look.reading.blocks.map(({ id, movement, block, from, to }, i) => ({
      id,
      name: taughtName(movement),
      rounds: block.rounds,
      from,
      to,
      steadiness: look.steadiness[i] ?? 0,
      rising: look.rising[i] ?? null,
      why: why[id] ?? [],
    })),
    total: look.reading.total,
    plan: fitPlanOf(look.reading, setting.fitPlace, style),
  };
}

/** Finds one proposal after another, each unlike those before it. */
async function answer(question: ProposeQuestion): Promise<void> {
  const { turn, people } = question;
  const circumstances = planContextOf(question.setting, question);
  const doers = people.map(({ measured, stature, caps }) => ({ build: buildOf(measured, stature), caps }));
  const proposals: Proposal[] = [];
  while (proposals.length < HOW_MANY) {
    const unlike = proposals.map(({ blocks }) => blocks.map(({ movementId }) => movementId));
    const proposal = await runInterruptible(
      proposeIncrementally({ ...question, circumstances, people: doers, library, unlike }),
      () => turn === newest,
      EACH,
    );
    if (!proposal) return;
    self.postMessage(shown(proposal, question, proposals.length));
    proposals.push(proposal);
  }
}

self.onmessage = (message: MessageEvent<ProposeQuestion>) => {
  newest = message.data.turn;
  void answer(message.data);
};
