import { itemAt } from "@able-tide/core/checked-access";
import { hasLandVariant, hasWaterVariant } from "@able-tide/core/movement/format";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import type { Seated } from "@able-tide/core/setup/seating";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";
import { onSeat } from "@able-tide/words/seats";
import { classOfPlan } from "../../server/classes/classes.ts";
import { heldBefore } from "../../server/classes/held.ts";
import { findGroup } from "../../server/groups/groups.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { type ActiveCap, activeCaps } from "../../server/people/caps.ts";
import { listPeopleOfGroup } from "../../server/people/people.ts";
import { listCombinations } from "../../server/plans/combinations.ts";
import { groupToFit } from "../../server/plans/fitted-plan.ts";
import { contentOf, findPlan } from "../../server/plans/plans.ts";
import { listStyles } from "../../server/plans/styles.ts";
import { isId } from "../ids.ts";
import { PlanBoard } from "../plans/board.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-board";

/** Milliseconds that the fit in the browser is given before the server begins its own. */
const BROWSER_FIRST = 8000;

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group.name ?? "Plan"} · Able Tide` }];

/** What someone sits on, where it is no usual chair, or that the place has nothing for them to sit on. */
function seatBrief(seated: Seated | undefined): string {
  if (seated?.problem) return "no suitable seat here";
  return seated?.seat ? onSeat(seated.seat.seat) : "";
}

/** The first of a person's own caps in two or three words; the usual limits go without saying. */
function briefOf(caps: readonly ActiveCap[]): string {
  const [first] = caps.filter(({ usual }) => !usual);
  return first ? formatCapLimitBriefly(first.limit) : "";
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  const group = plan && (await findGroup(scope, plan.groupId));
  if (!plan || !group) throw notFound();
  const [members, movements, taught, held] = await Promise.all([
    listPeopleOfGroup(scope, group.id),
    listMovements(scope),
    classOfPlan(scope, plan.id),
    heldBefore(scope, group.id, plan.day),
  ]);
  const caps = await activeCaps(
    scope,
    members.map((person) => person.id),
    plan.day,
  );
  const [{ fits: people, seated, setting, sheet }, styles, combinations] = await Promise.all([
    groupToFit(scope, plan, group, members, caps),
    listStyles(scope),
    listCombinations(scope),
  ]);
  const known = await sheet.known();
  if (known === null && taught === null && plan.blocks.length > 0)
    // Worked out so that it is ready when the class is, once the browser has had its turn.
    setTimeout(() => void sheet.get().catch(() => undefined), BROWSER_FIRST).unref();
  const planned = movementIdsOf(plan.blocks);
  return {
    plan: { id: plan.id, day: plan.day, revision: plan.revision },
    content: contentOf(plan),
    setting,
    held,
    styles: styles.map(({ style }) => style),
    combinations: combinations.map(({ combination }) => combination),
    group: { name: group.name, place: group.place, minutes: group.minutes, startsAt: group.startsAt },
    people: members.map(({ name }, i) => {
      const person = itemAt(people, i);
      return { ...person, name, brief: [seatBrief(seated[i]), briefOf(caps.get(person.id) ?? [])].filter(Boolean).join("; ") };
    }),
    // What was worked out before is there at once; anything else the browser works out.
    known,
    // A movement without a variant for the hall cannot be planned there; the same for the pool. One that is archived stays
    // where it is planned.
    movements: movements
      .filter(({ movement, archived }) => !archived || planned.has(movement.id))
      .map(({ movement }) => movement)
      .filter(group.inWater ? hasWaterVariant : hasLandVariant),
    taught: taught && { id: taught.id, ended: taught.endedAt !== null },
  };
}

export default function PlanBoardPage({ loaderData }: Route.ComponentProps) {
  return <PlanBoard key={loaderData.plan.id} {...loaderData} />;
}
