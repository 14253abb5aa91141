import { Popover } from "radix-ui";
import { type ReactNode, type SyntheticEvent, useState } from "react";

interface Tip {
  readonly on: Element;
  readonly words: string;
}

const NOT_MOVED = (event: Event): void => event.preventDefault();

/**
 * Shows the words in `data-tip` of whatever in the area is pointed at, touched or focused: one tooltip for many small things,
 * which need not each have one of their own. Escape hides it.
 */
export function TipArea({ children }: { readonly children: ReactNode }) {
  const [tip, setTip] = useState<Tip | null>(null);
  const hide = () => setTip(null);
  const show = ({ target }: SyntheticEvent) => {
    if (!(target instanceof Element) || target.closest("[role=tooltip]")) return;
    const on = target.closest("[data-tip]");
    const words = on?.getAttribute("data-tip");
    setTip((before) => (on && words ? (before?.on === on && before.words === words ? before : { on, words }) : null));
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: what is in the area is named for itself; this shows the same to the eye
    <div onPointerMove={show} onPointerLeave={hide} onFocus={show} onBlur={hide}>
      {children}
      <Popover.Root open={tip !== null} onOpenChange={(open) => !open && hide()}>
        {tip && <Popover.Anchor virtualRef={{ current: tip.on }} />}
        <Popover.Portal>
          <Popover.Content
            role="tooltip"
            side="top"
            sideOffset={4}
            onOpenAutoFocus={NOT_MOVED}
            onInteractOutside={NOT_MOVED}
            onCloseAutoFocus={NOT_MOVED}
            className="tip-after-a-while z-50 max-w-80 rounded-soft bg-tide-900 px-3 py-1.5 text-sand-50"
          >
            {tip?.words}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}
