import type { CapLimit } from "../caps/cap.ts";
import { type FitAnswerFile, fitAnswer } from "../fit/fit-answer.ts";
import type { Version } from "../fit/version.ts";
import type { SheetChange, SheetItem } from "./session-sheet.ts";
import type { TimedFit } from "./timed-fit.ts";

/** A version of an item as the open format says it, with the ids of those who do it. */
export interface AnsweredVersion extends Version {
  readonly people: readonly string[];
  /** Whether it is shown besides those of the sheet, for one who can do none of them. */
  readonly besides: boolean;
}

/** One item as it is led, as the open format says it. */
export interface AnsweredItem extends Pick<SheetItem, "blockId" | "onFeet" | "shown" | "apart"> {
  readonly versions: readonly AnsweredVersion[];
  readonly change: SheetChange | null;
}

/** The open format of the fit's answer with how the session is led; docs/formats.md explains it. */
export interface LedAnswerFile extends FitAnswerFile {
  /** How much of the planned movements the group keeps, and would keep with any number of versions, 0 to 1. */
  readonly match: number;
  readonly freeMatch: number;
  readonly items: readonly AnsweredItem[];
}

/** Writes a fit and how it is led in the open format. @param formatLimit words of a cap's limit, in the language of the reader */
export const ledAnswer = (
  { plan, led, sheet }: Pick<TimedFit, "plan" | "led" | "sheet">,
  formatLimit: (limit: CapLimit) => string,
): LedAnswerFile => ({
  ...fitAnswer(plan, led, formatLimit),
  match: sheet.match,
  freeMatch: sheet.freeMatch,
  items: sheet.items.map(({ blockId, onFeet, shown, versions, apart, change }) => ({
    blockId,
    onFeet,
    shown,
    versions: versions.map(({ posture, legs, arms, people, besides }) => ({ posture, legs, arms, people, besides })),
    apart,
    change,
  })),
});
