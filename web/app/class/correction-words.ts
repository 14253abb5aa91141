import type { ClassStep } from "@able-tide/core/class/class-steps";
import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { taughtName } from "@able-tide/core/movement/format";
import { effortWords, observationLabel } from "@able-tide/words/class";
import { wayLabel } from "@able-tide/words/repetitions";
import type { CorrectingEvent } from "../../server/classes/corrections.ts";

/** What the words about a class's record are made from. */
export interface Recorded {
  readonly script: Pick<ClassScript, "blocks" | "people">;
  readonly steps: readonly ClassStep[];
  /** Every event of the class, those that were taken back too. */
  readonly events: readonly ClassEvent[];
}

/** A step as its movement and the side that leads: "Shift and press, left". */
export function stepWords({ script: { blocks }, steps }: Pick<Recorded, "script" | "steps">, step: number): string {
  const { blockIndex, side, way } = steps[step] ?? { blockIndex: -1, side: null, way: "forth" };
  const block = blocks[blockIndex];
  if (!block) return "";
  return [taughtName(block.movement), side ?? "", wayLabel(block.movement, way)].filter((word) => word !== "").join(", ");
}

type Noted = Extract<ClassEvent, { readonly kind: "noted" }>;

const nameOf = ({ script }: Recorded, personId: string): string =>
  script.people.find(({ id }) => id === personId)?.name ?? "Someone who was erased";

const noteWords = (recorded: Recorded, { personId, sign, step }: Noted): string =>
  [`${nameOf(recorded, personId)}: ${observationLabel(sign).toLowerCase()}`, stepWords(recorded, step)]
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
