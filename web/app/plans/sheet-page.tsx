import { Printer } from "lucide-react";
import type { ReactNode } from "react";
import { formatDay } from "../days.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Disclaimer } from "../kit/disclaimer.tsx";
import { FitPage } from "./fit-page.tsx";

interface Props {
  readonly planId: string;
  readonly title: string;
  readonly day: string;
  /** Whether it is laid out in large type. */
  readonly large: boolean;
  readonly children: ReactNode;
}

/** Whether an address requests large type. */
export const isLargeType = (request: Request): boolean => new URL(request.url).searchParams.get("type") === "large";

/** One sheet of a plan for print, in plain or large type. */
export function SheetPage({ planId, title, day, large, children }: Props) {
  return (
    <main className="mx-auto max-w-[210mm] px-6 py-5 print:m-0 print:max-w-none print:p-0">
      <div className="mb-4 flex flex-wrap gap-3 text-base print:hidden">
        <Button type="button" onClick={() => window.print()}>
          <Printer size={18} aria-hidden="true" /> Print
        </Button>
        <ButtonLink look="plain" to={large ? "?" : "?type=large"}>
          {large ? "Standard type" : "Large type"}
        </ButtonLink>
        <ButtonLink look="plain" to={`/plans/${planId}/printouts`}>
          All printouts
        </ButtonLink>
        <ButtonLink look="plain" to={`/plans/${planId}`}>
          Back to the plan
        </ButtonLink>
      </div>
      <div className={large ? "text-2xl" : ""}>
        <FitPage large={large}>
          <header className="mb-[0.4em] flex flex-wrap items-baseline justify-between gap-x-4 border-b-2 border-tide-800">
            <h1 className="text-[1.5em]">{title}</h1>
            <p>{formatDay(day)}</p>
          </header>
          {children}
          <Disclaimer className="mt-[0.3em] text-sand-600 print:text-[7pt] [.on-paper_&]:text-[7pt]" />
        </FitPage>
      </div>
    </main>
  );
}
