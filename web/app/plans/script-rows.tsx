import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import { itemAt } from "@able-tide/core/checked-access";
import { scriptPart } from "@able-tide/core/class/script";
import type { SheetItem } from "@able-tide/core/leading/session-sheet";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { CombinedPart } from "@able-tide/core/schedule/combined-items";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { walkLength } from "@able-tide/core/schedule/walks";
import { formatCircumstances } from "@able-tide/words/circumstances";
import { formatScriptPart } from "@able-tide/words/combination";
import { cuesOf } from "@able-tide/words/cues";
import { COUNT_ALOUD, formatRepetitions, GROWS, IN_MIND } from "@able-tide/words/repetitions";
import { formatHazard, formatTransitionSteps } from "@able-tide/words/schedule";
import { formatWalk } from "@able-tide/words/setup";
import { formatMinutes } from "@able-tide/words/text";
import { variantWords } from "@able-tide/words/variant-words";
import { KeyFigures } from "./key-figures.tsx";

/** Versions of the pictures of movements, by the movement's id. */
type PictureVersions = Readonly<Record<string, string>>;

const passWords = (part: CombinedPart): string => formatScriptPart(scriptPart(part));

/** An item of the script: as it is timed, reached by what most do, and as it is led. */
export interface LedBlock extends ScheduledItem {
  readonly led: SheetItem;
  /** Who does which version, and who sits down or stands up before it, in words; empty where it is nothing. */
  readonly versions: readonly string[];
  readonly change: string;
  /** Where the instructor and the helpers stand from here on, and who cannot see or be reached; empty where they stay. */
  readonly stand: readonly string[];
}

const nameOf = ({ movement, led }: LedBlock): string => variantWords(movement, led.shownVariant).name;

const repetitionsOf = ({ movement, turns, timedHold }: ScheduledItem): string => formatRepetitions(movement, turns, timedHold);

/** What is done before a movement, and what the helper is ready for. */
function Before({ block: { transition, sideChange, change, stand } }: { block: LedBlock }) {
  const hazards = [...new Set([...transition.hazards, ...(sideChange?.hazards ?? [])])];
  return (
    <>
      {change && <p className="font-semibold">{change}.</p>}
      {stand.length > 0 && <p>{stand.join(" ")}</p>}
      {transition.steps.length > 0 && (
        <p className="text-sand-600">First {formatTransitionSteps(transition.steps).join(", ")}.</p>
      )}
      {hazards.map((hazard) => (
        <p key={hazard} className="font-semibold">
          Helper, take care: {formatHazard(hazard)}.
        </p>
      ))}
    </>
  );
}

/** Who does which version, where not everyone does the same. */
function Versions({ block: { versions } }: { block: LedBlock }) {
  return versions.length > 1 && <p className="text-sand-600">{versions.join(". ")}.</p>;
}

/** Where a pass of a combination begins, and what is said before it. */
function PassHead({ part }: { part: CombinedPart }) {
  return (
    <li className="break-after-avoid border-t-2 border-tide-600 py-1 font-semibold">
      {passWords(part)}
      {part.pass.say && <span className="font-normal"> “{part.pass.say}”</span>}
    </li>
  );
}

const ROW = "script-row grid break-inside-avoid gap-x-[0.6em] border-t border-sand-300 py-[0.15em]";

