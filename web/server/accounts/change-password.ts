import type { Scope } from "../scope.ts";
import { hashPassword, passwordMatches } from "./password.ts";
import { isEasyToGuess } from "./password-strength.ts";
import { endOtherSessions } from "./sessions.ts";
import { signInLimitsOf } from "./sign-in-limits.ts";

export type ChangeOfPassword =
  | { readonly kind: "changed"; readonly signedOut: number }
  | { readonly kind: "wrong" | "easy" }
  | { readonly kind: "wait"; readonly seconds: number };

/**
 * Changes the signed-in account's password and ends its sessions elsewhere. Tries of the present password are counted as
 * tries to sign in are, so that an open tablet is no way to find it out.
 */
export async function changePassword(
  scope: Scope,
  { present, chosen }: { readonly present: string; readonly chosen: string },
): Promise<ChangeOfPassword> {
  const { database, accountId, organisationName } = scope;
  const account = await database("accounts").where({ id: accountId }).first("email", "name", "password_hash");
  const { wait, forgive } = await signInLimitsOf(database).count([["pair", `${account.email} change of password`]]);
  if (wait > 0) return { kind: "wait", seconds: wait };
  if (!(await passwordMatches(account.password_hash, present))) return { kind: "wrong" };
  await forgive();
  if (isEasyToGuess(chosen, [account.email, account.name, organisationName])) return { kind: "easy" };
  const passwordHash = await hashPassword(chosen);
  await database("accounts").where({ id: accountId }).update({ password_hash: passwordHash });
  return { kind: "changed", signedOut: await endOtherSessions(scope) };
}
