import { asksOn, holdsOn, isDueSoon } from "@able-tide/core/caps/cap";
import { observationLabel } from "@able-tide/words/class";
import { formatCap } from "@able-tide/words/format-cap";
import { formatLimitation } from "@able-tide/words/limitations";
import { formatDayAndMonth } from "@able-tide/words/text";
import type { NotedInClass } from "../../server/classes/follow-ups.ts";
import type { CapNotice } from "../../server/people/cap-notices.ts";
import type { KeptCap } from "../../server/people/caps.ts";
import { type KeptLimitation, meanwhileOf } from "../../server/people/limitations.ts";

/** Something that needs an answer now, or within two weeks. */
interface Need {
  readonly id: string;
  readonly personId: string;
  readonly name: string;
  readonly words: string;
  readonly news: string;
  readonly pressing: boolean;
}

/** What is on record of everyone that may need an answer. */
interface OnRecord {
  readonly caps: readonly KeptCap[];
  readonly limitations: readonly KeptLimitation[];
  readonly noted: readonly NotedInClass[];
  readonly notices: readonly CapNotice[];
  readonly nextDays: readonly { readonly personId: string; readonly classId: string; readonly day: string }[];
}

type Names = ReadonlyMap<string, string>;

/** A need of a participant; null for one who is not among the names. */
const need = (names: Names, personId: string, rest: Omit<Need, "personId" | "name">): Need[] => {
  const name = names.get(personId);
  return name === undefined ? [] : [{ ...rest, personId, name }];
};

const waiting = (limitation: KeptLimitation, day: string, names: Names): Need[] =>
  meanwhileOf(limitation, day).length === 0
    ? []
    : need(names, limitation.personId, {
        id: limitation.id,
        words: formatLimitation(limitation),
        news: "Waiting for the clinician's caps.",
        pressing: true,
      });

function dated(cap: KeptCap, day: string, names: Names): Need[] {
  const asks = asksOn(cap, day);
  if (!holdsOn(cap, day) || !(asks || isDueSoon(cap, day))) return [];
  const soon = cap.strength === "comfort" ? "Ends automatically within two weeks." : "Review due within two weeks.";
  const news = asks ? "The review date has passed and the cap is still active. Review it." : soon;
  return need(names, cap.personId, { id: cap.id, words: formatCap(cap), news, pressing: asks });
}

const observed = ({ noteId, personId, sign, day, movement, asks }: NotedInClass, names: Names): Need[] =>
  asks
    ? need(names, personId, {
        id: noteId,
        words: `${observationLabel(sign)} in class on ${formatDayAndMonth(day)}${movement === "" ? "" : `, in ${movement}`}`,
        news: "Ask how the participant is now, and record the answer.",
        pressing: true,
      })
    : [];

const oldReading = ({ cap }: CapNotice, names: Names): Need[] =>
  need(names, cap.personId, {
    id: `notice ${cap.id}`,
    words: formatCap(cap),
    news: "Turning is now measured as a clinician measures it. Is the number still right?",
    pressing: true,
  });

const nextDay = ({ personId, classId, day }: OnRecord["nextDays"][number], names: Names): Need[] =>
  need(names, personId, {
    id: `next day ${classId} ${personId}`,
    words: `How were they on the day after ${formatDayAndMonth(day)}`,
    news: "Their third session without incident counts once this is known.",
    pressing: false,
  });

/**
 * What needs an instructor's attention on a day: observations, clearances, old readings, reviews and days after a class, the
 * pressing ones first.
 *
 * @param names of the participants it is about; what concerns others is left out
 */
export function needsOf(day: string, { caps, limitations, noted, notices, nextDays }: OnRecord, names: Names): Need[] {
  return [
    ...noted.flatMap((each) => observed(each, names)),
    ...limitations.flatMap((each) => waiting(each, day, names)),
    ...notices.flatMap((each) => oldReading(each, names)),
    ...caps.flatMap((each) => dated(each, day, names)),
    ...nextDays.flatMap((each) => nextDay(each, names)),
  ].sort((a, b) => Number(b.pressing) - Number(a.pressing));
}
