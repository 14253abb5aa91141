import type { Movement, MovementKey } from "./format.ts";

/** A form that there is, without anything of its own. */
const IS_THERE = {};

type Form = Movement["forms"]["standing"];
const stillForm = (form: Form): Form => (form === false ? false : IS_THERE);

/** Standing or sitting at ease, arms hanging. */
const AT_EASE: MovementKey = { at: 0, arms: { elevation: 12, plane: 20, elbow: 12, axial: 60 } };

/** Made before: the same movement is the same object, which saves solving it again. */
const madeBefore = new WeakMap<Movement, Movement>();

function madeOf(movement: Movement): Movement {
  const { breaths, forms, id, name, phase, sided } = movement;
  const { standing, supported, seated, water } = forms;
  return {
    format: movement.format,
    version: movement.version,
    id,
    name,
    purpose: ["calm"],
    phase,
    sided,
    breaths,
    stance: { kind: "hip" },
    keys: [
      AT_EASE,
      ...Array.from({ length: breaths }, (_, i): MovementKey => ({ at: (i + 1) / breaths, breath: "both", like: 0 })),
    ],
    entry: { feet: "hip", load: "both", hands: "down" },
    exit: "entry",
    forms: {
      standing: stillForm(standing),
      supported: stillForm(supported),
      seated: stillForm(seated),
      ...(water !== undefined && { water: stillForm(water) }),
    },
    vary: {},
    cues: {},
  };
}

/**
 * A movement done in the mind only: everyone stands or sits at ease for its breaths, and pictures it. Nothing moves, so it asks
 * no more than being there; it counts as calm. Made again for the same movement, it is the same object.
 *
 * @param movement that is pictured
 * @returns a movement with the same id, name, sides, breaths and variants
 */
export function imaginedMovement(movement: Movement): Movement {
  const before = madeBefore.get(movement);
  if (before) return before;
  const made = madeOf(movement);
  madeBefore.set(movement, made);
  return made;
}
