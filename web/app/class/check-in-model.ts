import { AS_USUAL, type CheckIn } from "@able-tide/core/caps/answers";
import { type DayReading, readCheckIn } from "@able-tide/core/caps/check-in";
import type { Policy } from "@able-tide/core/caps/policy";
import type { ScreenedPerson } from "@able-tide/core/caps/screening";
import type { CheckedIn } from "@able-tide/core/class/events";
import { createStore, type Store } from "../kit/store.ts";

interface CheckInState {
  readonly answers: CheckIn;
  /** Why the participant may take part against what the answers say, as it is typed. */
  readonly because: string;
  /** What still has to be answered, by the question's name. */
  readonly unanswered: ReadonlyMap<string, string>;
  /** Whether saving was tried: from then on unanswered questions are listed. */
  readonly tried: boolean;
}

/** A change of answers; undefined takes an answer out. */
type AnswerChange = { readonly [Key in keyof CheckIn]?: CheckIn[Key] | undefined };

export interface CheckInModel extends Store<CheckInState> {
  readonly set: (change: AnswerChange) => void;
  readonly setBecause: (because: string) => void;
  /** Says what still has to be answered under a name, or with null that nothing has to. */
  readonly setUnanswered: (name: string, words: string | null) => void;
  /** What the answers mean for today. */
  readonly read: () => DayReading;
  /** What is to be recorded; null while something has to be answered. */
  readonly save: () => { readonly answers: CheckIn; readonly because: string | null } | null;
}

/** Whether a day's reading keeps someone from taking part, unless a reason is given. */
export const keepsAway = ({ outcome }: DayReading): boolean => outcome !== "class" && outcome !== "askFirst";

/** An answer that was cleared is left out, not sent as nothing. */
const withoutNothing = (answers: AnswerChange): CheckIn =>
  Object.fromEntries(Object.entries(answers).filter(([, value]) => value !== undefined)) as CheckIn;

/**
 * One participant's check-in while it is filled in.
 *
 * @param checkedIn what was recorded before; null for the first time
 */
export function createCheckIn(checkedIn: CheckedIn | null, policy: Policy, screened: ScreenedPerson): CheckInModel {
  const store = createStore<CheckInState>({
    answers: checkedIn?.answers ?? AS_USUAL,
    because: checkedIn?.overriddenBecause ?? "",
    unanswered: new Map(),
    tried: false,
  });
  const read = (): DayReading => readCheckIn(store.get().answers, policy, screened);
  return {
    ...store,
    read,
    set: (change) => store.set((before) => ({ ...before, answers: withoutNothing({ ...before.answers, ...change }) })),
    setBecause: (because) => store.set((before) => ({ ...before, because })),
    setUnanswered: (name, words) =>
      store.set((before) => {
        if ((before.unanswered.get(name) ?? null) === words) return before;
        const unanswered = new Map(before.unanswered);
        if (words === null) unanswered.delete(name);
        else unanswered.set(name, words);
        return { ...before, unanswered };
      }),
    save() {
      store.set((before) => ({ ...before, tried: true }));
      const { answers, because, unanswered } = store.get();
      if (unanswered.size > 0) return null;
      return { answers, because: keepsAway(read()) && because.trim() !== "" ? because.trim() : null };
    },
  };
}
