import { Check } from "lucide-react";
import { Link } from "react-router";
import type { GuideStep } from "../../server/guide.ts";

/** What each step is called. */
export const STEP_TITLES: Readonly<Record<GuideStep, string>> = {
  venue: "Venue",
  group: "Group",
  people: "Participants",
  plan: "First plan",
};

interface Props {
  readonly steps: readonly GuideStep[];
  readonly done: readonly GuideStep[];
  readonly current: GuideStep;
}

/** The steps in their order: which are done, and which is open. */
export function Steps({ steps, done, current }: Props) {
  return (
    <nav aria-label="First steps" className="mb-6">
      <ol className="flex flex-wrap gap-2">
        {steps.map((step, i) => {
          const isDone = done.includes(step);
          return (
            <li key={step}>
              <Link
                to={`/start/${step}`}
                aria-current={step === current ? "step" : undefined}
                className={`flex min-h-11 items-center gap-2 rounded-full border-[1.5px] px-4 no-underline ${
                  step === current ? "border-tide-800 bg-tide-800 font-semibold text-sand-50" : "border-sand-300 bg-white"
                }`}
              >
                {isDone ? <Check size={18} aria-hidden="true" /> : <span aria-hidden="true">{i + 1}</span>}
                {STEP_TITLES[step]}
                {isDone && <span className="sr-only">, done</span>}
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
