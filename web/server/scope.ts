import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { Knex } from "knex";

export const ROLES = ["owner", "instructor"] as const;
export type Role = (typeof ROLES)[number];

/** Who is asking, for which organisation, and what time it is for them. Every repository takes one. */
export interface Scope {
  readonly database: Knex;
  readonly organisationId: string;
  readonly organisationName: string;
  readonly accountId: string;
  readonly accountName: string;
  readonly role: Role;
  readonly timeZone: string;
  /** The injected clock. */
  readonly now: () => Date;
}

/** Today in the organisation's time zone, as an ISO calendar day. */
export const today = (scope: Scope): string => format(new TZDate(scope.now(), scope.timeZone), "yyyy-MM-dd");

/** The same scope inside a transaction. */
export const within = (scope: Scope, transaction: Knex.Transaction): Scope => ({ ...scope, database: transaction });
