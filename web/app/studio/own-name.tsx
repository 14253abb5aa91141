import type { Movement } from "@able-tide/core/movement/format";
import { Form } from "react-router";
import { Button } from "../kit/button.tsx";

/** What the organisation teaches a movement by; found by its first name too, and shown instead of it. */
export function OwnName({ movement, problem }: { readonly movement: Movement; readonly problem: string | null }) {
  return (
    <Form method="post" className="mt-6 flex max-w-xl flex-wrap items-end gap-3 rounded-soft border border-sand-300 bg-white p-5">
      <input type="hidden" name="intent" value="name" />
      <label className="grow font-semibold">
        Our name for it <span className="font-normal text-sand-600">empty for “{movement.name.en}”</span>
        <input
          name="ownName"
          defaultValue={movement.name.own ?? ""}
          maxLength={60}
          className="field-box mt-1 block font-normal"
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem ? "own-name-problem" : undefined}
        />
      </label>
      <Button look="plain">Save name</Button>
      {problem && (
        <p id="own-name-problem" className="w-full font-semibold text-signal-700">
          {problem}
        </p>
      )}
    </Form>
  );
}
