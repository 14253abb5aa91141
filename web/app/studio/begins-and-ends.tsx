import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import type { EntryState, FeetState, HandsState, LoadState, Movement } from "@able-tide/core/movement/format";
import { type MovementState, statesOf } from "@able-tide/core/movement/start-and-end";
import { travels, walkOf } from "@able-tide/core/movement/travel";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { formatWalkEnd } from "@able-tide/words/setup";
import { memo } from "react";
import type { EditMovement } from "./edit-movement.ts";

const FEET: Record<FeetState, string> = {
  together: "feet together",
  hip: "feet hip-width apart",
  wide: "feet wide apart",
  semi: "semi-tandem (instep to toe)",
  tandem: "tandem (heel to toe)",
  bow: "one foot forward",
  lift: "one foot off the floor",
  toe: "one foot's toes on the floor",
};
const LOAD: Record<LoadState, string> = {
  lead: "weight on the leading foot",
  both: "weight on both",
  trail: "weight on the other foot",
};
const HANDS: Record<HandsState, string> = {
  down: "arms at the sides",
  belly: "hands on the belly",
  front: "hands in front",
  up: "hands up",
  ballLead: "hands round a ball, leading hand on top",
  ballTrail: "hands round a ball, other hand on top",
  holdLead: "leading hand on a support",
  holdTrail: "other hand on a support",
  holdBoth: "both hands on a support",
};

const inWords = ({ feet, load, hands, support }: MovementState): string =>
  support === "seat" ? `seated, ${HANDS[hands]}` : `${FEET[feet]}, ${LOAD[load]}, ${HANDS[hands]}`;

const OPEN = [
  ["feet", "the feet"],
  ["load", "the weight"],
  ["hands", "the hands"],
] as const;

interface Props {
  readonly movement: Movement;
  readonly edit: EditMovement;
}

/** Where a repetition begins and ends, as its key poses show, and what the beginning may leave open. */
export const BeginsAndEnds = memo(function BeginsAndEnds({ movement, edit }: Props) {
  const states = [FULL_STANDING_VARIANT, FULL_SEATED_VARIANT, { ...FULL_STANDING_VARIANT, kind: "water" } as const]
    .map((choice) => statesOf(movement, choice))
    .find((found) => found !== null);
  if (!states) return null;
  const walk = walkOf(movement, movement.forms.standing === false ? "water" : "standing");
  const begins = inWords(states.entry);
  const ends = inWords(states.exit);
  const setOpen = (part: (typeof OPEN)[number][0], open: boolean) => {
    const { feet, load, hands } = states.entry;
    edit((now) => {
      const entry: EntryState = { feet, load, hands, ...now.entry, [part]: open ? "any" : states.entry[part] };
      return { ...now, entry };
    });
  };
  return (
    <fieldset className="rounded-soft border border-sand-300 bg-white p-5">
      <legend className="px-1 font-display text-lg font-bold">Start and end position</legend>
      <p>
        Begins with {begins}; {begins === ends ? "ends in the start position" : `ends with ${ends}`}.
        {travels(walk) && ` ${formatWalkEnd({ ahead: walk.ahead * REFERENCE_STATURE, aside: walk.aside * REFERENCE_STATURE })}.`}
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-x-6">
        <span>Any at the start:</span>
        {OPEN.map(([part, label]) => (
          <label key={part} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              checked={movement.entry?.[part] === "any"}
              onChange={({ currentTarget }) => setOpen(part, currentTarget.checked)}
              className="size-5 accent-tide-700"
            />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  );
});
