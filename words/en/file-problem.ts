import type { FileProblem, FileProblemCode } from "@able-tide/core/files/json";
import type { AnatomyProblem } from "@able-tide/core/movement/anatomy";
import type { BodyCannot } from "@able-tide/core/movement/check-movement";
import type { Contradiction } from "@able-tide/core/movement/start-and-end";
import type { Misfit } from "./misfitting-words.ts";
import { formatAnatomyProblem, formatMovementProblem } from "./movement.ts";

const inPercent = (phase: number): string => `at ${Math.round(100 * phase)}% of a repetition`;

/** `picklist` and `literal` tell what they expect as code, as `("lead" | "trail")`. */
const listed = (expected: unknown): string =>
  String(expected)
    .replace(/^\(|\)$/g, "")
    .replaceAll(" | ", ", ");

/** Sentences without their subject: the path names the place. */
const SENTENCES: Readonly<Record<FileProblemCode, (requirement: never) => string>> = {
  notJson: () => "this is not JSON",
  notText: () => "must be text",
  notNumber: () => "must be a number",
  notWhole: () => "must be a whole number",
  notTrueOrFalse: () => "must be true or false",
  notList: () => "must be a list",
  notObject: () => "must be a group of named values",
  notExactly: (expected: unknown) => `must be ${listed(expected)}`,
  wrongVersion: (expected: unknown) =>
    Number(expected) === 1
      ? "must be 1: this release reads version 1 of the format"
      : `must be ${expected} or lower: this release reads versions up to ${expected} of the format`,
  notOneOf: (expected: unknown) => `must be one of ${listed(expected)}`,
  tooSmall: (least: number) => `must be at least ${least}`,
  tooLarge: (most: number) => `must be at most ${most}`,
  tooLong: (most: number) => `must be at most ${most} characters`,
  tooMany: (most: number) => `may have at most ${most} entries`,
  empty: () => "must not be empty",
  tooFew: (least: number) => `needs at least ${least}`,
  wrongLetters: () => "must be small letters, digits and hyphens",
  missing: () => "is missing",
  unknown: () => "is not known here: check its spelling",
  impossible: () => "is not possible",
  notAForm: () => "must be false or a form",
  notAState: () => 'must be "entry" or a state',
  firstKeyPose: () => "the first key pose must be at 0",
  keyPoseOrder: () => "must be later than the key pose before it",
  laterKeyPose: () => "must name an earlier key pose",
  lastKeyPose: () => "the last key pose must be at 1",
  sameIds: () => "no two may have the same id",
  unknownMovement: (id: string) => `"${id}" is not among the movements`,
  bodyCannot: ({ phase, what }: BodyCannot) => `${inPercent(phase)} the body ${formatMovementProblem(what)}`,
  footLeavesUnderLoad: (phase: number) =>
    `${inPercent(phase)} the foot leaves the floor while carrying weight: shift weight to the other foot first`,
  footTurnsUnderLoad: (phase: number) =>
    `${inPercent(phase)} a foot turns under more than 15% of the weight: shift weight to the other foot first`,
  beyondAnatomy: (problem: AnatomyProblem) => `${inPercent(problem.phase)} the body ${formatAnatomyProblem(problem)}`,
  wordsMisfit: ({ words, where }: Misfit) => `"${words}" (${where}) does not fit this variant: give it words of its own`,
  reversalSteps: () => "a movement that steps or rises cannot be turned round",
  reversalEndsElsewhere: () => "a movement that turns round ends a repetition as it began it",
  leastOverIdeal: () => "the least repetitions of a phase are no more than its ideal",
  holdTooLong: () => "a hold lasts 60 seconds at most; after that everyone stands tall",
  combinationBegins: () => "a combination's own movement is its first part",
  notOnThisSeat: () => "is no position that this seat allows",
  tooManyParts: () => "combinations and movements make more than 120 parts: use fewer passes or repetitions in turn",
  holdNotBetween: () =>
    "a hold stays at a key pose between the first and the last, in every variant, of a movement that does not rise from a chair",
  reversalNeedsSides: () => "by sides is for a movement that is done on one side and then on the other",
  palmNeedsRest: () => "is for a hand that rests: say what the hand rests on",
  travelsOnChair: () => "on a chair the feet end where they began: give the seated variant key poses of its own",
  travelsTwoWays: () => "a repetition that ends elsewhere goes either ahead or to the side",
  travelNeedsSides: () => "a movement that ends elsewhere has two sides: the other side leads the way back",
  contradictsKeyPose: ({ said, key, has }: Contradiction) => `says "${said}", but the ${key} key pose has "${has}"`,
};

/** What is wrong with a value in a file; the path of the problem says where. */
export const formatFileProblem = ({ code, requirement }: FileProblem): string => SENTENCES[code](requirement as never);

/** A problem of a file as it is read: where, and what. */
export interface SaidProblem {
  readonly path: string;
  readonly message: string;
}

/** Problems of a file as they are read. */
export const formatFileProblems = (problems: readonly FileProblem[]): SaidProblem[] =>
  problems.map((problem) => {
    const message = formatFileProblem(problem);
    return { path: problem.path, message: problem.line === undefined ? message : `${message} (line ${problem.line})` };
  });
