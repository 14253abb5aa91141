import { eventLabel, formatEventRefusal } from "@able-tide/words/class";
import { count } from "@able-tide/words/text";
import { classButton } from "../kit/class-button.tsx";
import { Dialog, DialogClose, DialogFrame, DialogTitle, DialogTrigger } from "../kit/dialog.tsx";
import type { Recorder } from "./class-shelf.ts";
import { SignInAgain } from "./sign-in-again.tsx";
import type { useClassEvents } from "./use-class-events.ts";

type Log = ReturnType<typeof useClassEvents>;

/** What the server did not record, each with its reason, until someone has read it. */
function Refused({ refused, dismiss }: { refused: Log["refused"]; dismiss: () => void }) {
  if (refused.length === 0) return null;
  return (
    <Dialog>
      <DialogTrigger className="min-h-11 font-semibold text-signal-300 underline underline-offset-4">
        {count(refused.length, "entry", "entries")} not recorded
      </DialogTrigger>
      <DialogFrame look="class" width="medium">
        <DialogTitle className="text-3xl">Not recorded</DialogTitle>
        <ul className="mt-4 grid gap-3">
          {refused.map(({ event, why }) => (
            <li key={event.id}>
              <span className="font-bold">{eventLabel(event.kind)}</span>: {formatEventRefusal(why)}
              {"note" in event && event.note !== "" && <p className="text-tide-200">{event.note}</p>}
            </li>
          ))}
        </ul>
        <DialogClose className={classButton("main", "mt-6")} onClick={dismiss}>
          I have read this
        </DialogClose>
      </DialogFrame>
    </Dialog>
  );
}

function savedWords({ unsent, signedOut, isRead }: Log): string {
  if (unsent > 0) return `${unsent} saved on this device, not sent yet`;
  if (signedOut) return "Signed out";
  return isRead ? "All saved" : "";
}

/** Whether what was recorded has reached the server, and what to do where it has not. */
export function SavedState({ classId, recorder, log }: { classId: string; recorder: Recorder; log: Log }) {
  const { unsent, signedOut, refused, others } = log;
  const isBehind = unsent > 0 || signedOut;
  return (
    <>
      {others.map(({ name, waiting }) => (
        <span key={name} className="text-signal-300">
          {waiting} by {name} waiting: sent when {name} signs in here
        </span>
      ))}
      <Refused refused={refused} dismiss={log.dismissRefused} />
      {signedOut && <SignInAgain classId={classId} name={recorder.name} signedIn={log.send} />}
      <span role="status" className={isBehind ? "font-semibold text-signal-300" : ""}>
        {savedWords(log)}
      </span>
    </>
  );
}
