import { FoundingForm } from "../forms/founding-form.ts";
import { parseForm } from "../forms/parse-form.ts";
import { EASY_TO_GUESS } from "../forms/password-form.ts";
import { found } from "./accounts/founding.ts";
import { now } from "./clock.ts";
import { database } from "./database.ts";
import { NoExport, readOrganisation } from "./files/read-organisation.ts";
import { migrate } from "./migrate.ts";

const PROBLEMS = {
  easy: EASY_TO_GUESS,
  wrong: "This email has an account, and this is not its password.",
  wait: "Too many attempts. Wait half a minute, then try again.",
} as const;

/**
 * Founds an organisation for whoever may start the server, with the same rules as the page does.
 *
 * @param answers the fields of the founding form by name, as they were typed
 * @param archive an export of an organisation to begin with, as a zip; null for none
 * @returns null, or what is wrong, a line each
 */
export async function foundFromTerminal(
  answers: Readonly<Record<string, string>>,
  archive: Uint8Array | null,
): Promise<string | null> {
  const submission = parseForm(new URLSearchParams(answers), { schema: FoundingForm });
  if (submission.status !== "success")
    return Object.values(submission.error ?? {})
      .flatMap((sentences) => sentences ?? [])
      .join("\n");
  await migrate(database());
  try {
    // All or nothing: a file that cannot be read leaves no empty organisation behind.
    return await database().transaction(async (transaction) => {
      const outcome = await found(transaction, submission.value, now());
      if (typeof outcome === "string") return PROBLEMS[outcome];
      if (archive !== null) await readOrganisation(transaction, outcome.organisationId, archive, now());
      return null;
    });
  } catch (error) {
    if (error instanceof NoExport) return error.message;
    throw error;
  } finally {
    await database().destroy();
  }
}
