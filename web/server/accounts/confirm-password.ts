import type { Scope } from "../scope.ts";
import { passwordMatches } from "./password.ts";
import { signInLimitsOf } from "./sign-in-limits.ts";

/** What a signed-in account's present password was found to be. */
export type Confirmed =
  | { readonly kind: "right"; readonly email: string; readonly name: string }
  | { readonly kind: "wrong" }
  /** Too many tries; after so many seconds the next is allowed. */
  | { readonly kind: "wait"; readonly seconds: number };

/**
 * Checks the present password of the signed-in account before something that cannot be taken back. Tries are counted as tries
 * to sign in are, so that an open tablet is no way to find it out.
 */
export async function confirmPassword({ database, accountId }: Scope, present: string): Promise<Confirmed> {
  const account = await database("accounts").where({ id: accountId }).first("email", "name", "password_hash");
  const { wait, forgive } = await signInLimitsOf(database).count([["pair", `${account.email} present password`]]);
  if (wait > 0) return { kind: "wait", seconds: wait };
  if (!(await passwordMatches(account.password_hash, present))) return { kind: "wrong" };
  await forgive();
  return { kind: "right", email: account.email, name: account.name };
}
