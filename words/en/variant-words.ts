import type { Movement, MovementKey } from "@able-tide/core/movement/format";
import { onlyArmsMove } from "@able-tide/core/movement/only-arms";
import { armMoves, type VariantSpec } from "@able-tide/core/movement/variant";
import { SIDES } from "@able-tide/core/side";

type Cues = Movement["cues"];

/** The words of one variant: what it is called, its cues, and what is said on the way to each key pose. */
export interface VariantWords {
  readonly name: string;
  readonly cues: Cues;
  readonly says: readonly string[];
}

/** Cue for someone who stands or sits still where the movement goes on to the legs. */
const LEGS_STILL = "Keep the feet and legs still and move the arms only.";

/** What an arm does that takes no part, by what the hands hold. */
const HELD = { both: "Hold on with both hands", one: "Hold on with one hand, rest the other arm", none: "Rest the arms" };

/** Cue for someone whose arms rest or hold on, where the arms are part of the movement. */
function armsRest(keys: readonly MovementKey[], hold: VariantSpec["hold"]): string {
  const hands = HELD[hold === null ? "none" : hold.hand === "both" ? "both" : "one"];
  return onlyArmsMove(keys) ? `${hands} and breathe along.` : `${hands} and let the rest of the body move.`;
}

const stated = (cues: Cues | undefined): Cues =>
  Object.fromEntries(Object.entries(cues ?? {}).filter(([, words]) => words !== undefined && words !== ""));

/**
 * Words of a movement in a variant, the most particular first: those for one hand in this variant, for one hand, of
 * this variant, of the movement.
 */
export function variantWords(
  movement: Movement,
  { kind, hold, arms, sizes }: Pick<VariantSpec, "kind" | "hold" | "arms" | "sizes">,
): VariantWords {
  const form = movement.forms[kind];
  const own = form === undefined || form === false ? {} : form;
  const choice = { hold, arms } as VariantSpec;
  const moving = SIDES.filter((side) => armMoves(choice, side)).length;
  const oneHand = moving === 2 ? [] : [movement.oneHand, own.oneHand];
  const oneMoves = moving === 1 ? oneHand : [];
  const name = oneMoves.reduce((named, each) => each?.name ?? named, own.name ?? movement.name);
  const keys: readonly MovementKey[] = own.keys ?? movement.keys;
  // A variant with key poses of its own says nothing on the way to the movement's.
  const says = [own.say, own.keys ? undefined : oneMoves[0]?.say, oneMoves[1]?.say];
  return {
    name: name.own ?? name.en,
    cues: {
      ...movement.cues,
      ...stated(own.cues),
      ...stated(oneHand[0]?.cues),
      ...stated(oneHand[1]?.cues),
      ...(sizes.legs === 0 ? { do: LEGS_STILL } : {}),
      ...(moving === 0 && movement.oneHand ? { do: armsRest(keys, hold) } : {}),
    },
    says: keys.map(({ say }, i) => says.reduce((said, each) => each?.[i] ?? said, say) ?? ""),
  };
}
