/** ISO calendar days, as "2026-03-14", without a time zone: which day it is somewhere is the caller's to know. */

const DAY = 86_400_000;

const instantOf = (day: string): number => Date.parse(`${day}T00:00:00Z`);

/** The day so many days later; earlier for a negative number. @example addDays("2026-02-27", 2) // "2026-03-01" */
export const addDays = (day: string, days: number): string => new Date(instantOf(day) + days * DAY).toISOString().slice(0, 10);

/** Whole days from one day to another, negative if it lies before. */
export const daysBetween = (from: string, to: string): number => Math.round((instantOf(to) - instantOf(from)) / DAY);
