import type { Scope } from "../scope.ts";
import type { DemoPerson } from "./demo-person.ts";

/** A person of the demo as they are kept. */
export interface StoredDemoPerson {
  readonly id: string;
  readonly demo: DemoPerson;
  /** Ids of their own caps, as far as set. */
  readonly caps: (string | null)[];
  readonly limitations: (string | null)[];
}

/** Who speaks in the demo, all at the same moving clock. */
export interface Voices {
  readonly instructor: Scope;
  readonly clinician: Scope;
}
