import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";

/** A class's script as a helper may see it: every variant and its caps, no reasons. */
export const scriptForHelper = (script: ClassScript): ClassScript => ({
  ...script,
  people: script.people.map((person) => ({
    ...person,
    cells: person.cells.map((cell) => ({ ...cell, why: cell.why.map(({ limit }) => ({ limit, reason: null })) })),
  })),
});

/** What happened in class without what people answered when they arrived. */
export const eventsForHelper = (events: readonly ClassEvent[]): ClassEvent[] => events.filter(({ kind }) => kind !== "checkedIn");
