import type { CapLimit } from "@able-tide/core/caps/cap";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { Form } from "react-router";
import { Button } from "../kit/button.tsx";

/** Caps whose number is read in another way than when they were set: someone looks at each once. */
export function CapNotices({ notices }: { notices: readonly { readonly id: string; readonly limit: CapLimit }[] }) {
  if (notices.length === 0) return null;
  return (
    <section className="mb-4 rounded-soft border border-signal-600 bg-signal-100/50 p-4" aria-labelledby="notices-head">
      <h2 id="notices-head" className="text-xl">
        Is this number still correct?
      </h2>
      <p>
        Turning of the upper arm is now measured from the arm hanging with the forearm ahead, as a clinician measures it. A cap
        set before has the same number, and may be stricter or looser than it was.
      </p>
      <ul className="mt-2 flex flex-col gap-2">
        {notices.map(({ id, limit }) => (
          <li key={id}>
            <Form method="post" className="flex flex-wrap items-center gap-x-4">
              <input type="hidden" name="intent" value="confirm-number" />
              <input type="hidden" name="capId" value={id} />
              <strong>{formatCapLimit(limit)}</strong>
              <Button look="plain">The number is correct</Button>
            </Form>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sand-600">If not, end the cap below and set a new one.</p>
    </section>
  );
}
