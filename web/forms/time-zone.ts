import * as v from "valibot";

function isTimeZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: name }).resolvedOptions().timeZone !== "";
  } catch {
    return false;
  }
}

/** A time zone by its IANA name, such as "Europe/Amsterdam". */
export const timeZone = v.pipe(
  v.string("Choose a time zone."),
  v.maxLength(60, "Choose a time zone from the list."),
  // An offset is no place: its clocks never change.
  v.check((name) => /^[A-Za-z]/.test(name) && isTimeZone(name), "Choose a time zone from the list."),
);
