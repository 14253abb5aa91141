import type { SubmissionResult } from "@conform-to/react";
import { Button } from "./button.tsx";

interface Props {
  /** The form's name among those of the page. */
  readonly intent: string;
  readonly lastResult: SubmissionResult<string[]> | null;
  readonly children: string;
}

/** Saves a form that stays on the page, and says so when it was. */
export function SaveButton({ intent, lastResult, children }: Props) {
  return (
    <div className="flex items-center gap-4">
      <Button name="intent" value={intent}>
        {children}
      </Button>
      {lastResult?.status === "success" && (
        <p role="status" className="font-semibold text-tide-700">
          Saved.
        </p>
      )}
    </div>
  );
}
