import type { Knex } from "knex";
import { insertAccount } from "./accounts.ts";
import { hashPassword, passwordMatches } from "./password.ts";
import { isEasyToGuess } from "./password-strength.ts";
import { signInLimitsOf } from "./sign-in-limits.ts";

/** Who joins an organisation, and the password they give. */
interface Joining {
  /** In lower case. */
  readonly email: string;
  readonly name: string;
  readonly organisationName: string;
  /** The one chosen for a new account, or the present one of the account that the email has. */
  readonly password: string;
}

/** The account that someone joins with: a new one, or the one that the email has. */
export type Taker = { readonly accountId: string } | { readonly passwordHash: string };

/** Why someone cannot join: the chosen password is easy to guess, the present one is wrong, or there were too many tries. */
export type TakerProblem = "easy" | "wrong" | "wait";

/** Checks the password of someone who joins. @param tried what their tries are counted for */
export async function takerOf(database: Knex, joining: Joining, tried: string): Promise<Taker | TakerProblem> {
  const { email, name, organisationName, password } = joining;
  const account = await database("accounts").where({ email }).first("id", "password_hash");
  if (!account) {
    if (isEasyToGuess(password, [email, name, organisationName])) return "easy";
    return { passwordHash: await hashPassword(password) };
  }
  const { wait, forgive } = await signInLimitsOf(database).count([["pair", `${email} ${tried}`]]);
  if (wait > 0) return "wait";
  if (!(await passwordMatches(account.password_hash, password))) return "wrong";
  await forgive();
  return { accountId: account.id };
}

/** The id of the account that someone joins with, which is added where it is new. */
export const accountOf = async (
  database: Knex,
  joining: Pick<Joining, "email" | "name">,
  taker: Taker,
  now: Date,
): Promise<string> =>
  "accountId" in taker ? taker.accountId : insertAccount(database, { ...joining, passwordHash: taker.passwordHash }, now);
