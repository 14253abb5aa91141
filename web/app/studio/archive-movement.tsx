import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { Form } from "react-router";
import { Button } from "../kit/button.tsx";

/** Takes a movement out of what is offered, or offers it again. */
export function ArchiveMovement({ movement, archived }: { readonly movement: Movement; readonly archived: boolean }) {
  return (
    <Form method="post" className="mt-6 flex flex-wrap items-center gap-4 text-lg">
      {archived ? (
        <>
          <Button look="plain" name="intent" value="bring-back">
            Bring back
          </Button>
          <p>{taughtName(movement)} is archived: it is not offered for plans.</p>
        </>
      ) : (
        <>
          <Button look="plain" name="intent" value="archive">
            Archive this movement
          </Button>
          <p>For a movement you do not teach. Plans that have it keep it; new plans are not offered it.</p>
        </>
      )}
    </Form>
  );
}
