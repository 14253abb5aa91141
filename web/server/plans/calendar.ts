import { addDays } from "@able-tide/core/calendar";
import { TZDate } from "@date-fns/tz";
import { addMinutes, format } from "date-fns";
import ical, { ICalCalendarMethod } from "ical-generator";
import type { Knex } from "knex";
import { newToken, tokenHash } from "../accounts/token.ts";
import { type Group, listGroups } from "../groups/groups.ts";
import { momentIn, type Scope } from "../scope.ts";
import { listPlans } from "./plans.ts";
import { listSeries } from "./series.ts";
import { type Session, sessionsFrom } from "./sessions.ts";

/** How far back a calendar goes, and how many plans it looks through. */
const BACK_DAYS = 90;
const MOST_PLANS = 1000;

const hashOf = (token: string): string => tokenHash(token).toString("hex");

/**
 * Makes a new address for the signed-in user; one made before stops working.
 *
 * @returns its token; only a hash is kept
 */
export async function makeCalendarAddress(scope: Scope): Promise<string> {
  const token = newToken();
  await revokeCalendarAddress(scope);
  await scope.database("calendar_addresses").insert({
    organisation_id: scope.organisationId,
    account_id: scope.accountId,
    token_hash: hashOf(token),
    made_at: scope.now(),
  });
  return token;
}

const ownAddress = (scope: Scope) =>
  scope
    .database("calendar_addresses")
    .where({ organisation_id: scope.organisationId, account_id: scope.accountId })
    .whereNull("revoked_at");

/** Since when the signed-in user has an address, ISO instant; null without one. */
export async function calendarAddressSince(scope: Scope): Promise<string | null> {
  const row = await ownAddress(scope).first<{ made_at: Date }>("made_at");
  return row?.made_at.toISOString() ?? null;
}

export async function revokeCalendarAddress(scope: Scope): Promise<void> {
  await ownAddress(scope).update({ revoked_at: scope.now() });
}

/**
 * The sessions of a calendar as iCalendar (RFC 5545). Times are written in UTC, so that no reader has to know our zone.
 */
export function calendarText(
  { organisationName, timeZone }: Pick<Scope, "organisationName" | "timeZone">,
  sessions: readonly Session[],
  groups: readonly Group[],
): string {
  const calendar = ical({ name: organisationName, method: ICalCalendarMethod.PUBLISH, prodId: "//Able Tide//Sessions//EN" });
  for (const { groupId, day, planId } of sessions) {
    const group = groups.find(({ id }) => id === groupId);
    if (!group) continue;
    const [hour = 0, minute = 0] = group.startsAt.split(":").map(Number);
    const start = new Date(momentIn(timeZone, day, hour, minute).getTime());
    calendar.createEvent({
      id: `${groupId}-${day}@able-tide`,
      start,
      end: addMinutes(start, group.minutes),
      summary: group.name,
      location: group.place,
      description: planId === null ? "No plan yet." : "Planned.",
    });
  }
  return calendar.toString();
}

/**
 * The calendar behind an address.
 *
 * @returns null where the address is not good, or no longer
 */
export async function calendarBehind(database: Knex, token: string, now: () => Date): Promise<string | null> {
  const row = await database("calendar_addresses")
    .join("organisations", "organisations.id", "calendar_addresses.organisation_id")
    // Someone who has left the organisation can read nothing.
    .join("active_memberships as memberships", function join() {
      this.on("memberships.organisation_id", "calendar_addresses.organisation_id").andOn(
        "memberships.account_id",
        "calendar_addresses.account_id",
      );
    })
    .where({ token_hash: hashOf(token) })
    .whereNull("revoked_at")
    .first<{ organisation_id: string; name: string; time_zone: string; role: Scope["role"]; account_id: string }>(
      "calendar_addresses.organisation_id",
      "calendar_addresses.account_id",
      "organisations.name",
      "organisations.time_zone",
      "memberships.role",
    );
  if (!row) return null;
  const scope: Scope = {
    database,
    organisationId: row.organisation_id,
    organisationName: row.name,
    accountId: row.account_id,
    accountName: "",
    sessionId: null,
    role: row.role,
    timeZone: row.time_zone,
    now,
  };
  return calendarOf(scope);
}

/** The calendar of an organisation, from some weeks ago on. */
export async function calendarOf(scope: Scope): Promise<string> {
  const today = format(new TZDate(scope.now(), scope.timeZone), "yyyy-MM-dd");
  const from = addDays(today, -BACK_DAYS);
  const [groups, series, plans] = await Promise.all([
    listGroups(scope),
    listSeries(scope),
    listPlans(scope, { from }, MOST_PLANS),
  ]);
  return calendarText(scope, sessionsFrom(from, groups, series, plans), groups);
}
