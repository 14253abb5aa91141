import type { ClassStep } from "@able-tide/core/class/class-steps";
import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { effortWords, observationLabel } from "@able-tide/words/class";
import { formatClassStep } from "@able-tide/words/class-step";
import type { CorrectingEvent } from "../../server/classes/corrections.ts";

/** What the words about a class's record are made from. */
export interface Recorded {
  readonly script: Pick<ClassScript, "blocks" | "people">;
  readonly steps: readonly ClassStep[];
  /** Every event of the class, those that were taken back too. */
  readonly events: readonly ClassEvent[];
}

type Noted = Extract<ClassEvent, { readonly kind: "noted" }>;

const nameOf = ({ script }: Recorded, personId: string): string =>
  script.people.find(({ id }) => id === personId)?.name ?? "Someone who was erased";

const noteWords = (recorded: Recorded, { personId, sign, step }: Noted): string =>
  [
    `${nameOf(recorded, personId)}: ${observationLabel(sign).toLowerCase()}`,
    formatClassStep(recorded.script.blocks, recorded.steps[step] ?? null),
  ]
    .filter((words) => words !== "")
    .join(", ");

/** What was put right in a class, as a sentence. */
export function correctionWords(recorded: Recorded, event: CorrectingEvent): string {
  switch (event.kind) {
    case "closingCorrected":
      return `Effort and note corrected: effort ${effortWords(event.effort)}${event.note === "" ? "" : `, “${event.note}”`}. ${event.because}`;
    case "attendanceCorrected":
      return `${nameOf(recorded, event.personId)} ${event.here ? "was there" : "was not there"}. ${event.because}`;
    case "noted":
      return `Note added: ${noteWords(recorded, event)}.`;
    case "withdrawn": {
      const note = recorded.events.find((each): each is Noted => each.kind === "noted" && each.id === event.noteId);
      return `Note taken back: ${note ? noteWords(recorded, note) : "of someone who was erased"}. ${event.because ?? ""}`.trim();
    }
  }
}
