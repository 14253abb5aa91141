import { useLayoutEffect, useState } from "react";
import { Dialog, DialogCancel, DialogFrame, DialogTitle, DialogTrigger } from "./dialog.tsx";

export type KeyHelp = readonly (readonly [keys: string, what: string])[];

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches("input, textarea, select, [contenteditable]");

/**
 * Runs a handler for keys pressed anywhere on the screen, but not while someone types. It listens as soon as what it belongs
 * to can be seen: no key of a quick hand is lost.
 */
export function useKeys(handle: (event: KeyboardEvent) => void): void {
  useLayoutEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      handle(event);
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, [handle]);
}

/** The sheet of a screen's keys: opened with "?" or its button. */
export function KeysSheet({ keys, className = "" }: { keys: KeyHelp; className?: string }) {
  const [open, setOpen] = useState(false);
  useKeys((event) => {
    if (event.key === "?") setOpen(true);
  });
  return (
    <Dialog open={open} onOpenChange={setOpen}>
      <DialogTrigger className={`min-h-11 rounded-full px-3 ${className}`}>Keyboard shortcuts</DialogTrigger>
      <DialogFrame width="small">
        <DialogTitle className="mb-4 text-2xl">Keyboard shortcuts</DialogTitle>
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
          {keys.map(([key, what]) => (
            <div key={key} className="contents">
              <dt className="font-bold">{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <DialogCancel className="mt-6">Close</DialogCancel>
      </DialogFrame>
    </Dialog>
  );
}
