import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { LimitsFigure } from "./limits-figure.tsx";

/** The figure as limits are now and as they would be, one over the other. */
export function BeforeAndAfter({
  person,
  before,
  after,
}: {
  person: { readonly name: string; readonly stature: number; readonly measured: MeasuredBody };
  before: readonly Cap[];
  after: readonly Cap[];
}) {
  return (
    <div className="flex flex-col gap-4">
      <LimitsFigure person={person} caps={before} title="Now" />
      <LimitsFigure person={person} caps={after} title="With these caps" />
    </div>
  );
}
