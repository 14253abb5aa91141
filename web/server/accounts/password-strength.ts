import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import * as common from "@zxcvbn-ts/language-common";
import * as english from "@zxcvbn-ts/language-en";

/** The least score, of 0 to 4, that counts as hard to guess: some 10^8 tries and more. */
const HARD_TO_GUESS = 3;

let estimator: ZxcvbnFactory | null = null;

/** Its dictionaries take some megabytes, and are read when the first password is chosen. */
function passwords(): ZxcvbnFactory {
  estimator ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
  });
  return estimator;
}

/**
 * Whether a password is easy to guess: a common one, a word, a date, a pattern of keys, or made of what is known of its
 * owner.
 *
 * @param known texts about the owner, such as name, email and organisation
 */
export function isEasyToGuess(password: string, known: readonly string[]): boolean {
  const words = known
    .flatMap((text) => {
      const parts = text.split(/[^\p{L}\p{N}]+/u);
      return [text, parts.join(""), ...parts];
    })
    .filter((word) => word.length > 2);
  return passwords().check(password, ["able tide", ...words]).score < HARD_TO_GUESS;
}
