import type { Movement } from "@able-tide/core/movement/format";
import { Copy, FlipHorizontal2, Minus, Plus, Redo2, Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import { Menu } from "../kit/menu.tsx";
import type { StudioModel } from "./studio-model.ts";

/** Share of a repetition that a key pose is moved by. */
const SHIFT = 0.05;

function Tool({ label, press, children }: { label: string; press: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={press}
      className="flex min-h-11 items-center gap-2 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100"
    >
      {children} {label}
    </button>
  );
}

/** Buttons for the chosen key pose, with undo and redo. */
export function KeyTools({ seen, index, studio }: { seen: Movement; index: number; studio: StudioModel }) {
  const { command } = studio;
  return (
    <div className="flex flex-wrap gap-2">
      <Tool label="Undo" press={studio.undo}>
        <Undo2 size={18} aria-hidden="true" />
      </Tool>
      <Tool label="Redo" press={studio.redo}>
        <Redo2 size={18} aria-hidden="true" />
      </Tool>
      <Tool label="Add after" press={() => command({ kind: "addAfter" })}>
        <Plus size={18} aria-hidden="true" />
      </Tool>
      <Tool label="Remove" press={() => command({ kind: "remove" })}>
        <Minus size={18} aria-hidden="true" />
      </Tool>
      <Tool label="Mirror" press={() => command({ kind: "mirror" })}>
        <FlipHorizontal2 size={18} aria-hidden="true" />
      </Tool>
      {index > 0 && (
        <Menu
          className="flex min-h-11 items-center gap-2 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100"
          items={seen.keys.slice(0, index).map((_, earlier) => [earlier, `Key pose ${earlier + 1}`] as const)}
          choose={(earlier) => command({ kind: "copyOf", index: earlier })}
        >
          <Copy size={18} aria-hidden="true" /> Same as key pose…
        </Menu>
      )}
      <Tool label="Earlier" press={() => command({ kind: "shift", by: -SHIFT })}>
        {null}
      </Tool>
      <Tool label="Later" press={() => command({ kind: "shift", by: SHIFT })}>
        {null}
      </Tool>
    </div>
  );
}
