import { isSevere, OBSERVATIONS, type Observation, type RecordedObservation } from "@able-tide/core/class/events";
import { formatWhy } from "@able-tide/words/cell-view";
import { observationLabel } from "@able-tide/words/class";
import { type FormEvent, useState } from "react";
import { ClassButton, classButton } from "../kit/class-button.tsx";
import { Dialog, DialogClose, DialogFrame, DialogTitle } from "../kit/dialog.tsx";
import { FactList } from "../kit/fact-list.tsx";
import { useKeys } from "../kit/keys-sheet.tsx";
import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";
import type { PersonNow } from "./class-view.ts";

interface Props {
  readonly person: PersonNow | null;
  /** What they have agreed to share for an emergency. */
  readonly facts: readonly { readonly label: string; readonly words: string }[];
  readonly notes: readonly RecordedObservation[];
  readonly note: (sign: Observation) => void;
  readonly withdraw: (noteId: string, because: string) => void;
  /** Whether who is signed in takes back a note of dizziness, a catch or pain. */
  readonly mayWithdrawGrave: boolean;
  readonly leave: () => void;
  readonly close: () => void;
  /** Where the focus goes afterwards. */
  readonly closed: (event: Event) => void;
}

/** One note of today and taking it back: a grave one needs a word, which stays on record, and is not the helper's. */
function Note({
  note: { id, sign, at },
  withdraw,
  mayWithdrawGrave,
}: {
  note: RecordedObservation;
  withdraw: Props["withdraw"];
  mayWithdrawGrave: boolean;
}) {
  const [asked, setAsked] = useState(false);
  const grave = isSevere(sign);
  const takeBack = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const because = String(new FormData(event.currentTarget).get("because") ?? "").trim();
    if (because !== "") withdraw(id, because);
  };
  return (
    <li className="flex flex-wrap items-center gap-x-4">
      <span>
        {observationLabel(sign)} at {new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}
      </span>
      {grave && !mayWithdrawGrave ? (
        <span className="text-tide-200">the instructor can undo this</span>
      ) : (
        !asked && (
          <ClassButton look="quiet" onClick={() => (grave ? setAsked(true) : withdraw(id, ""))}>
            Undo
          </ClassButton>
        )
      )}
      {asked && (
        <form onSubmit={takeBack} className="flex basis-full flex-wrap items-end gap-3">
          <label className="flex flex-1 flex-col text-tide-200">
            Reason (stays on record)
            <input
              name="because"
              required
              maxLength={200}
              className="min-h-16 rounded-[12px] border-2 border-tide-600 bg-tide-950 px-4 text-xl text-sand-50"
            />
          </label>
          <ClassButton type="submit">Remove observation</ClassButton>
        </form>
      )}
    </li>
  );
}

/**
 * One person in class: their variant and why, observations, and whether they are still here.
 *
 * Long because it is one sheet: facts, reasons, observations and leaving.
 */
export function PersonSheet({ person, facts, notes, note, withdraw, mayWithdrawGrave, leave, close, closed }: Props) {
  useKeys((event) => {
    const sign = person && OBSERVATIONS.find((name) => name[0] === event.key);
    if (sign) note(sign);
  });
  return (
    <Dialog open={person !== null} onOpenChange={(open) => !open && close()}>
      <DialogFrame look="class" width="medium" closed={closed}>
        {person && (
          <>
            <div className="flex items-center gap-4">
              {person.cell && <VariantSymbol {...person.cell} size={56} />}
              <div>
                <DialogTitle className="text-3xl">{person.name}</DialogTitle>
                {person.cell && <p className="text-sand-200">{describeVariant(person.cell)}</p>}
              </div>
            </div>
            {facts.length > 0 && <FactList facts={facts} look="mt-3 rounded-[12px] border-2 border-signal-300 p-3" />}
            {person.cell?.care && <p className="mt-3 font-bold">{person.cell.care}</p>}
            {person.cell?.why.map((why) => (
              <p key={why.limit} className="mt-3">
                {formatWhy(why)}.
              </p>
            ))}
            <div className="mt-5 grid grid-cols-2 gap-3">
              {OBSERVATIONS.map((name) => (
                <button
                  key={name}
                  type="button"
                  onClick={() => note(name)}
                  className="min-h-16 rounded-[12px] border-2 border-tide-300 px-3 text-2xl leading-tight font-bold hover:bg-tide-800"
                >
                  {observationLabel(name)} <span className="text-lg font-normal text-tide-200">{name[0]}</span>
                </button>
              ))}
            </div>
            {notes.length > 0 && (
              <ul className="mt-5 flex flex-col gap-1">
                {notes.map((each) => (
                  <Note key={each.id} note={each} withdraw={withdraw} mayWithdrawGrave={mayWithdrawGrave} />
                ))}
              </ul>
            )}
            <div className="mt-4 flex flex-wrap justify-between gap-3">
              <ClassButton look="quiet" onClick={leave}>
                Left the class
              </ClassButton>
              <DialogClose className={classButton("plain")}>Close</DialogClose>
            </div>
          </>
        )}
      </DialogFrame>
    </Dialog>
  );
}
