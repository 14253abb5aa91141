import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

interface Props<Key extends string | number> {
  /** What opens the menu. */
  readonly children: ReactNode;
  readonly className: string;
  readonly items: readonly (readonly [key: Key, label: string])[];
  readonly choose: (key: Key) => void;
}

/** A button with several commands of one kind: arrow keys, Home, End and first letters move, Escape closes. */
export function Menu<Key extends string | number>({ children, className, items, choose }: Props<Key>) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className={className}>{children}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={6}
          className="z-40 max-h-[60vh] overflow-y-auto rounded-soft border border-sand-300 bg-white p-1 text-tide-900 shadow-xl"
        >
          {items.map(([key, label]) => (
            <DropdownMenu.Item
              key={key}
              onSelect={() => choose(key)}
              className="flex min-h-11 cursor-pointer items-center rounded-[8px] px-4 font-semibold data-highlighted:bg-tide-100"
            >
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
