import { itemAt } from "@able-tide/core/checked-access";
import { endsInWater } from "@able-tide/core/leading/in-water";
import { leaveSafely } from "@able-tide/words/closing-steps";
import { formatState, openingWords } from "@able-tide/words/schedule";
import { formatSeats } from "@able-tide/words/seats";
import { formatOutOfSight, formatStation } from "@able-tide/words/stations";
import { formatMinutes } from "@able-tide/words/text";
import { formatChange, formatVersions } from "@able-tide/words/versions";
import { Printer } from "lucide-react";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { sessionStations } from "../../server/plans/stations.ts";
import { formatDay } from "../days.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { dotted } from "../kit/dotted.ts";
import { movementFigureVersion } from "../movements/movement-figure.server.tsx";
import { columnsOf } from "../plans/board-columns.ts";
import { FitPage } from "../plans/fit-page.tsx";
import { namesOfSession } from "../plans/names-of-session.ts";
import { type LedBlock, ScriptCard, ScriptRow } from "../plans/script-rows.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-script";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group ?? "Plan"}, script · Able Tide` }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) ? await findFittedPlan(scope, params.planId) : null;
  if (!fitted) throw notFound();
  const { plan, group, reading, sheet, people } = fitted;
  const { names, takingPart, notInWater } = namesOfSession(fitted);
  const { total, leaveSafely: leaving, home } = reading;
  const { stations, there } = await sessionStations(scope, fitted);
  const standAt = (item: number): string[] => {
    const station = stations.find(({ from }) => from === item);
    if (station === undefined || fitted.setting.floor === null) return [];
    return [formatStation(fitted.setting.floor, station, there), ...formatOutOfSight(station, there)];
  };
  return {
    plan: { id: plan.id, day: plan.day, style: plan.style, breathSeconds: plan.breathSeconds },
    group: group.name,
    place: group.place,
    seats: formatSeats(people.map(({ person: { name }, seated: { seat } }) => ({ name, seat }))),
    notInWater,
    inWater: endsInWater(sheet.items),
    reading: { total, leaving, home },
    blocks: reading.blocks.map((block, i): LedBlock => {
      const led = itemAt(sheet.items, i);
      return {
        ...block,
        led,
        versions: formatVersions(led, takingPart),
        change: led.change ? formatChange(led.change, names) : "",
        stand: standAt(i),
      };
    }),
    figures: Object.fromEntries(reading.blocks.map(({ movement }) => [movement.id, movementFigureVersion(movement)])),
    cards: new URL(request.url).searchParams.get("cards") === "yes",
  };
}

/** Cards are as large as they are: there may be as many pages of them as there are movements. */
const MANY_PAGES = 60;

/** The plan laid out for teaching: on a page or two, or as cards for the poolside. */
export default function PlanScript({ loaderData }: Route.ComponentProps) {
  const { plan, group, place, seats, notInWater, inWater, reading, blocks: led, figures, cards } = loaderData;
  const passes = columnsOf(led).map(({ items }) => items.map((i) => itemAt(led, i)));
  const standing = led.some(({ plannedVariant }) => plannedVariant.kind !== "seated");
  return (
    <main className="mx-auto max-w-[210mm] px-6 py-5 print:m-0 print:max-w-none print:p-0">
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
      <FitPage large={false} pages={cards ? MANY_PAGES : 3}>
        <h1 className="text-[1.5em]">
          {group}, {formatDay(plan.day)}
        </h1>
        <p className="mb-[0.3em]">
          {dotted(`${formatMinutes(reading.total)} min`, place, `${plan.style.name}, ${plan.breathSeconds} s a breath`)}
          {plan.style.showing === "mirror"
            ? " · demonstrated as a mirror: use your left for the group's right"
            : " · demonstrated with your back to the group"}
        </p>
        {seats && <p className="mb-2">{seats}</p>}
        {notInWater && <p className="mb-[0.3em]">{notInWater}</p>}
        {cards ? (
          <ol className="flex flex-col gap-4">
            {passes.map((blocks, i) => (
              <ScriptCard key={itemAt(blocks, 0).id} blocks={blocks} figures={figures} number={i + 1} of={passes.length} />
            ))}
          </ol>
        ) : (
          <>
            <p className="mb-2">
              {openingWords(plan.style, standing).join(" ")} If you lose your place, wait {formatState(reading.home)}, then
              rejoin.
            </p>
            <ol>
              {passes.map((blocks) => (
                <ScriptRow key={itemAt(blocks, 0).id} blocks={blocks} figures={figures} style={plan.style} />
              ))}
            </ol>
            <p className="mt-2 break-inside-avoid border-t-2 border-tide-800 pt-1">
              <strong>{formatMinutes(reading.total - reading.leaving)} Leave safely.</strong> {leaveSafely(inWater).join(" ")}
            </p>
          </>
        )}
        <Disclaimer className="mt-[0.5em] text-[0.85em] text-sand-600" />
      </FitPage>
    </main>
  );
}
