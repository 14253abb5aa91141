import { COMBINATION_BOUNDS, type Combination, type CombinationPass, PART_ORDERS } from "@able-tide/core/plan/combination";
import { REPETITIONS } from "@able-tide/core/plan/plan-item";
import { partOrderLabel } from "@able-tide/words/combination";
import { dequal } from "dequal";
import { ArrowUp, Plus, Trash2 } from "lucide-react";
import { type ReactNode, useId, useState } from "react";
import { Select } from "../kit/select.tsx";
import { HALF_SECONDS } from "./plan-item-options.ts";

/** What becomes of a combination; it changes what it is by then, so that quick changes add up. */
export type CombinationChange = (combination: Combination) => Combination;

type Change = (change: CombinationChange) => void;

/** Movements and combinations that there are. */
export interface CombinationLibrary {
  /** The chosen combination as the plan has it by now: what is drawn may still be of a moment before. */
  readonly chosen: Combination | null;
  readonly combinations: readonly Combination[];
  /** What a movement is taught by. */
  readonly nameOf: (movementId: string) => string;
  readonly save: (combination: Combination) => void;
}

const changedAt = <Item,>(items: readonly Item[], at: number, change: (item: Item) => Item): readonly Item[] =>
  items.map((item, i) => (i === at ? change(item) : item));

const changePass =
  (at: number, differs: { readonly [Part in keyof CombinationPass]?: CombinationPass[Part] | undefined }): CombinationChange =>
  (combination) => ({
    ...combination,
    passes: changedAt(
      combination.passes,
      at,
      (pass) =>
        Object.fromEntries(
          Object.entries({ ...pass, ...differs }).filter(([, value]) => value !== undefined),
        ) as unknown as CombinationPass,
    ),
  });

const HOW = [
  ["parts", "In parts"],
  ["joined", "Joined"],
  ["quiet", "Few words"],
] as const;

const PASS_SIDES = [
  ["", "Both sides"],
  ["first", "First side only"],
  ["other", "Other side only"],
] as const;

const ROUNDS = [
  ["", "Repetitions of the item"],
  ...Array.from({ length: REPETITIONS.most }, (_, i) => [String(i + 1), `${i + 1} repetition${i === 0 ? "" : "s"}`] as const),
] as const;

const BREATHS = [
  ["", "Breath of the item"],
  ...HALF_SECONDS.map((seconds) => [String(seconds), `${seconds} s a breath`] as const),
] as const;

const TIMES = [1, 2, 3].map((times) => [String(times), times === 1 ? "once" : times === 2 ? "twice" : "three times"] as const);

function SmallButton({ label, press, children }: { label: string; press: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={press}
      aria-label={label}
      className="flex size-11 shrink-0 items-center justify-center rounded-full hover:bg-tide-100"
    >
      {children}
    </button>
  );
}

interface PassProps {
  readonly pass: CombinationPass;
  readonly number: number;
  readonly only: boolean;
  readonly change: Change;
}

/** What a pass has of its own: sides, repetitions, pace, and what is said before it. */
function PassFields({ pass, number, change }: Omit<PassProps, "only">) {
  const at = number - 1;
  const [said, setSaid] = useState(pass.say ?? "");
  return (
    <div className="flex flex-col gap-2 pb-1">
      <Select
        label=""
        name={`Sides of pass ${number}`}
        value={pass.side ?? ""}
        options={PASS_SIDES}
        choose={(value) => change(changePass(at, { side: value === "" ? undefined : value }))}
      />
      <Select
        label=""
        name={`Repetitions of pass ${number}`}
        value={String(pass.rounds ?? "")}
        options={ROUNDS}
        choose={(value) => change(changePass(at, { rounds: value === "" ? undefined : Number(value) }))}
      />
      <Select
        label=""
        name={`Breath of pass ${number}`}
        value={String(pass.breathSeconds ?? "")}
        options={BREATHS}
        choose={(value) => change(changePass(at, { breathSeconds: value === "" ? undefined : Number(value) }))}
      />
      <label>
        Say before it
        <input
          className="field-box"
          value={said}
          maxLength={COMBINATION_BOUNDS.say}
          onChange={({ currentTarget }) => setSaid(currentTarget.value)}
          onBlur={() => change(changePass(at, { say: said.trim() === "" ? undefined : said.trim() }))}
        />
      </label>
    </div>
  );
}

