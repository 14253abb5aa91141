import { CLEAN_SESSIONS } from "@able-tide/core/caps/newcomers";
import * as v from "valibot";
import { MOST_PEOPLE_AT_A_TIME } from "./person-lines-form.ts";
import { releaseForm } from "./release-form.ts";

/** More sessions than anyone has led a group. */
const MOST_SESSIONS = 5000;

/** One row of the list: a participant who is ticked has everything else filled in. */
const rowOf = (today: string) => {
  const { stage, day } = releaseForm(today).entries;
  return v.pipe(
    v.object({
      personId: v.pipe(v.string(), v.uuid()),
      known: v.optional(v.boolean(), false),
      stage: v.optional(stage),
      day: v.optional(day),
      sessions: v.optional(
        v.pipe(
          v.number("Enter the number of sessions, such as 12."),
          v.integer("Enter a whole number of sessions."),
          v.minValue(0, "Enter a whole number of sessions."),
          v.maxValue(MOST_SESSIONS, `Enter ${MOST_SESSIONS} sessions or fewer.`),
        ),
      ),
      well: v.optional(v.boolean(), false),
    }),
    v.forward(
      v.check(({ known, stage: held }) => !known || held !== undefined, "Choose the highest stage held for 10 seconds."),
      ["stage"],
    ),
    v.forward(
      v.check(({ known, day: tested }) => !known || tested !== undefined, "Enter the date of the test."),
      ["day"],
    ),
    v.forward(
      v.check(
        ({ known, sessions }) => !known || (sessions ?? 0) >= CLEAN_SESSIONS,
        `Newcomer caps end after ${CLEAN_SESSIONS} sessions without incident at least. Enter how many you have led.`,
      ),
      ["sessions"],
    ),
    v.forward(
      v.check(
        ({ known, well }) => !known || well,
        "Tick this only if there was none. Otherwise remove the first tick: newcomer caps stay.",
      ),
      ["well"],
    ),
  );
};

/** A list of participants known from before, each ticked on their own. @param today nothing is tested in days to come */
export const knownPeopleForm = (today: string) =>
  v.object({ people: v.optional(v.pipe(v.array(rowOf(today)), v.maxLength(MOST_PEOPLE_AT_A_TIME)), []) });
export type KnownPeopleInput = v.InferInput<ReturnType<typeof knownPeopleForm>>;
