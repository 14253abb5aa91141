import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { CombinedPart } from "@able-tide/core/schedule/combined-items";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { planContextOf } from "@able-tide/core/schedule/plan-setting";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { LEAVE_SAFELY } from "@able-tide/words/closing-steps";
import { formatScriptPart } from "@able-tide/words/combination";
import { cuesOf } from "@able-tide/words/cues";
import { COUNT_ALOUD, formatRepetitions } from "@able-tide/words/repetitions";
import { formatHazard, formatState, formatTransitionStep, openingWords } from "@able-tide/words/schedule";
import { formatMinutes } from "@able-tide/words/text";
import { variantWords } from "@able-tide/words/variant-words";
import { Printer } from "lucide-react";
import { findGroup } from "../../server/groups/groups.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { findPlan } from "../../server/plans/plans.ts";
import { settingsOf } from "../../server/plans/setting.ts";
import { formatDay } from "../days.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { dotted } from "../kit/dotted.ts";
import { KeyFigures } from "../plans/key-figures.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-script";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group ?? "Plan"}, script · Able Tide` }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  const group = plan && (await findGroup(scope, plan.groupId));
  if (!plan || !group) throw notFound();
  const settingOf = await settingsOf(scope, [group.id]);
  const movements = (await listMovements(scope)).map(({ movement }) => movement);
  const used = movementIdsOf(plan.blocks);
  return {
    plan,
    group: group.name,
    place: group.place,
    setting: settingOf(plan, group, new Map()),
    movements: movements.filter(({ id }) => used.has(id)),
    cards: new URL(request.url).searchParams.get("cards") === "yes",
  };
}

/** Where a pass of a combination begins, and what is said before it. */
function PassHead({ part }: { part: CombinedPart }) {
  const { combination, pass, passNumber } = part;
  const words = { combination: combination.name, pass, number: passNumber + 1, of: combination.passes.length };
  return (
    <li className="break-after-avoid border-t-2 border-tide-600 py-1 font-semibold">
      {formatScriptPart(words)}
      {pass.say && <span className="font-normal"> “{pass.say}”</span>}
    </li>
  );
}

function Row({ block, style }: { block: ScheduledItem; style: TeachingStyle }) {
  const { opening, phrases, watch } = cuesOf(block, style);
  const { part, transition, sideChange } = block;
  const hazards = [...new Set([...transition.hazards, ...(sideChange?.hazards ?? [])])];
  return (
    <>
      {part?.begins && <PassHead part={part} />}
      <li className="script-row grid break-inside-avoid grid-cols-[3.5rem_9rem_1fr] gap-x-3 border-t border-sand-300 py-1.5">
        <span className="text-right font-bold">{formatMinutes(block.from)}</span>
        <KeyFigures movement={block.movement} planned={block.plannedVariant} lead={block.turns[0]?.lead ?? "right"} />
        <div>
          <p>
            <strong>{variantWords(block.movement, block.plannedVariant).name}</strong> ·{" "}
            {formatRepetitions(block.movement, block.turns, block.timedHold)}
            {block.familiarity === "new" && " · new today"}
            {block.part === null && block.block.combination && ` · ${block.block.combination}`}
            {block.block.straight && " · no pause"}
          </p>
          {transition.steps.length > 0 && (
            <p className="text-sand-600">First {transition.steps.map(formatTransitionStep).join(", ")}.</p>
          )}
          {hazards.map((hazard) => (
            <p key={hazard} className="font-semibold">
              Helper: {formatHazard(hazard)}.
            </p>
          ))}
          {opening.length > 0 && <p>{opening.join(" ")}</p>}
          {block.timedHold && <p className="font-semibold">{COUNT_ALOUD}</p>}
          {phrases.length > 0 && <p className="italic">{phrases.join(" · ")}</p>}
          {watch && <p className="text-sand-600">Watch: {watch}</p>}
        </div>
      </li>
    </>
  );
}

/** One movement a card, large enough to read from a metre with wet hands. */
function Card({ block, number, of }: { block: ScheduledItem; number: number; of: number }) {
  return (
    <li className="script-card flex break-inside-avoid flex-col gap-2 rounded-soft border-2 border-tide-800 p-6">
      <p className="flex justify-between text-2xl text-sand-600">
        <span>
          {number} of {of}
        </span>
        <span>{formatMinutes(block.from)}</span>
      </p>
      <p className="font-display text-5xl font-bold">{variantWords(block.movement, block.plannedVariant).name}</p>
      <p className="text-4xl">{formatRepetitions(block.movement, block.turns, block.timedHold)}</p>
      <p className="text-2xl">{variantWords(block.movement, block.plannedVariant).cues.do}</p>
      <KeyFigures movement={block.movement} planned={block.plannedVariant} lead={block.turns[0]?.lead ?? "right"} large />
    </li>
  );
}

/** The plan laid out for teaching: on a page or two, or as cards for the poolside. */
export default function PlanScript({ loaderData }: Route.ComponentProps) {
  const { plan, group, place, setting, movements, cards } = loaderData;
  const reading = schedulePlan(withMovements(plan.blocks, movements), planContextOf(setting, plan));
  const standing = reading.blocks.some(({ plannedVariant }) => plannedVariant.kind !== "seated");
  return (
    <main className="mx-auto max-w-[210mm] px-6 py-5 print:p-0">
      <div className="mb-4 flex flex-wrap gap-3 print:hidden">
        <Button type="button" onClick={() => window.print()}>
          <Printer size={18} aria-hidden="true" /> Print
        </Button>
        <ButtonLink look="plain" to={cards ? "?" : "?cards=yes"}>
          {cards ? "Session script" : "Large cards"}
        </ButtonLink>
        <ButtonLink look="plain" to={`/plans/${plan.id}`}>
          Back to the plan
        </ButtonLink>
      </div>
      <h1 className="text-2xl">
        {group}, {formatDay(plan.day)}
      </h1>
      <p className="mb-2">
        {dotted(`${formatMinutes(reading.total)} min`, place, `${plan.style.name}, ${plan.breathSeconds} s a breath`)}
        {plan.style.showing === "mirror"
          ? " · demonstrated as a mirror: use your left for the group's right"
          : " · demonstrated with your back to the group"}
      </p>
      {cards ? (
        <ol className="flex flex-col gap-4">
          {reading.blocks.map((block, i) => (
            <Card key={block.id} block={block} number={i + 1} of={reading.blocks.length} />
          ))}
        </ol>
      ) : (
        <>
          <p className="mb-2">
            {openingWords(plan.style, standing).join(" ")} If you lose your place, wait {formatState(reading.home)}, then rejoin.
          </p>
          <ol className="text-[0.9rem] leading-snug">
            {reading.blocks.map((block) => (
              <Row key={block.id} block={block} style={plan.style} />
            ))}
          </ol>
          <p className="mt-2 break-inside-avoid border-t-2 border-tide-800 pt-1">
            <strong>{formatMinutes(reading.total - reading.leaveSafely)} Leave safely.</strong> {LEAVE_SAFELY.join(" ")}
          </p>
        </>
      )}
      <Disclaimer className="mt-3 text-sand-600" />
    </main>
  );
}
