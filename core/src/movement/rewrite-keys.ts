import type { Movement, MovementKey } from "./format.ts";

/** Key poses made from others, and for each the number of the one it was made from; null for one that is new. */
export interface RewrittenKeys {
  readonly keys: MovementKey[];
  readonly from: readonly (number | null)[];
}

/**
 * A movement with its key poses rewritten, and those of every variant that has its own; what variants and one hand say on the way
 * follows the key poses that it belongs to.
 *
 * @param movement as it is written
 * @param rewrite makes the key poses of the movement, or of a variant with its own, whose own hold it is told
 * @param word makes what is said of what was said
 */
export function rewriteKeys(
  movement: Movement,
  rewrite: (keys: Movement["keys"], holdAt?: number) => RewrittenKeys,
  word: (said: string) => string = (said) => said,
): Movement {
  const whole = rewrite(movement.keys);
  const saidIn = <Said extends { say?: string[] | undefined }>(part: Said, { from }: RewrittenKeys): Said =>
    part.say ? { ...part, say: from.map((i) => (i === null ? "" : word(part.say?.[i] ?? ""))) } : part;
  const inForm = (form: Movement["forms"]["standing"]): Movement["forms"]["standing"] => {
    if (form === false) return false;
    const own = form.keys && rewrite(form.keys, form.holdAt);
    return {
      ...saidIn(form, own ?? whole),
      ...(own && { keys: own.keys }),
      ...(form.oneHand && { oneHand: saidIn(form.oneHand, own ?? whole) }),
    };
  };
  const { standing, supported, seated, water } = movement.forms;
  return {
    ...movement,
    keys: whole.keys,
    forms: {
      standing: inForm(standing),
      supported: inForm(supported),
      seated: inForm(seated),
      ...(water !== undefined && { water: inForm(water) }),
    },
    ...(movement.oneHand && { oneHand: saidIn(movement.oneHand, whole) }),
  };
}
