import { type MeasuredBody, USUAL_BODY } from "@able-tide/core/body/build";
import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import type { Cap } from "@able-tide/core/caps/cap";
import type { HoldRecord } from "@able-tide/core/class/clean-holds";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { USUAL_DEPTH } from "@able-tide/core/fit/performer";
import type { VariantSamples } from "@able-tide/core/movement/samples";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { waterlineAt } from "@able-tide/core/movement/water-demand";
import { circumstancesOf } from "@able-tide/core/plan/plan-item";
import { performedBy } from "@able-tide/core/schedule/performed-item";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { walkLength } from "@able-tide/core/schedule/walks";
import { formatCircumstances } from "@able-tide/words/circumstances";
import { formatPass } from "@able-tide/words/combination";
import { formatRepetitions, IN_MIND } from "@able-tide/words/repetitions";
import { formatWalk } from "@able-tide/words/setup";
import { formatMinutes, sentenceCase } from "@able-tide/words/text";
import { variantWords } from "@able-tide/words/variant-words";
import { memo, type ReactNode, useMemo, useState } from "react";
import { readChosenVariant } from "../kit/chosen-variant.ts";
import { DemandBars } from "../kit/demand-bars.tsx";
import { FloorView } from "../kit/floor-view.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { anglesUsed, type CappedAngle, cappedAngles } from "../kit/limit-arcs.tsx";
import { LiveFigure } from "../kit/live-figure.tsx";
import { FigureStrip, usePhase, useReducedMotion } from "../kit/moving-figure.tsx";
import { rowAt } from "../kit/row-at.ts";
import { stripOf } from "../kit/strip.ts";
import { describeVariant } from "../kit/variant-symbol.tsx";
import type { CombinationLibrary } from "./combination-settings.tsx";
import { type PlanItemActions, PlanItemSettings } from "./plan-item-settings.tsx";
import { TransitionSteps } from "./transition-steps.tsx";

interface PanelPerson {
  readonly name: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  /** Metres of water where they stand; only in a pool. */
  readonly depth?: number | null;
  readonly caps: readonly Cap[];
}

interface Props {
  readonly block: ScheduledItem;
  /** How many items after it could be combined with it. */
  readonly following: number;
  readonly library: CombinationLibrary;
  /** The person looked at with their cell; null shows the movement as it is meant. */
  readonly person: PanelPerson | null;
  readonly cell: CellView | null;
  /** How the group last held this movement; null where it did not. */
  readonly held: HoldRecord | null;
  /** Whether the place has a soft surface to stand on. */
  readonly softFloor: boolean;
  /** What is said of that person here, or of everyone. */
  readonly children: ReactNode;
  readonly actions: PlanItemActions;
}

const MIDDLING = { stature: REFERENCE_STATURE, measured: USUAL_BODY };

const KNOWN = {
  new: "New to this group; demonstrated slowly",
  second: "Done once before",
  known: "Familiar to this group",
  again: "Done earlier in this session",
} as const;

/** What takes the time of a block. */
function TimeOfBlock({ block }: { block: ScheduledItem }) {
  const { transition, explanation, demonstration, repetitions, sideChange } = block.parts;
  const parts = [
    ["transition", transition],
    ["explanation", explanation],
    ["demonstration", demonstration],
    [block.timedHold ? "holds, with the way there and back" : "repetitions", repetitions],
    [block.turns.some(({ back }) => back) ? "turning round" : "change of sides", sideChange],
  ] as const;
  return (
    <p className="text-sand-600">
      {formatMinutes(block.total)} min:{" "}
      {parts
        .filter(([, seconds]) => seconds > 0)
        .map(([label, seconds]) => `${label} ${Math.round(seconds)} s`)
        .join(", ")}
      . {KNOWN[block.familiarity]}.
    </p>
  );
}

const NO_CAPS: readonly Cap[] = [];
const FRONT_AND_SIDE = ["front", "side"] as const;

interface PicturesProps {
  readonly samples: VariantSamples;
  readonly phase: number;
  readonly still: boolean;
  readonly waterline: number | undefined;
  readonly inHands: WaterEquipment | undefined;
  readonly lines: ReturnType<typeof handLines>;
  readonly angles: readonly CappedAngle[];
  readonly name: string;
}

/** The variant from the front and from the side, moving; or its key poses where less motion is wanted. */
function Pictures({ samples, phase, still, waterline, inHands, lines, angles, name }: PicturesProps) {
  return (
    <>
      {still ? (
        <FigureStrip strip={stripOf(samples)} waterline={waterline} inHands={inHands} className="h-40" />
      ) : (
        <LiveFigure
          samples={samples}
          phase={phase}
          waterline={waterline}
          inHands={inHands}
          views={FRONT_AND_SIDE}
          lines={lines}
          angles={angles}
          label={`${name} from the front and from the right side`}
          className="h-48"
        />
      )}
    </>
  );
}

