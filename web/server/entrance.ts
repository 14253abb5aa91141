import { createContext } from "react-router";
import type { Founding } from "../forms/founding-form.ts";
import { found, foundFirst, isSetUpOpen } from "./accounts/founding.ts";
import { openInvitation, redeemInvitation } from "./accounts/invitations.ts";
import { askForReset, openReset, resetPassword } from "./accounts/password-reset.ts";
import { scopeOfToken, signOut } from "./accounts/sessions.ts";
import { signIn } from "./accounts/sign-in.ts";
import { now } from "./clock.ts";
import { database } from "./database.ts";
import { INSTALLATION } from "./installation.ts";
import { calendarBehind } from "./plans/calendar.ts";

/*
 * All that may be asked for by someone who is not signed in. Each goes by something that only the right person has: a password,
 * a sign-in token, a set-up link, an invitation or a calendar address. Everything else needs a scope.
 */

/** The network address a request came from, for limiting tries to sign in. */
export const addressContext = createContext<string>("unknown");

/** @throws if the database does not answer */
export async function answers(): Promise<void> {
  await database().raw("select 1");
}

export const enter = (credentials: Parameters<typeof signIn>[1]) => signIn(database(), credentials, now());

export const leave = (token: string) => signOut(database(), token);

/** Who is signed in with a token; null where no one is. */
export const scopeBehind = (token: string) => scopeOfToken(database(), token, now);

/** The invitation behind a link; null where it has expired or was used. */
export const invitationBehind = (token: string) => openInvitation(database(), token, now());

export const acceptInvitation = (token: string, password: string) => redeemInvitation(database(), token, password, now());

/** Writes to someone who forgot their password. @returns seconds to wait after too many requests, 0 otherwise */
export const forgotten = (asked: Parameters<typeof askForReset>[1], linkOf: (token: string) => string) =>
  askForReset(database(), asked, linkOf, now());

/** Whose password a link is for; null where it has expired or was used. */
export const resetBehind = (token: string) => openReset(database(), token, now());

export const chooseNewPassword = (token: string, chosen: string) => resetPassword(database(), token, chosen, now());

/**
 * Whether an organisation can be founded: by a set-up link while there is none, and by anyone where the installation says so.
 *
 * @param token the link's; null where there is none
 */
export const mayFound = async (token: string | null): Promise<boolean> =>
  token === null ? INSTALLATION.openFounding : isSetUpOpen(database(), token, now());

/** Founds an organisation for whoever may. */
export async function foundBy(token: string | null, founding: Founding): ReturnType<typeof foundFirst> {
  if (token !== null) return foundFirst(database(), token, founding, now());
  return INSTALLATION.openFounding ? found(database(), founding, now()) : "gone";
}

/** The calendar file behind an address; null where the address was revoked. */
export const calendarFileBehind = (token: string) => calendarBehind(database(), token, now);
