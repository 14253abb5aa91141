const LANGUAGE = "en-GB";
const LONG_DAY = new Intl.DateTimeFormat(LANGUAGE, { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
const LONG_DAY_OF_YEAR = new Intl.DateTimeFormat(LANGUAGE, { day: "numeric", month: "long", timeZone: "UTC" });
const WEEKDAY = new Intl.DateTimeFormat(LANGUAGE, { weekday: "long", timeZone: "UTC" });
const LIST = new Intl.ListFormat(LANGUAGE, { type: "conjunction" });
const PLURAL = new Intl.PluralRules(LANGUAGE);

/** "Bela, Osei and Ruud". */
export const inAList = (words: readonly string[]): string => LIST.format(words);

/** "3 March 2026" of an ISO calendar day. */
export const formatDayMonthAndYear = (day: string): string => LONG_DAY.format(new Date(`${day}T00:00:00Z`));

/** "14 March" of an ISO calendar day. */
export const formatDayAndMonth = (day: string): string => LONG_DAY_OF_YEAR.format(new Date(`${day}T00:00:00Z`));

/** Name of an ISO weekday. @param weekday 1 to 7, Monday first @example weekdayName(3) // "Wednesday" */
export const weekdayName = (weekday: number): string => WEEKDAY.format(Date.UTC(2024, 0, weekday));

/** The weekdays from Monday on, with their ISO numbers. */
export const WEEKDAYS: readonly (readonly [weekday: number, name: string])[] = Array.from(
  { length: 7 },
  (_, i) => [i + 1, weekdayName(i + 1)] as const,
);

/** Gives a text a capital first letter, as labels and headings have. */
export const sentenceCase = (text: string): string => text.charAt(0).toLocaleUpperCase(LANGUAGE) + text.slice(1);

/** Gives a text a small first letter, for use within a sentence. */
export const lowerFirst = (text: string): string => text.charAt(0).toLocaleLowerCase(LANGUAGE) + text.slice(1);

/** A number with its noun. @example count(2, "check", "checks") // "2 checks" */
export const count = (number: number, one: string, many: string): string =>
  `${number} ${PLURAL.select(number) === "one" ? one : many}`;

/** "12:05" of a number of seconds. */
export function formatMinutes(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}
