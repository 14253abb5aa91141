import * as v from "valibot";

/** Years that a day can be in: what is planned, recorded or remembered of living people. */
const YEARS = { first: "1900", last: "2199" } as const;

/** Whether a text is an ISO calendar day that exists, in a year that people can mean. */
export const isDay = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) &&
  text.slice(0, YEARS.first.length) >= YEARS.first &&
  text.slice(0, YEARS.last.length) <= YEARS.last &&
  !Number.isNaN(Date.parse(text)) &&
  new Date(text).toISOString().startsWith(text);

/** An ISO calendar day in a form. @param message the sentence for anything else, and for an empty field */
export const calendarDay = (message: string) => v.pipe(v.string(message), v.check(isDay, message));
