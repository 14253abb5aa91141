import { asksOn, type Cap } from "@able-tide/core/caps/cap";
import { capInWords, dayAndMonth } from "@able-tide/core/caps/words";
import { Form } from "react-router";
import { Button } from "../kit/button.tsx";

interface ListedCap extends Cap {
  readonly setBy: string;
  readonly ended: { readonly by: string; readonly at: string; readonly because: string } | null;
}

interface Props {
  readonly caps: readonly ListedCap[];
  readonly today: string;
  /** What is wrong with the word typed for one of them, and the word. */
  readonly problem: { readonly capId: string; readonly message: string; readonly typed: string } | null;
}

function OpenCap({ cap, today, problem }: { cap: ListedCap; today: string; problem: Props["problem"] }) {
  const asks = asksOn(cap, today);
  const field = `because-${cap.id}`;
  const wrong = problem?.capId === cap.id ? problem : null;
  return (
    <li className={`rounded-soft border p-4 ${asks ? "border-signal-600 bg-signal-100/50" : "border-sand-300 bg-white"}`}>
      <p className="text-lg">{capInWords(cap)}</p>
      <p className="text-sand-600">
        {cap.strength} · from {dayAndMonth(cap.from)} · written down by {cap.setBy}
      </p>
      {asks && <p className="font-semibold text-signal-700">Its date has passed and it still holds. How is it now?</p>}
      {cap.strength === "absolute" ? (
        <p className="mt-2 text-sand-600">Only the clinician ends this one.</p>
      ) : (
        <details open={wrong !== null || undefined} className="mt-2">
          <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">End this cap</summary>
          <Form method="post" className="mt-1 flex flex-wrap items-end gap-3">
            <input type="hidden" name="intent" value="end-cap" />
            <input type="hidden" name="capId" value={cap.id} />
            <div className="min-w-60 flex-1">
              <label htmlFor={field} className="mb-1 block font-semibold">
                How is it now?
              </label>
              <input
                id={field}
                name="because"
                defaultValue={wrong?.typed ?? ""}
                className="field-box"
                aria-invalid={wrong !== null || undefined}
                aria-describedby={wrong ? `${field}-problem` : undefined}
              />
              {wrong && (
                <p id={`${field}-problem`} className="mt-1 font-semibold text-signal-700">
                  {wrong.message}
                </p>
              )}
            </div>
            <Button look="plain">End it</Button>
          </Form>
        </details>
      )}
    </li>
  );
}

/** Every cap of a person: those that hold, with why, and those that are over, with how they ended. */
export function CapList({ caps, today, problem }: Props) {
  const open = caps.filter((cap) => cap.ended === null);
  const over = caps.filter((cap) => cap.ended !== null);
  return (
    <>
      <ul className="flex flex-col gap-3">
        {open.map((cap) => (
          <OpenCap key={cap.id} cap={cap} today={today} problem={problem} />
        ))}
      </ul>
      {open.length === 0 && <p className="text-lg">No caps. Nothing written down does not mean known to be safe.</p>}
      {over.length > 0 && (
        <details className="mt-4">
          <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">
            Ended caps ({over.length})
          </summary>
          <ul className="mt-2 flex flex-col gap-2 text-sand-600">
            {over.map((cap) => (
              <li key={cap.id}>
                {capInWords(cap)}. Ended {dayAndMonth(cap.ended?.at.slice(0, 10) ?? cap.from)} by {cap.ended?.by}:{" "}
                {cap.ended?.because}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
