import { hasLandVariant, hasWaterVariant } from "@able-tide/core/movement/format";
import { EMPTY_PLAN } from "@able-tide/core/plan/plan";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { fitting } from "../fitting/fitting.ts";
import type { Group } from "../groups/groups.ts";
import { listOfferedMovements } from "../movements/movements.ts";
import { activeCaps } from "../people/caps.ts";
import { listPeopleOfGroup } from "../people/people.ts";
import type { Scope } from "../scope.ts";
import { withDrag } from "./drag.ts";
import { fitPeopleOf } from "./fit-people.ts";
import type { PlanInput } from "./plans.ts";
import { settingsOf } from "./setting.ts";

/** How many movements of a drafted plan are new to the group; in its first one, all are. */
const NEW_MOVEMENTS = 2;

/** Drafts a plan for a group and a day in a usual style: of three drafts, the one that participants match best. */
export async function draftFor(scope: Scope, group: Group, day: string): Promise<PlanInput> {
  const people = await listPeopleOfGroup(scope, group.id);
  const ids = people.map(({ id }) => id);
  const [caps, settingOf, library] = await Promise.all([
    activeCaps(scope, ids, day),
    settingsOf(scope, [group.id]),
    listOfferedMovements(scope),
  ]);
  const movements = library.filter(group.inWater ? hasWaterVariant : hasLandVariant);
  const plain = settingOf({ day }, group, caps);
  const { fits } = fitPeopleOf(people, caps, plain, EMPTY_PLAN);
  const { style, breathSeconds, purpose } = EMPTY_PLAN;
  const setting = withDrag(plain, fits, movements, style);
  const runner = fitting();
  const options = { priority: PRIORITY.draft };
  const time = { minutes: group.minutes, changing: 0 };
  const asked = { movements, setting, style, breathSeconds, purpose, time, posture: "any", people: fits } as const;
  const news = Object.keys(setting.taught).length === 0 ? null : NEW_MOVEMENTS;
  const exact = await runner.run("drafts", { ...asked, news }, options);
  // A plan with other than two new movements is a better beginning than none.
  const { drafts } = exact.drafts.length > 0 ? exact : await runner.run("drafts", { ...asked, news: null }, options);
  const matches = await Promise.all(
    drafts.map(async ({ blocks, plan, timing }) => {
      if (fits.length === 0) return { blocks, match: 0 };
      const { rows } = await runner.run("fit", { plan, people: fits, timing, fitId: null }, options);
      return { blocks, match: [...rows.values()].reduce((sum, { fidelity }) => sum + fidelity, 0) };
    }),
  );
  const [best] = matches.toSorted((a, b) => b.match - a.match);
  return { style, breathSeconds, purpose, blocks: best?.blocks ?? [] };
}
