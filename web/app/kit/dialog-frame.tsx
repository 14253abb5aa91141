import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

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
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-40 bg-tide-950/70" />
      <Dialog.Content
        aria-describedby={undefined}
        {...(closed && { onCloseAutoFocus: closed })}
        className={`fixed top-1/2 left-1/2 z-50 max-h-[94vh] -translate-x-1/2 -translate-y-1/2 overflow-y-auto ${WIDTHS[width]} ${LOOKS[look]}`}
      >
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  );
}
