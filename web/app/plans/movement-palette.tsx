import { type Movement, PHASES, taughtName } from "@able-tide/core/movement/format";
import type { Combination } from "@able-tide/core/plan/combination";
import { phaseLabel } from "@able-tide/words/phase";
import { contentLabel } from "@able-tide/words/plan";
import { Plus } from "lucide-react";
import { memo, type Ref, useState } from "react";
import type { Fills } from "./use-palette-order.ts";

interface Props {
  readonly movements: readonly Movement[];
  /** Those of the library; one whose movements are not all here is not offered. */
  readonly combinations: readonly Combination[];
  readonly addCombination: (combination: Combination) => void;
  /** What each would fill of what the plan lacks. */
  readonly fills: ReadonlyMap<string, Fills>;
  readonly add: (movement: Movement) => void;
  readonly ref?: Ref<HTMLInputElement>;
}

const matches = (movement: Movement, words: string): boolean =>
  words
    .toLowerCase()
    .split(/\s+/)
    .every((word) =>
      `${movement.name.en} ${movement.name.own ?? ""} ${movement.purpose.join(" ")} ${movement.phase}`
        .toLowerCase()
        .includes(word),
    );

function Lacking({ movement, fills }: { movement: Movement; fills: Props["fills"] | null }) {
  const content = fills?.get(movement.id)?.content;
  return content ? <span className="font-normal text-tide-700">Suggested: more {contentLabel(content)}</span> : null;
}

const BUTTON =
  "flex min-h-11 items-center gap-2 rounded-[10px] border border-sand-300 bg-white px-4 font-semibold hover:bg-tide-100";

interface CombinationsProps extends Pick<Props, "movements" | "combinations"> {
  /** What is searched for. */
  readonly words: string;
  readonly add: Props["addCombination"];
}

/** Combinations of the library that can be taught here, as one more list. */
function Combinations({ movements, combinations, words, add }: CombinationsProps) {
  const known = new Set(movements.map(({ id }) => id));
  const here = combinations.filter(
    ({ name, parts }) =>
      parts.every(({ movementId }) => known.has(movementId)) && name.toLowerCase().includes(words.trim().toLowerCase()),
  );
  if (here.length === 0) return null;
  return (
    <div>
      <h3 className="mb-1 font-sans text-base font-normal text-sand-600">combinations</h3>
      <ul className="flex flex-wrap gap-2">
        {here.map((combination) => (
          <li key={combination.name}>
            <button type="button" onClick={() => add(combination)} className={BUTTON}>
              <Plus size={18} aria-hidden="true" /> {combination.name}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** One movement, one touch away from the plan. */
function PaletteItem({ movement, fills, add }: { movement: Movement; fills: Props["fills"] | null; add: Props["add"] }) {
  return (
    <li>
      <button type="button" onClick={() => add(movement)} className={BUTTON}>
        <Plus size={18} aria-hidden="true" /> {taughtName(movement)}
        <Lacking movement={movement} fills={fills} />
      </button>
    </li>
  );
}

/** So many that would fill most are marked. */
const MARKED = 4;

/**
 * The movements there are, by phase, what fills most of what is lacking first, each one touch away from the plan; typing
 * narrows them and Enter takes the first.
 */
export const MovementPalette = memo(function MovementPalette({
  movements,
  combinations,
  fills,
  add,
  addCombination,
  ref,
}: Props) {
  const [words, setWords] = useState("");
  const worth = ({ id }: Movement): number => fills.get(id)?.worth ?? 0;
  const found = movements.filter((movement) => matches(movement, words)).toSorted((a, b) => worth(b) - worth(a));
  const marked = new Set(found.slice(0, MARKED).filter((movement) => worth(movement) > 0));
  const inOrder = PHASES.flatMap((phase) => found.filter((movement) => movement.phase === phase));
  return (
    <section aria-labelledby="palette-head" className="mt-6">
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <h2 id="palette-head" className="text-xl">
          Add a movement
        </h2>
        <input
          ref={ref}
          type="search"
          aria-label="Search movements by name or purpose"
          placeholder="name or purpose"
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
          onKeyDown={(event) => {
            const [first] = inOrder;
            if (event.key === "Escape") event.currentTarget.blur();
            if (event.key !== "Enter" || !first) return;
            event.preventDefault();
            add(first);
            setWords("");
          }}
          className="field-box max-w-64"
        />
      </div>
      <div className="flex flex-wrap gap-x-8 gap-y-4">
        {PHASES.map((phase) => {
          const here = found.filter((movement) => movement.phase === phase);
          if (here.length === 0) return null;
          return (
            <div key={phase}>
              <h3 className="mb-1 font-sans text-base font-normal text-sand-600">{phaseLabel(phase)}</h3>
              <ul className="flex flex-wrap gap-2">
                {here.map((movement) => (
                  <PaletteItem key={movement.id} movement={movement} fills={marked.has(movement) ? fills : null} add={add} />
                ))}
              </ul>
            </div>
          );
        })}
        <Combinations movements={movements} combinations={combinations} words={words} add={addCombination} />
        {found.length === 0 && <p>No movement found. Try another name or a purpose.</p>}
      </div>
    </section>
  );
});
