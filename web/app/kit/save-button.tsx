import { Button } from "./button.tsx";

interface Props {
  /** The form's name among those of the page; a page of one form has none. */
  readonly intent?: string;
  readonly saved: boolean | undefined;
  readonly children: string;
}

/** Saves a form that stays on the page, and says so when it was. */
export function SaveButton({ intent, saved, children }: Props) {
  return (
    <div className="flex items-center gap-4">
      <Button {...(intent !== undefined && { name: "intent", value: intent })}>{children}</Button>
      {saved && (
        <p role="status" className="font-semibold text-tide-700">
          Saved.
        </p>
      )}
    </div>
  );
}
