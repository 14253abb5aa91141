import { addOwnKeys, dropOwnKeys, hasOwnKeys } from "@able-tide/core/movement/edit-variant";
import type { Movement } from "@able-tide/core/movement/format";
import type { VariantKind } from "@able-tide/core/movement/variant";
import { Button } from "../kit/button.tsx";
import type { EditMovement } from "./edit-movement.ts";

interface Props {
  readonly movement: Movement;
  readonly kind: VariantKind;
  readonly edit: EditMovement;
}

/** Whether the variant follows the standing one's key poses or has its own, and the way from one to the other. */
export function OwnPoses({ movement, kind, edit }: Props) {
  if (kind === "standing" || (movement.forms[kind] ?? false) === false) return null;
  const own = hasOwnKeys(movement, kind);
  return (
    <div className="flex flex-col items-start gap-2">
      <p>{own ? "This variant has its own key poses." : "This variant uses the standing key poses."}</p>
      <Button type="button" look="plain" onClick={() => edit((now) => (own ? dropOwnKeys(now, kind) : addOwnKeys(now, kind)))}>
        {own ? "Use the standing key poses" : "Create separate key poses"}
      </Button>
    </div>
  );
}