/** A movement: its time, its key poses, and what is said. */
function SingleRow({ block, style, figures }: { block: LedBlock; style: TeachingStyle; figures: PictureVersions }) {
  const { opening, phrases, watch } = cuesOf(block, block.led.shownVariant, style);
  const walk = walkLength(
    block,
    { choice: block.plannedVariant, rounds: Math.max(...block.repetitionsPerSide) },
    REFERENCE_STATURE,
  );
  const besides = formatCircumstances(block.block, block.plannedVariant.kind === "water");
  return (
    <li
      className={`${ROW} grid-cols-[3em_1fr] items-start md:grid-cols-[3em_auto_1fr] print:grid-cols-[3em_auto_1fr] [.on-paper_&]:grid-cols-[3em_auto_1fr]`}
    >
      <span className="text-right font-bold">{formatMinutes(block.from)}</span>
      <KeyFigures
        movement={block.movement}
        planned={block.led.shownVariant}
        lead={block.turns[0]?.lead ?? "right"}
        version={figures[block.movement.id] ?? ""}
      />
      <div className="col-span-2 md:col-span-1 print:col-span-1 [.on-paper_&]:col-span-1">
        <p>
          <strong>{nameOf(block)}</strong> · {repetitionsOf(block)}
          {block.familiarity === "new" && " · new today"}
          {block.part === null && block.block.combination && ` · ${block.block.combination}`}
          {block.block.straight && " · no pause"}
          {block.block.inMind && " · in the mind only"}
        </p>
        <Before block={block} />
        <Versions block={block} />
        {opening.length > 0 && <p>{opening.join(" ")}</p>}
        {block.timedHold && <p className="font-semibold">{COUNT_ALOUD}</p>}
        {block.block.inMind && <p className="font-semibold">{IN_MIND}</p>}
        {besides && <p className="font-semibold">{besides}</p>}
        {walk && <p className="font-semibold">{formatWalk(walk, REFERENCE_STATURE)}</p>}
        {block.block.grows && !block.timedHold && <p className="font-semibold">{GROWS}</p>}
        {phrases.length > 0 && <p className="italic">{phrases.join(" · ")}</p>}
        {watch && <p className="text-sand-600">Watch: {watch}</p>}
      </div>
    </li>
  );
}

/** A part of a joined pass in a line: its words were said when it was taught in parts. */
function JoinedRow({ block }: { block: LedBlock }) {
  return (
    <li className={`${ROW} grid-cols-[3em_1fr]`}>
      <span className="text-right font-bold">{formatMinutes(block.from)}</span>
      <div>
        <p>
          <strong>{nameOf(block)}</strong> · {repetitionsOf(block)}
        </p>
        <Before block={block} />
        <Versions block={block} />
      </div>
    </li>
  );
}

interface Props {
  /** A movement, or all parts of a joined pass. */
  readonly blocks: readonly LedBlock[];
  readonly figures: PictureVersions;
}

/** A movement of the script, or a joined pass of a combination. */
export function ScriptRow({ blocks, figures, style }: Props & { style: TeachingStyle }) {
  const first = itemAt(blocks, 0);
  return (
    <>
      {first.part?.begins && <PassHead part={first.part} />}
      {first.part?.pass.how === "joined" ? (
        blocks.map((block) => <JoinedRow key={block.id} block={block} />)
      ) : (
        <SingleRow block={first} style={style} figures={figures} />
      )}
    </>
  );
}

/** One movement a card, or one joined pass, large enough to read from a metre with wet hands. */
export function ScriptCard({ blocks, figures, number, of }: Props & { number: number; of: number }) {
  const first = itemAt(blocks, 0);
  const joined = first.part?.pass.how === "joined";
  return (
    <li className="script-card flex break-inside-avoid flex-col gap-2 rounded-soft border-2 border-tide-800 p-6">
      <p className="flex justify-between text-2xl text-sand-600">
        <span>
          {number} of {of}
          {first.part && ` · ${passWords(first.part)}`}
        </span>
        <span>{formatMinutes(first.from)}</span>
      </p>
      {first.part?.begins && first.part.pass.say && <p className="text-2xl">“{first.part.pass.say}”</p>}
      {joined ? (
        <ol className="flex flex-col gap-1 text-4xl">
          {blocks.map((block) => (
            <li key={block.id}>
              <strong>{nameOf(block)}</strong> · {repetitionsOf(block)}
            </li>
          ))}
        </ol>
      ) : (
        <>
          <p className="font-display text-5xl font-bold">{nameOf(first)}</p>
          <p className="text-4xl">{repetitionsOf(first)}</p>
          {first.change && <p className="text-2xl font-semibold">{first.change}.</p>}
          <p className="text-2xl">
            {first.block.inMind ? IN_MIND : variantWords(first.movement, first.led.shownVariant).cues.do}
          </p>
          <KeyFigures
            movement={first.movement}
            planned={first.led.shownVariant}
            lead={first.turns[0]?.lead ?? "right"}
            version={figures[first.movement.id] ?? ""}
            large
          />
          {first.versions.length > 1 && <p className="text-2xl">{first.versions.join(". ")}.</p>}
        </>
      )}
    </li>
  );
}
