import { Tooltip as Radix } from "radix-ui";
import type { ReactNode } from "react";

/** Shows what a control without words is called, for the pointer and the keyboard; the control's own name says it too. */
export function Tooltip({ words, children }: { readonly words: string; readonly children: ReactNode }) {
  return (
    <Radix.Provider delayDuration={400}>
      <Radix.Root>
        <Radix.Trigger asChild>{children}</Radix.Trigger>
        <Radix.Portal>
          <Radix.Content sideOffset={4} className="z-50 rounded-soft bg-tide-900 px-3 py-1.5 text-sand-50">
            {words}
          </Radix.Content>
        </Radix.Portal>
      </Radix.Root>
    </Radix.Provider>
  );
}
