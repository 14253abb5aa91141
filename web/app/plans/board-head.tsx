import { count, formatMinutes } from "@able-tide/words/text";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { formatDay } from "../days.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { dotted } from "../kit/dotted.ts";

interface Props {
  readonly plan: { readonly id: string; readonly day: string };
  readonly group: { readonly name: string; readonly place: string; readonly minutes: number; readonly startsAt: string };
  readonly people: number;
  /** Seconds of the session as it is led. */
  readonly total: number;
  /** Seconds of it for sitting down and standing up. */
  readonly changing: number;
  readonly taught: { readonly id: string; readonly ended: boolean } | null;
  readonly teach: () => void;
  /** What proposes a plan. */
  readonly children: ReactNode;
}

const PAGES = [
  ["script", "Script"],
  ["printouts", "Printouts"],
  ["floor", "Floor plan and seats"],
  ["revisions", "Revisions"],
  ["file", "Export"],
] as const;

/** Whose session, when, how long it is against its minutes, and what can be done with it. */
export function BoardHead({ plan, group, people, total, changing, taught, teach, children }: Props) {
  const over = total - group.minutes * 60;
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <h1 className="text-3xl">
          {group.name}, {formatDay(plan.day)}
        </h1>
        <div className="flex flex-wrap items-center gap-3">
          <p className="mr-2 text-right" aria-live="polite">
            <span className="font-display text-3xl font-bold" data-testid="duration">
              {formatMinutes(total)}
            </span>{" "}
            <span className={over > 0 ? "font-semibold text-signal-700" : "text-sand-600"}>
              of {group.minutes} min{over > 0 ? `, ${formatMinutes(over)} over` : ""}
            </span>
            {changing >= 1 && <span className="block text-sand-600">{formatMinutes(changing)} of it to change posture</span>}
          </p>
          {children}
          {taught === null ? (
            <Button type="button" onClick={teach}>
              Teach
            </Button>
          ) : (
            <ButtonLink to={`/classes/${taught.id}`}>{taught.ended ? "Class record" : "Return to class"}</ButtonLink>
          )}
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-x-4">
        <p className="text-sand-600">{dotted(count(people, "participant", "participants"), group.place, group.startsAt)}</p>
        <span className="ml-auto flex flex-wrap gap-x-4">
          {PAGES.map(([page, label]) => (
            <Link
              key={page}
              to={`/plans/${plan.id}/${page}`}
              reloadDocument={page === "file"}
              className="flex min-h-11 items-center underline underline-offset-4"
            >
              {label}
            </Link>
          ))}
        </span>
      </div>
    </>
  );
}
