import { itemAt } from "../checked-access.ts";
import type { FitPlan } from "./fit-plan.ts";
import { type CellOption, RESOURCES, type ResourceUse } from "./options.ts";
import type { SessionSelection } from "./session.ts";

/** How much of each kind of equipment and help there is. */
export type Counts = {
  -readonly [What in keyof ResourceUse]: number;
};

export const noResourcesUsed = (): Counts => ({ rail: 0, helpers: 0, chairs: 0 });

/** Equipment and help in use in each block. */
export class Room {
  private readonly places: ResourceUse;
  private readonly taken: Counts[];

  constructor({ resources, blocks }: FitPlan) {
    this.places = { rail: resources.rail, helpers: resources.helpers, chairs: resources.chairs };
    this.taken = blocks.map(noResourcesUsed);
  }

  hasFor(block: number, { takes }: CellOption): boolean {
    const taken = itemAt(this.taken, block);
    return RESOURCES.every((what) => takes[what] === 0 || taken[what] + takes[what] <= this.places[what]);
  }

  private add({ chosen }: SessionSelection, times: 1 | -1): void {
    chosen.forEach(({ takes }, block) => {
      const taken = itemAt(this.taken, block);
      for (const what of RESOURCES) taken[what] += times * takes[what];
    });
  }

  enter(selection: SessionSelection): void {
    this.add(selection, 1);
  }

  leave(selection: SessionSelection): void {
    this.add(selection, -1);
  }

  /** How many more are taken than there are, by block. */
  over(block: number, what: (typeof RESOURCES)[number]): number {
    return itemAt(this.taken, block)[what] - this.places[what];
  }

  isOver(): boolean {
    return this.taken.some((_, block) => RESOURCES.some((what) => this.over(block, what) > 0));
  }

  get capacity(): ResourceUse {
    return this.places;
  }
}
