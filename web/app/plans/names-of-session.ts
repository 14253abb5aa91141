import { outOfWater } from "@able-tide/core/leading/in-water";
import { formatOutOfWater } from "@able-tide/words/versions";
import type { FittedPlan } from "../../server/plans/fitted-plan.ts";

/** The people of a session by name, for what is printed of it. */
export interface SessionNames {
  /** Of everyone in the group, by id. */
  readonly names: ReadonlyMap<string, string>;
  /** Of those who take part, by id: nothing of the movements is said of those who stay out of the water. */
  readonly takingPart: ReadonlyMap<string, string>;
  /** Who stays out of the water, in words; empty where no one does. */
  readonly notInWater: string;
}

/**
 * Who is spoken of in a session, and who stays out of the water.
 *
 * @param fitted the session as it is led
 */
export function namesOfSession({ people, sheet }: Pick<FittedPlan, "people" | "sheet">): SessionNames {
  const names = new Map(people.map(({ person }) => [person.id, person.name]));
  const ashore = outOfWater(sheet.items);
  return {
    names,
    takingPart: new Map([...names].filter(([id]) => !ashore.includes(id))),
    notInWater: formatOutOfWater(ashore, names),
  };
}
