import type { ReactNode } from "react";

/** Holds something wide, such as a table: on a narrow screen it scrolls by itself and is reached by keys. */
export function ScrollArea({ label, className = "", children }: { label: string; className?: string; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keys
    <section aria-label={label} tabIndex={0} className={`overflow-x-auto contain-inline-size ${className}`}>
      {children}
    </section>
  );
}