/**
 * The movement under the hand: the figure of the person's own variant, its demand on them, and the reasons.
 *
 * Long because everything that it shows is read from one solved variant.
 */
export const PlanItemPanel = memo(function BlockPanel({
  block,
  following,
  library,
  person,
  cell,
  held,
  softFloor,
  children,
  actions,
}: Props) {
  const { movement, cycleSeconds: cycle } = performedBy(block, cell?.holdSeconds);
  const still = useReducedMotion();
  const [since] = useState(() => (typeof window === "undefined" ? null : Date.now()));
  const phase = usePhase(since, cycle, still);
  const choice = cell ? cell.choice : block.plannedVariant;
  const words = variantWords(movement, choice ?? block.plannedVariant);
  const rounds = Math.max(...block.repetitionsPerSide);
  const { stature, measured } = person ?? MIDDLING;
  const usual = choice?.kind === "water" ? USUAL_DEPTH * stature : undefined;
  const depth = person?.depth ?? usual;
  const { block: said } = block;
  const form = useMemo(() => {
    if (choice === null) return null;
    const circumstances = choice.eased ? null : circumstancesOf(said, choice.kind === "water");
    const body = { stature, measured, ...(circumstances && { circumstances }) };
    return readChosenVariant(movement, choice, body, cycle, depth);
  }, [movement, choice, said, stature, measured, cycle, depth]);
  const waterline = depth === undefined ? undefined : waterlineAt(depth, stature, choice?.kind === "seated");
  const now = form && rowAt(form.samples, phase);
  const caps = person?.caps ?? NO_CAPS;
  const angles = useMemo(() => (form ? anglesUsed(cappedAngles(caps), form.demands) : []), [form, caps]);
  const lines = now ? handLines(caps, now.row) : [];
  const [left, right] = block.repetitionsPerSide;
  const walk = walkLength(block, { choice, rounds: cell?.rounds ?? rounds }, stature);
  const besides = formatCircumstances(said, block.plannedVariant.kind === "water");
  return (
    <div className="flex flex-col gap-3">
      <div>
        <h2 className="text-2xl">{words.name}</h2>
        <p className="text-sand-600">
          {person ? `${person.name} · ${cell ? describeVariant(cell) : "Calculating…"}` : "As planned, for everyone"}
        </p>
      </div>
      {form && now && (
        <>
          <Pictures
            samples={form.samples}
            phase={phase}
            still={still}
            waterline={waterline}
            inHands={choice?.kind === "water" ? said.equipment : undefined}
            lines={lines}
            angles={angles}
            name={words.name}
          />
          <FloorView
            row={now.row}
            base={form.samples.bases[now.sample] ?? []}
            frame={segmentOfSample(form.samples, now.sample).frame}
            stature={stature}
            className="w-full rounded-[10px] bg-sand-100"
          />
          <DemandBars demands={form.demands} caps={caps} rounds={rounds} />
        </>
      )}
      {children}
      <p className="text-sand-600">Estimated from a body model to compare variants. It does not measure risk.</p>
      <div className="flex flex-col gap-2 border-t border-sand-300 pt-3">
        <p>
          {block.part !== null ? (
            <>
              <strong>
                {block.part.combination.name}, pass {block.part.passNumber + 1} of {block.part.combination.passes.length}:
              </strong>{" "}
              {formatPass(block.part.pass)}
            </>
          ) : block.timedHold ? (
            <strong>{sentenceCase(formatRepetitions(block.movement, block.turns, block.timedHold))}</strong>
          ) : (
            <>
              <strong>{block.block.rounds} repetitions counted</strong>: left {left}, right {right}
            </>
          )}
        </p>
        {walk && <p>{formatWalk(walk, stature)}</p>}
        <TimeOfBlock block={block} />
        <PlanItemSettings
          block={block}
          following={following}
          held={held}
          softFloor={softFloor}
          actions={actions}
          library={library}
        />
        <TransitionSteps title="Transition into this movement" transition={block.transition} />
        {block.sideChange && (
          <TransitionSteps
            title={block.turns.some(({ back }) => back) ? "Turning round" : "Changing sides"}
            transition={block.sideChange}
          />
        )}
      </div>
      <p>
        {block.block.inMind ? IN_MIND : words.cues.do} {besides && <strong>{besides} </strong>}
        {words.cues.watch && <span className="text-sand-600">Watch for: {words.cues.watch}</span>}
      </p>
    </div>
  );
});
