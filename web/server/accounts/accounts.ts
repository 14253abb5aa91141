import { randomUUID } from "node:crypto";
import type { Knex } from "knex";
import type { Role, Scope } from "../scope.ts";
import { hashPassword } from "./password.ts";

export interface NewOrganisation {
  readonly name: string;
  readonly timeZone: string;
  readonly account: { readonly email: string; readonly name: string; readonly password: string; readonly role: Role };
}

/** Founds an organisation with its first account. Returns the scope of that account. */
export async function foundOrganisation(database: Knex, founding: NewOrganisation, now: () => Date): Promise<Scope> {
  const organisationId = randomUUID();
  const accountId = randomUUID();
  const { account } = founding;
  const passwordHash = await hashPassword(account.password);
  await database.transaction(async (transaction) => {
    await transaction("organisations").insert({
      id: organisationId,
      name: founding.name,
      time_zone: founding.timeZone,
      created_at: now(),
    });
    await transaction("accounts").insert({
      id: accountId,
      email: account.email.toLowerCase(),
      name: account.name,
      password_hash: passwordHash,
      created_at: now(),
    });
    await transaction("memberships").insert({
      organisation_id: organisationId,
      account_id: accountId,
      role: account.role,
      created_at: now(),
    });
  });
  return {
    database,
    organisationId,
    organisationName: founding.name,
    accountId,
    accountName: account.name,
    role: account.role,
    timeZone: founding.timeZone,
    now,
  };
}
