import { Pencil, Plus } from "lucide-react";
import type { ComponentProps, ReactNode } from "react";
import { ButtonLink } from "../kit/button.tsx";
import { ActiveCaps } from "./active-caps.tsx";
import { CapFields } from "./cap-fields.tsx";
import { EditConflict, type EditConflictInfo } from "./edit-conflict.tsx";
import { EndedCaps } from "./ended-caps.tsx";
import { LimitationList } from "./limitation-list.tsx";
import { LimitsOverWeeks } from "./limits-over-weeks.tsx";
import { PersonFields } from "./person-fields.tsx";
import { SetUpList } from "./set-up-list.tsx";

/** A form that is folded away until it is wanted, or until its answer says what is wrong. */
function FoldedForm({
  open,
  title,
  className,
  children,
}: {
  open: boolean;
  title: ReactNode;
  className: string;
  children: ReactNode;
}) {
  return (
    <details className={`rounded-soft border border-sand-300 bg-white p-4 ${className}`} open={open || undefined}>
      <summary className="flex min-h-11 items-center gap-2 font-display text-xl font-bold">{title}</summary>
      {children}
    </details>
  );
}

interface CapsProps extends ComponentProps<typeof ActiveCaps> {
  readonly all: ComponentProps<typeof EndedCaps>["caps"];
  readonly lastResult: ComponentProps<typeof CapFields>["lastResult"];
  readonly clinicianName: string | null;
}

/** The caps that are active today, the ended ones, and the form of a new one. */
export function CapsSection({ all, lastResult, clinicianName, ...active }: CapsProps) {
  return (
    <section aria-labelledby="caps-head">
      <h2 id="caps-head" className="mb-3 text-2xl">
        Active caps today
      </h2>
      <ActiveCaps {...active} />
      <EndedCaps caps={all} />
      <FoldedForm
        className="mt-3"
        open={lastResult?.status === "error"}
        title={
          <>
            <Plus size={20} aria-hidden="true" /> Set a cap
          </>
        }
      >
        <div className="mt-3">
          <CapFields key={all.length} lastResult={lastResult} today={active.today} clinician={clinicianName} />
        </div>
      </FoldedForm>
    </section>
  );
}

type LimitationsProps = ComponentProps<typeof LimitationList> & Pick<ComponentProps<typeof LimitsOverWeeks>, "caps">;

/** Limitations, with their caps over the weeks. */
export function LimitationsSection({ personId, limitations, clearances, caps, today, answer }: LimitationsProps) {
  return (
    <section className="mt-8" aria-labelledby="limitations-head">
      <h2 id="limitations-head" className="mb-3 text-2xl">
        Limitations
      </h2>
      <LimitationList personId={personId} limitations={limitations} clearances={clearances} today={today} answer={answer} />
      <div className="mt-4">
        <LimitsOverWeeks limitations={limitations} caps={caps} today={today} />
      </div>
      <p className="mt-2 flex flex-wrap gap-x-6">
        <ButtonLink look="quiet" to={`/people/${personId}/history`}>
          Cap history
        </ButtonLink>
        <ButtonLink look="quiet" to={`/people/${personId}/measured`}>
          Measured ranges
        </ButtonLink>
      </p>
    </section>
  );
}

/** Chair, cushion, floor marks and depth for a participant. */
export function SetUpSection({ numbers }: ComponentProps<typeof SetUpList>) {
  return (
    <section className="mt-8" aria-labelledby="setup-head">
      <h2 id="setup-head" className="mb-2 text-2xl">
        Set-up numbers
      </h2>
      <SetUpList numbers={numbers} />
      <p className="mt-2 text-sand-600">
        Estimated from average body proportions. Use as a starting point; the participant's comfort decides.
      </p>
    </section>
  );
}

interface EditProps extends Omit<ComponentProps<typeof PersonFields>, "save" | "version"> {
  readonly version: number;
  readonly movedOn: EditConflictInfo | null;
}

/** The form of name, height, weight, groups and notes. */
export function EditPerson({ movedOn, version, lastResult, ...props }: EditProps) {
  return (
    <FoldedForm
      className="mt-8 max-w-3xl"
      open={lastResult?.status === "error" || movedOn !== null}
      title={
        <>
          <Pencil size={20} aria-hidden="true" /> Edit name, height, weight, groups or notes
        </>
      }
    >
      {movedOn && <EditConflict news={movedOn} />}
      <PersonFields {...props} lastResult={lastResult} save="Save participant" version={movedOn?.version ?? version} />
    </FoldedForm>
  );
}
