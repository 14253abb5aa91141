import { WATER_EQUIPMENT_NAMES } from "@able-tide/core/body/water-equipment";
import type { HoldRecord } from "@able-tide/core/class/clean-holds";
import { PHASES } from "@able-tide/core/movement/format";
import type { PlanItemChange } from "@able-tide/core/plan/change-item";
import type { HoldChange } from "@able-tide/core/plan/edit-plan";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { phaseLabel } from "@able-tide/words/phase";
import { ArrowLeft, ArrowRight, Copy, FlipHorizontal2, Minus, Plus, Trash2 } from "lucide-react";
import { type ReactNode, useState } from "react";
import { CheckLine } from "../kit/check-line.tsx";
import { Select } from "../kit/select.tsx";
import { Tooltip } from "../kit/tooltip.tsx";
import { BesidesSettings } from "./besides-settings.tsx";
import { type CombinationChange, type CombinationLibrary, CombinationSettings } from "./combination-settings.tsx";
import { HoldGrowth } from "./hold-growth.tsx";
import { HoldSettings } from "./hold-settings.tsx";
import {
  EQUIPMENT,
  EXPLANATIONS,
  HALF_SECONDS,
  PAUSES,
  pauseChange,
  pauseOptionOf,
  SIDES,
  sidesChange,
  sidesOf,
  VARIANTS,
  variantChange,
  variantOf,
} from "./plan-item-options.ts";

/** What can be done with the chosen block. */
export interface PlanItemActions {
  readonly rounds: (by: -1 | 1) => void;
  readonly move: (by: -1 | 1) => void;
  readonly remove: () => void;
  readonly double: () => void;
  readonly mirror: () => void;
  readonly set: (differs: PlanItemChange) => void;
  /** Holds it for some seconds, or repeats it. */
  readonly hold: (change: HoldChange) => void;
  /** Makes it and those after it a combination. */
  readonly combine: (parts: number, name: string) => void;
  readonly changeCombination: (change: CombinationChange) => void;
  readonly separate: () => void;
}

function IconButton({ label, keys, press, children }: { label: string; keys: string; press: () => void; children: ReactNode }) {
  return (
    <Tooltip words={`${label} ( ${keys} )`}>
      <button
        type="button"
        onClick={press}
        aria-label={label}
        className="flex size-11 items-center justify-center rounded-full border-[1.5px] border-tide-800 hover:bg-tide-100"
      >
        {children}
      </button>
    </Tooltip>
  );
}

/** Makes a combination of this movement and those after it. */
function Combine({ following, combine }: { following: number; combine: PlanItemActions["combine"] }) {
  const [name, setName] = useState("");
  const [parts, setParts] = useState(2);
  if (following < 1) return null;
  return (
    <fieldset className="rounded-[10px] border border-sand-300 p-3">
      <legend className="px-1 font-semibold">Combine movements</legend>
      <p className="text-sand-600">Teach this movement and the next as one thing: in parts, joined, then with few words.</p>
      <div className="mt-2 grid grid-cols-[1fr_auto] items-end gap-2">
        <label className="col-span-2">
          Name
          <input
            className="field-box"
            value={name}
            maxLength={60}
            onChange={({ currentTarget }) => setName(currentTarget.value)}
          />
        </label>
        <Select
          label="Parts"
          value={String(parts)}
          options={[2, 3, 4].filter((count) => count <= following + 1).map((count) => [String(count), String(count)] as const)}
          choose={(count) => setParts(Number(count))}
        />
        <button
          type="button"
          disabled={name.trim() === ""}
          onClick={() => combine(parts, name.trim())}
          className="min-h-11 rounded-full border-[1.5px] border-tide-800 px-4 font-semibold hover:bg-tide-100 disabled:opacity-50"
        >
          Combine
        </button>
      </div>
    </fieldset>
  );
}

/** One touch each: repetitions, place, double, side, remove. */
function QuickChanges({ what, actions }: { what: "repetition" | "hold"; actions: PlanItemActions }) {
  return (
    <div className="flex flex-wrap gap-1.5">
      <IconButton label={`Remove one ${what}`} keys="-" press={() => actions.rounds(-1)}>
        <Minus size={20} />
      </IconButton>
      <IconButton label={`Add one ${what}`} keys="+" press={() => actions.rounds(1)}>
        <Plus size={20} />
      </IconButton>
      <IconButton label="Move earlier" keys="[" press={() => actions.move(-1)}>
        <ArrowLeft size={20} />
      </IconButton>
      <IconButton label="Move later" keys="]" press={() => actions.move(1)}>
        <ArrowRight size={20} />
      </IconButton>
      <IconButton label="Duplicate" keys="d" press={actions.double}>
        <Copy size={20} />
      </IconButton>
      <IconButton label="Switch side" keys="m" press={actions.mirror}>
        <FlipHorizontal2 size={20} />
      </IconButton>
      <IconButton label="Remove" keys="Delete" press={actions.remove}>
        <Trash2 size={20} />
      </IconButton>
    </div>
  );
}

const BREATHS_TO_ONE = [
  ["", "One breath to each movement breath"],
  ["2", "Two breaths to one, half the pace"],
] as const;

