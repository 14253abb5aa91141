import type { Progress } from "../../server/classes/classes.ts";
import type { Recorded } from "../../server/classes/record-events.ts";

/** The server's time, so that a device can correct its own clock, ISO instant. */
interface WithNow {
  readonly now: string;
}

/** What has happened in a class since a device last asked. */
export type ProgressAnswer = Progress & WithNow;

/** What became of the events that a device sent. */
export type RecordedAnswer = Pick<Recorded, "kept" | "refused"> & WithNow;
