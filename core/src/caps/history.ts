import { type Cap, isActiveOn } from "./cap.ts";

/** When a cap was recorded, by whom, and when and why it ended. Instants are ISO, in UTC. */
export interface CapRecord extends Cap {
  readonly setAt: string;
  readonly setBy: string;
  readonly ended: { readonly at: string; readonly by: string; readonly because: string } | null;
}

/** Something that was done to a person's caps. */
export type CapChange =
  | { readonly kind: "set"; readonly at: string; readonly cap: Omit<CapRecord, "ended"> }
  | { readonly kind: "ended"; readonly at: string; readonly capId: string; readonly by: string; readonly because: string };

/** The changes that records tell of, in the order they happened. */
export const changesOf = (records: readonly CapRecord[]): CapChange[] =>
  records
    .flatMap((record): CapChange[] => {
      const { ended, ...cap } = record;
      const set: CapChange = { kind: "set", at: cap.setAt, cap };
      return ended === null ? [set] : [set, { kind: "ended", capId: cap.id, ...ended }];
    })
    .toSorted((a, b) => (a.at === b.at ? (a.kind === b.kind ? 0 : a.kind === "set" ? -1 : 1) : a.at < b.at ? -1 : 1));

/**
 * The caps that held at an instant, as they were known then.
 *
 * @param at ISO instant
 * @param day the calendar day of that instant where the people are
 */
export const capsAt = (records: readonly CapRecord[], at: string, day: string): CapRecord[] =>
  records.filter((record) => record.setAt <= at && (record.ended === null || record.ended.at > at) && isActiveOn(record, day));
