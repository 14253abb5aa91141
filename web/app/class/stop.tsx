import { STOP_FIRST, STOP_SIGNS } from "@able-tide/core/reference/stop-signs";
import { Dialog } from "radix-ui";

interface Props {
  readonly open: boolean;
  readonly setOpen: (open: boolean) => void;
  /** Where the focus goes afterwards. */
  readonly closed: (event: Event) => void;
}

/** The stop, never more than one touch away, and what to do first. */
export function Stop({ open, setOpen, closed }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="flex min-h-24 w-36 flex-col items-center justify-center gap-1 rounded-[20px] border-[3px] border-signal-300 text-xl font-bold hover:bg-tide-800">
        <svg viewBox="0 0 40 40" className="size-12" aria-hidden="true">
          <path d="M12 2 H28 L38 12 V28 L28 38 H12 L2 28 V12 Z" fill="var(--color-signal-300)" />
        </svg>
        Stop
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-tide-950/80" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={closed}
          className="fixed inset-4 m-auto h-fit max-h-[94vh] max-w-4xl overflow-y-auto rounded-[20px] bg-sand-50 p-8 text-xl text-tide-950"
        >
          <Dialog.Title className="text-4xl text-signal-700">Stop. First:</Dialog.Title>
          <ol className="mt-4 list-decimal pl-7 text-2xl leading-snug font-semibold">
            {STOP_FIRST.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
          <h3 className="mt-6 mb-1 text-2xl">Signs that call for help at once</h3>
          <ul className="list-disc gap-x-10 pl-6 sm:columns-2">
            {STOP_SIGNS.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <p className="mt-4 text-lg">
            Usual practice. The venue's own emergency card and the emergency service come before this page.
          </p>
          <Dialog.Close className="mt-5 min-h-16 rounded-full bg-tide-800 px-8 font-semibold text-sand-50">
            Back to the class
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
