import type { Scope } from "../scope.ts";
import { type Confirmed, confirmPassword } from "./confirm-password.ts";
import { hashPassword } from "./password.ts";
import { isEasyToGuess } from "./password-strength.ts";
import { endOtherSessions } from "./sessions.ts";

export type ChangeOfPassword =
  | { readonly kind: "changed"; readonly signedOut: number }
  | { readonly kind: "easy" }
  | Exclude<Confirmed, { readonly kind: "right" }>;

/** Changes the signed-in account's password and ends its sessions elsewhere. */
export async function changePassword(
  scope: Scope,
  { present, chosen }: { readonly present: string; readonly chosen: string },
): Promise<ChangeOfPassword> {
  const confirmed = await confirmPassword(scope, present);
  if (confirmed.kind !== "right") return confirmed;
  if (isEasyToGuess(chosen, [confirmed.email, confirmed.name, scope.organisationName])) return { kind: "easy" };
  const passwordHash = await hashPassword(chosen);
  await scope.database("accounts").where({ id: scope.accountId }).update({ password_hash: passwordHash });
  return { kind: "changed", signedOut: await endOtherSessions(scope) };
}