/** One pass: how it is done, on which sides, how often, at what pace, and what is said before it. */
function Pass({ pass, number, only, change }: PassProps) {
  const at = number - 1;
  const how = pass.how === "parts" ? "parts" : pass.quiet ? "quiet" : "joined";
  return (
    <li className="rounded-[10px] bg-sand-100 p-2">
      <div className="flex items-center gap-2">
        <span className="font-bold">{number}.</span>
        <div className="min-w-0 flex-1">
          <Select
            label=""
            name={`How pass ${number} is done`}
            value={how}
            options={HOW}
            choose={(value) =>
              change(changePass(at, { how: value === "parts" ? "parts" : "joined", quiet: value === "quiet" ? true : undefined }))
            }
          />
        </div>
        {!only && (
          <SmallButton
            label={`Remove pass ${number}`}
            press={() => change((now) => ({ ...now, passes: now.passes.filter((_, i) => i !== at) }))}
          >
            <Trash2 size={18} />
          </SmallButton>
        )}
      </div>
      <details>
        <summary className="flex min-h-11 w-fit items-center underline underline-offset-4">Change this pass</summary>
        <PassFields pass={pass} number={number} change={change} />
      </details>
    </li>
  );
}

/** The part one place earlier. */
const earlier =
  (at: number): CombinationChange =>
  (now) => {
    const part = now.parts[at];
    return part ? { ...now, parts: now.parts.toSpliced(at, 1).toSpliced(at - 1, 0, part) } : now;
  };

interface PartsProps {
  readonly combination: Combination;
  readonly change: Change;
  readonly nameOf: (movementId: string) => string;
}

/** The parts in their order, and how often each is done. */
function Parts({ combination, change, nameOf }: PartsProps) {
  return (
    <ol className="flex flex-col">
      {combination.parts.map(({ movementId, times = 1 }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a movement may be a part more than once
        <li key={i} className="flex items-center gap-1">
          <span className="min-w-0 flex-1 leading-tight">{nameOf(movementId)}</span>
          {i > 0 && (
            <SmallButton label={`Move ${nameOf(movementId)} earlier`} press={() => change(earlier(i))}>
              <ArrowUp size={18} />
            </SmallButton>
          )}
          <Select
            label=""
            name={`How often part ${i + 1}, ${nameOf(movementId)}, is done`}
            look="line"
            value={String(times)}
            options={TIMES}
            choose={(value) =>
              change((now) => ({
                ...now,
                parts: changedAt(now.parts, i, (part) => ({
                  movementId: part.movementId,
                  ...(value !== "1" && { times: Number(value) }),
                })),
              }))
            }
          />
        </li>
      ))}
    </ol>
  );
}

interface Props {
  readonly combination: Combination;
  readonly change: Change;
  readonly separate: () => void;
  readonly library: CombinationLibrary;
}

/** One more pass, the parts by themselves again, and the library. */
function Buttons({ combination, change, separate, library }: Props) {
  const { passes } = combination;
  const saved = library.combinations.some((each) => dequal(each, combination));
  return (
    <div className="flex flex-wrap gap-2">
      {passes.length < COMBINATION_BOUNDS.passes.most && (
        <button
          type="button"
          onClick={() => change((now) => ({ ...now, passes: [...now.passes, { how: "joined" }] }))}
          className="flex min-h-11 items-center gap-1 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100"
        >
          <Plus size={18} aria-hidden="true" /> Add a pass
        </button>
      )}
      <button
        type="button"
        onClick={separate}
        className="min-h-11 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100"
      >
        Separate the parts
      </button>
      <button
        type="button"
        disabled={saved}
        onClick={() => library.save(combination)}
        className="min-h-11 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100 disabled:opacity-50"
      >
        {saved ? "Saved in the library" : "Save in the library"}
      </button>
    </div>
  );
}

/** A combination of the plan: its name, its parts, how they follow one another, and its passes. */
export function CombinationSettings({ combination, change, separate, library }: Props) {
  const { name, order, passes } = combination;
  const [typed, setTyped] = useState(name);
  const nameId = useId();
  return (
    <fieldset className="flex min-w-0 flex-col gap-2 rounded-[10px] border border-sand-300 p-3">
      <legend className="px-1 font-semibold">Combination</legend>
      <label htmlFor={nameId}>Name</label>
      <input
        id={nameId}
        className="field-box"
        value={typed}
        maxLength={COMBINATION_BOUNDS.name}
        onChange={({ currentTarget }) => setTyped(currentTarget.value)}
        onBlur={() => (typed.trim() === "" ? setTyped(name) : change((now) => ({ ...now, name: typed.trim() })))}
      />
      <Parts combination={combination} change={change} nameOf={library.nameOf} />
      <Select
        label="When joined"
        value={order}
        options={PART_ORDERS.map((each) => [each, partOrderLabel(each)] as const)}
        choose={(value) => change((now) => ({ ...now, order: value }))}
      />
      <p className="font-semibold">Passes</p>
      <ol className="flex flex-col gap-2">
        {passes.map((pass, i) => (
          <Pass
            // biome-ignore lint/suspicious/noArrayIndexKey: passes have no other name than their place
            key={i}
            pass={pass}
            number={i + 1}
            only={passes.length === 1}
            change={change}
          />
        ))}
      </ol>
      <Buttons combination={combination} change={change} separate={separate} library={library} />
      <p className="text-sand-600">
        Joined parts have no pause. No participant sits down or stands up between them: a participant who sits for one part sits
        for all.
      </p>
    </fieldset>
  );
}
