import { isActiveOn, isDueSoon, isReviewDue } from "@able-tide/core/caps/cap";
import { getOrCompute } from "@able-tide/core/memo";
import { observationLabel } from "@able-tide/words/class";
import { formatCap, formatCapLimit } from "@able-tide/words/format-cap";
import { formatLimitation } from "@able-tide/words/limitations";
import { formatDayAndMonth, lowerFirst } from "@able-tide/words/text";
import type { NotedInClass } from "../../server/classes/follow-ups.ts";
import type { CapNotice } from "../../server/people/cap-notices.ts";
import type { StoredCap } from "../../server/people/caps.ts";
import { interimCapsOf, type StoredLimitation } from "../../server/people/limitations.ts";

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
  readonly caps: readonly StoredCap[];
  readonly limitations: readonly StoredLimitation[];
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

const waiting = (limitation: StoredLimitation, day: string, names: Names): Need[] =>
  interimCapsOf(limitation, day).length === 0
    ? []
    : need(names, limitation.personId, {
        id: limitation.id,
        words: formatLimitation(limitation),
        news: "Waiting for the clinician's caps.",
        pressing: true,
      });

/** What a cap's date calls for; null where there is nothing to do within two weeks. */
function newsOf(cap: StoredCap, day: string): Pick<Need, "news" | "pressing"> | null {
  const due = isReviewDue(cap, day);
  if (!isActiveOn(cap, day) || !(due || isDueSoon(cap, day))) return null;
  const soon = cap.strength === "comfort" ? "Ends automatically within two weeks." : "Review due within two weeks.";
  return { news: due ? "The review date has passed and the cap is still active. Review it." : soon, pressing: due };
}

/** A cap with its reason; several caps without, so that the list stays short. */
const wordsOf = (caps: readonly StoredCap[]): string =>
  caps.length === 1
    ? caps.map(formatCap).join()
    : caps.map(({ limit }, i) => (i === 0 ? formatCapLimit(limit) : lowerFirst(formatCapLimit(limit)))).join("; ");

/** Caps with a date that has come or is near: one need for all of a participant's caps that call for the same. */
function dated(caps: readonly StoredCap[], day: string, names: Names): Need[] {
  const groups = new Map<string, { readonly about: Pick<Need, "news" | "pressing">; readonly caps: StoredCap[] }>();
  for (const cap of caps) {
    const about = newsOf(cap, day);
    if (about) getOrCompute(groups, `${cap.personId} ${about.news}`, () => ({ about, caps: [] })).caps.push(cap);
  }
  return [...groups.values()].flatMap((group) =>
    group.caps
      .slice(0, 1)
      .flatMap(({ id, personId }) => need(names, personId, { ...group.about, id, words: wordsOf(group.caps) })),
  );
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
    words: `The day after class on ${formatDayAndMonth(day)}`,
    news: "Record how the participant was. The third session without incident counts once this is known.",
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
    ...dated(caps, day, names),
    ...nextDays.flatMap((each) => nextDay(each, names)),
  ].sort((a, b) => Number(b.pressing) - Number(a.pressing));
}