/** Whether two breaths are taken to one, and whether the breath waits. Two breaths to one are full where nothing waits. */
function BreathSettings({ own, set }: { own: PlanItem; set: PlanItemActions["set"] }) {
  const two = own.breathsToOne === 2;
  return (
    <>
      <Select
        label="Breaths"
        value={two ? "2" : ""}
        options={BREATHS_TO_ONE}
        choose={(value) => set({ breathsToOne: value === "2" ? 2 : undefined })}
      />
      <Select
        label="Breath pause"
        value={pauseOptionOf(own)}
        options={PAUSES.filter(([value]) => !two || value === "top 0" || !value.startsWith("top"))}
        choose={(value) => set(pauseChange(value))}
      />
    </>
  );
}

/** What is chosen from a list: sides, variant, breath length, explanation, equipment and phase. */
function MoreSettings({ block, softFloor, set }: { block: ScheduledItem; softFloor: boolean; set: PlanItemActions["set"] }) {
  const { movement } = block;
  const own = block.part?.item ?? block.block;
  const holds = movement.forms.supported !== false;
  const inWater = block.plannedVariant.kind === "water";
  return (
    <div className="flex flex-col gap-2">
      {(movement.sided || block.part !== null) && (
        <Select label="Sides" value={sidesOf(own)} options={SIDES} choose={(value) => set(sidesChange(value))} />
      )}
      <Select
        label="Variant"
        value={variantOf(own)}
        options={holds ? VARIANTS : VARIANTS.slice(0, 2)}
        choose={(value) => set(variantChange(value))}
      />
      <Select
        label="Breath length"
        value={String(own.breathSeconds ?? "")}
        options={[["", "Same as the plan"], ...HALF_SECONDS.map((seconds) => [String(seconds), `${seconds} s`] as const)]}
        choose={(value) => set({ breathSeconds: value === "" ? undefined : Number(value) })}
      />
      {block.timedHold === null && <BreathSettings own={own} set={set} />}
      <Select
        label="Explanation before"
        value={String(own.talk ?? 0)}
        options={EXPLANATIONS.map((seconds) => [String(seconds), seconds === 0 ? "none" : `${seconds} s`] as const)}
        choose={(value) => set({ talk: Number(value) || undefined })}
      />
      {!own.inMind && <BesidesSettings own={own} offered={softFloor && !inWater} set={set} />}
      {inWater && (
        <Select
          label="In the hands"
          value={own.equipment ?? "bare"}
          options={EQUIPMENT}
          choose={(value) => set({ equipment: WATER_EQUIPMENT_NAMES.find((name) => name === value && name !== "bare") })}
        />
      )}
      <Select
        label="Phase"
        value={own.phase ?? ""}
        options={[
          ["", `${phaseLabel(movement.phase)} (movement's default)`],
          ...PHASES.map((phase) => [phase, phaseLabel(phase)] as const),
        ]}
        choose={(value) => set({ phase: PHASES.find((phase) => phase === value) })}
      />
    </div>
  );
}

/** How it joins, grows, or is only pictured. */
function HowDone({ own, held, set }: { own: PlanItem; held: boolean; set: PlanItemActions["set"] }) {
  return (
    <>
      <CheckLine
        label="No pause after the previous movement"
        checked={own.straight === true}
        change={(checked) => set({ straight: checked || undefined })}
      />
      {!held && !own.inMind && (
        <CheckLine
          label="Begin half way, then further each time"
          checked={own.grows === true}
          change={(checked) => set({ grows: checked || undefined })}
        />
      )}
      <CheckLine
        label="In the mind only: picture it, be still"
        checked={own.inMind === true}
        change={(checked) => set({ inMind: checked || undefined, ...(checked && { timedHold: undefined }) })}
      />
    </>
  );
}

/**
 * Everything of a block that can be said: repetitions, place, Sides, variant, pace, explanation, phase, how it joins.
 */
export function PlanItemSettings({
  block,
  following,
  held,
  softFloor,
  actions,
  library,
}: {
  block: ScheduledItem;
  /** How many items after it could be combined with it. */
  following: number;
  /** How the group last held this movement; null where it did not. */
  held: HoldRecord | null;
  /** Whether the place has a soft surface to stand on. */
  softFloor: boolean;
  actions: PlanItemActions;
  library: CombinationLibrary;
}) {
  const { part } = block;
  const own = part?.item ?? block.block;
  return (
    <div className="flex flex-col gap-2">
      <QuickChanges what={block.timedHold ? "hold" : "repetition"} actions={actions} />
      {part === null && block.movement.holdAt !== undefined && <HoldSettings hold={block.timedHold} change={actions.hold} />}
      {block.timedHold && <HoldGrowth hold={block.timedHold} held={held} grow={(grown) => actions.hold(() => grown)} />}
      <HowDone own={own} held={block.timedHold !== null} set={actions.set} />
      <details>
        <summary className="flex min-h-11 w-fit items-center underline underline-offset-4">
          Sides, variant, pace, explanation
        </summary>
        <MoreSettings block={block} softFloor={softFloor} set={actions.set} />
      </details>
      {part === null ? (
        <Combine key={block.id} following={following} combine={actions.combine} />
      ) : (
        <CombinationSettings
          key={part.item.id}
          combination={library.chosen ?? part.combination}
          change={actions.changeCombination}
          separate={actions.separate}
          library={library}
        />
      )}
    </div>
  );
}
