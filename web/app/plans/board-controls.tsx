import { Minus, Plus, Redo2, Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import { Tooltip } from "../kit/tooltip.tsx";

interface Props {
  readonly breathSeconds: number;
  readonly breath: (by: number) => void;
  /** Null where there is nothing to take back or to do again. */
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

function RoundButton({ label, press, children }: { label: string; press: (() => void) | null; children: ReactNode }) {
  return (
    <Tooltip words={label}>
      <button
        type="button"
        aria-label={label}
        disabled={press === null}
        onClick={press ?? undefined}
        className="flex size-11 items-center justify-center rounded-full hover:bg-tide-100 disabled:text-sand-300 disabled:hover:bg-transparent"
      >
        {children}
      </button>
    </Tooltip>
  );
}

/** The pace of the plan, and the way back. */
export function BoardControls({ breathSeconds, breath, undo, redo }: Props) {
  return (
    <>
      <span className="font-semibold">Breath length</span>
      <RoundButton label="Shorten breath" press={() => breath(-0.5)}>
        <Minus size={20} />
      </RoundButton>
      <span className="min-w-12 text-center font-bold">{breathSeconds} s</span>
      <RoundButton label="Lengthen breath" press={() => breath(0.5)}>
        <Plus size={20} />
      </RoundButton>
      <span className="mr-1 ml-2 flex">
        <RoundButton label="Undo" press={undo}>
          <Undo2 size={20} />
        </RoundButton>
        <RoundButton label="Redo" press={redo}>
          <Redo2 size={20} />
        </RoundButton>
      </span>
    </>
  );
}
