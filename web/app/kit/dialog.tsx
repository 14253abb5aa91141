import { Dialog as Radix } from "radix-ui";
import type { ReactNode } from "react";
import { Button } from "./button.tsx";

export const Dialog = Radix.Root;
export const DialogTrigger = Radix.Trigger;
export const DialogTitle = Radix.Title;
/** A button that closes the dialog, with a look of its own. */
export const DialogClose = Radix.Close;

const LOOKS = {
  /** On a page of the office. */
  page: "rounded-soft bg-sand-50 p-6 text-tide-900 shadow-xl",
  /** In class, as dark as the class. */
  class: "class-room scroll-pb-28 rounded-[20px] bg-tide-900 p-6 text-lg text-sand-50",
  /** In class, meant to be seen at once. */
  alert: "rounded-[20px] bg-sand-50 p-6 text-lg text-tide-950",
} as const;

const WIDTHS = {
  small: "w-[min(94vw,30rem)]",
  medium: "w-[min(94vw,38rem)]",
  large: "w-[min(96vw,52rem)]",
  full: "w-[min(96vw,74rem)]",
} as const;

interface Props {
  readonly look?: keyof typeof LOOKS;
  readonly width: keyof typeof WIDTHS;
  /** Where the focus goes afterwards; to the control that opened the dialog where nothing is said. */
  readonly closed?: (event: Event) => void;
  readonly children: ReactNode;
}

/** The frame of every dialog: over the page, scrolling where it is too long. Title and close button are the dialog's own. */
export function DialogFrame({ look = "page", width, closed, children }: Props) {
  return (
    <Radix.Portal>
      <Radix.Overlay className="fixed inset-0 z-40 bg-tide-950/70" />
      <Radix.Content
        aria-describedby={undefined}
        {...(closed && { onCloseAutoFocus: closed })}
        className={`fixed top-1/2 left-1/2 z-50 max-h-[94vh] -translate-x-1/2 -translate-y-1/2 overflow-y-auto ${WIDTHS[width]} ${LOOKS[look]}`}
      >
        {children}
      </Radix.Content>
    </Radix.Portal>
  );
}

/** The button that closes a dialog without doing anything. */
export function DialogCancel({ children, className = "" }: { readonly children: ReactNode; readonly className?: string }) {
  return (
    <Radix.Close asChild>
      <Button type="button" look="plain" className={className}>
        {children}
      </Button>
    </Radix.Close>
  );
}

/** Title and close button of a dialog on a page. */
export function DialogHead({ children }: { readonly children: ReactNode }) {
  return (
    <div className="flex items-start justify-between gap-4">
      <Radix.Title className="text-2xl">{children}</Radix.Title>
      <Radix.Close className="min-h-11 px-2 underline underline-offset-4">Close</Radix.Close>
    </div>
  );
}
