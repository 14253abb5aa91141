import { addHours } from "date-fns";
import type { Knex } from "knex";
import type { Founding } from "../../forms/founding-form.ts";
import { insertOrganisation } from "./accounts.ts";
import { accountOf, type TakerProblem, takerOf } from "./taker.ts";
import { newToken, tokenHash } from "./token.ts";

/** Hours that a set-up link is good for; a server that starts anew makes another. */
export const SET_UP_HOURS = 24;

const isFounded = async (database: Knex): Promise<boolean> => (await database("organisations").first("id")) !== undefined;

/** Makes a link that founds the first organisation, once. @returns its token; null where an organisation is there already */
export async function newSetUpLink(database: Knex, now: Date): Promise<string | null> {
  if (await isFounded(database)) return null;
  const token = newToken();
  await database("set_up_links").insert({
    token_hash: tokenHash(token),
    created_at: now,
    expires_at: addHours(now, SET_UP_HOURS),
  });
  return token;
}

/** Whether a link still founds the first organisation. */
export async function isSetUpOpen(database: Knex, token: string, now: Date): Promise<boolean> {
  const link = await database("set_up_links")
    .where({ token_hash: tokenHash(token) })
    .where("expires_at", ">", now)
    .first("created_at");
  return link !== undefined && !(await isFounded(database));
}

/** Founds an organisation whose owner is a new account, or the one that the email has. */
async function insertFounded(database: Knex, founding: Founding, by: Parameters<typeof accountOf>[2], now: Date) {
  const accountId = await accountOf(database, founding, by, now);
  const organisation = { name: founding.organisation, timeZone: founding.timeZone };
  return insertOrganisation(database, organisation, { accountId, role: "owner" }, now);
}

const takerFor = (database: Knex, founding: Founding) =>
  takerOf(database, { ...founding, organisationName: founding.organisation }, "founding");

/**
 * Founds an organisation; who may is a matter of the caller.
 *
 * @returns its id, or what is wrong with the password
 */
export async function found(
  database: Knex,
  founding: Founding,
  now: Date,
): Promise<{ readonly organisationId: string } | TakerProblem> {
  const taker = await takerFor(database, founding);
  if (typeof taker === "string") return taker;
  return database.transaction(async (transaction) => ({
    organisationId: await insertFounded(transaction, founding, taker, now),
  }));
}

/**
 * Founds the first organisation by a set-up link. Links work until there is an organisation, also when two are used at the
 * same moment.
 */
export async function foundFirst(
  database: Knex,
  token: string,
  founding: Founding,
  now: Date,
): Promise<{ readonly organisationId: string } | TakerProblem | "gone"> {
  if (!(await isSetUpOpen(database, token, now))) return "gone";
  const taker = await takerFor(database, founding);
  if (typeof taker === "string") return taker;
  return database.transaction(async (transaction) => {
    await transaction.raw("lock table organisations in share row exclusive mode");
    if (!(await isSetUpOpen(transaction, token, now))) return "gone";
    await transaction("set_up_links").delete();
    return { organisationId: await insertFounded(transaction, founding, taker, now) };
  });
}
