import { ChevronRight } from "lucide-react";
import { Popover as Radix } from "radix-ui";
import type { ComponentProps, ReactNode } from "react";

/** A small sheet next to the words that open it. */
export function Popover({ words, children }: { readonly words: string; readonly children: ReactNode }) {
  return (
    <Radix.Root>
      <Radix.Trigger className="flex min-h-11 items-center gap-1 font-semibold text-tide-900 underline underline-offset-4">
        {words} <ChevronRight size={18} aria-hidden="true" />
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          align="start"
          sideOffset={6}
          className="z-40 w-[min(92vw,26rem)] rounded-soft border border-sand-300 bg-white p-3 text-tide-900 shadow-xl"
        >
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** A choice in a popover, which closes it. */
export function PopoverChoice(props: ComponentProps<typeof Radix.Close>) {
  return <Radix.Close {...props} className="min-h-11 w-full rounded-[8px] px-2 text-left hover:bg-tide-100" />;
}
