import { type Movement, PHASES, taughtName } from "@able-tide/core/movement/format";
import { Plus } from "lucide-react";
import { type Ref, useState } from "react";

interface Props {
  readonly movements: readonly Movement[];
  readonly add: (movementId: string) => void;
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

/** The movements there are, by phase, each one touch away from the plan; typing narrows them and Enter takes the first. */
export function MovementPalette({ movements, add, ref }: Props) {
  const [words, setWords] = useState("");
  const found = movements.filter((movement) => matches(movement, words));
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
          aria-label="Find a movement by name or purpose"
          placeholder="name or purpose"
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
          onKeyDown={(event) => {
            const [first] = inOrder;
            if (event.key !== "Enter" || !first) return;
            event.preventDefault();
            add(first.id);
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
              <h3 className="mb-1 font-sans text-base font-normal text-sand-600">{phase}</h3>
              <ul className="flex flex-wrap gap-2">
                {here.map((movement) => (
                  <li key={movement.id}>
                    <button
                      type="button"
                      onClick={() => add(movement.id)}
                      className="flex min-h-11 items-center gap-2 rounded-[10px] border border-sand-300 bg-white px-4 font-semibold hover:bg-tide-100"
                    >
                      <Plus size={18} aria-hidden="true" /> {taughtName(movement)}
                    </button>
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
        {found.length === 0 && <p>No movement is called that.</p>}
      </div>
    </section>
  );
}
