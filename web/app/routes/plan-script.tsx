import { itemAt } from "@able-tide/core/checked-access";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { planContextOf } from "@able-tide/core/schedule/plan-setting";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { LEAVE_SAFELY } from "@able-tide/words/closing-steps";
import { formatState, openingWords } from "@able-tide/words/schedule";
import { formatSeats } from "@able-tide/words/seats";
import { formatMinutes } from "@able-tide/words/text";
import { Printer } from "lucide-react";
import { findGroup } from "../../server/groups/groups.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { activeCaps } from "../../server/people/caps.ts";
import { listPeopleOfGroup } from "../../server/people/people.ts";
import { seatsForPeople } from "../../server/plans/fit-people.ts";
import { findPlan } from "../../server/plans/plans.ts";
import { settingsOf } from "../../server/plans/setting.ts";
import { formatDay } from "../days.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { dotted } from "../kit/dotted.ts";
import { movementFigureVersion } from "../movements/movement-figure.server.tsx";
import { columnsOf } from "../plans/board-columns.ts";
import { ScriptCard, ScriptRow } from "../plans/script-rows.tsx";
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
  const taught = movements.filter(({ id }) => used.has(id));
  const members = await listPeopleOfGroup(scope, group.id);
  const caps = await activeCaps(
    scope,
    members.map(({ id }) => id),
    plan.day,
  );
  const setting = settingOf(plan, group, new Map());
  const seated = seatsForPeople(members, caps, setting, plan);
  return {
    plan,
    group: group.name,
    place: group.place,
    setting,
    seats: formatSeats(members.map(({ name }, i) => ({ name, seat: seated[i]?.seat ?? null }))),
    movements: taught,
    figures: Object.fromEntries(taught.map((movement) => [movement.id, movementFigureVersion(movement)])),
    cards: new URL(request.url).searchParams.get("cards") === "yes",
  };
}

/** The plan laid out for teaching: on a page or two, or as cards for the poolside. */
export default function PlanScript({ loaderData }: Route.ComponentProps) {
  const { plan, group, place, setting, seats, movements, figures, cards } = loaderData;
  const reading = schedulePlan(withMovements(plan.blocks, movements), planContextOf(setting, plan));
  const passes = columnsOf(reading.blocks).map(({ items }) => items.map((i) => itemAt(reading.blocks, i)));
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
      {seats && <p className="mb-2">{seats}</p>}
      {cards ? (
        <ol className="flex flex-col gap-4">
          {passes.map((blocks, i) => (
            <ScriptCard key={itemAt(blocks, 0).id} blocks={blocks} figures={figures} number={i + 1} of={passes.length} />
          ))}
        </ol>
      ) : (
        <>
          <p className="mb-2">
            {openingWords(plan.style, standing).join(" ")} If you lose your place, wait {formatState(reading.home)}, then rejoin.
          </p>
          <ol className="text-[0.9rem] leading-snug">
            {passes.map((blocks) => (
              <ScriptRow key={itemAt(blocks, 0).id} blocks={blocks} figures={figures} style={plan.style} />
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
