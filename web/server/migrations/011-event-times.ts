import type { Knex } from "knex";

/**
 * An event of a class keeps its device's own time and the time corrected by the server's clock, next to the time of
 * receipt. For events of before, the device's time is the only one there is.
 */
export const eventTimes = {
  name: "011-event-times",
  up: async (database: Knex) => {
    await database.raw("alter table class_events add column device_at timestamptz, add column corrected_at timestamptz");
    await database.raw("update class_events set corrected_at = (event ->> 'at')::timestamptz");
    await database.raw("alter table class_events alter column corrected_at set not null");
  },
};
