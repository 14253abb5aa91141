import { DAY_TAKEN } from "../../forms/new-plan-form.ts";
import type { FieldState } from "./field.tsx";

/** Makes a second plan for the same day on purpose; asked only where there is one already. */
export function SecondPlan({ day, second }: { day: FieldState; second: Pick<FieldState, "name"> }) {
  if (!day.errors?.includes(DAY_TAKEN)) return null;
  return (
    <label className="flex min-h-11 basis-full items-center gap-2">
      <input type="checkbox" name={second.name} className="size-5 accent-tide-700" />
      Make a second plan for this day
    </label>
  );
}
