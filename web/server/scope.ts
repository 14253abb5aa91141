import { TZDate } from "@date-fns/tz";
import { endOfDay as dateEnd, format } from "date-fns";
import type { Knex } from "knex";

/** What an account may do in an organisation. */
export type Role = "owner" | "instructor" | "helper" | "clinician";

/** Who is asking, for which organisation, and what time it is for them. Every repository takes one. */
export interface Scope {
  readonly database: Knex;
  readonly organisationId: string;
  readonly organisationName: string;
  readonly accountId: string;
  readonly accountName: string;
  /** The session that asks; null for what the server itself does. */
  readonly sessionId: string | null;
  readonly role: Role;
  readonly timeZone: string;
  /** The injected clock. */
  readonly now: () => Date;
}

/** Today in the organisation's time zone, as an ISO calendar day. */
export const today = (scope: Scope): string => format(new TZDate(scope.now(), scope.timeZone), "yyyy-MM-dd");

/** A time of day on a calendar day somewhere. A text alone would be read in this machine's own zone. */
export function momentIn(timeZone: string, day: string, hour: number, minute: number): TZDate {
  const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
  return new TZDate(year, month - 1, date, hour, minute, timeZone);
}

/** The last instant of a calendar day in the organisation's time zone, whatever the clocks do that day. */
export const endOfDay = (scope: Pick<Scope, "timeZone">, day: string): Date =>
  new Date(dateEnd(momentIn(scope.timeZone, day, 12, 0)).getTime());
