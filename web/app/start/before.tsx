import { Link } from "react-router";
import type { GuideStep } from "../../server/guide.ts";

/** Leads to the step that has to come first. */
export function Before({ step, children }: { step: GuideStep; children: string }) {
  return (
    <p className="text-lg">
      <Link to={`/start/${step}`} className="font-semibold underline underline-offset-4">
        {children}
      </Link>
    </p>
  );
}
