import { findNodeAtLocation, type Node, type ParseError, parse, parseTree } from "jsonc-parser";
import type * as v from "valibot";

/** What can be wrong with a value in a file; `words` makes a sentence of each. */
export const FILE_PROBLEMS = [
  "notJson",
  "notText",
  "notNumber",
  "notWhole",
  "notTrueOrFalse",
  "notList",
  "notObject",
  "notExactly",
  "wrongVersion",
  "notOneOf",
  "tooSmall",
  "tooLarge",
  "tooLong",
  "tooMany",
  "empty",
  "tooFew",
  "wrongLetters",
  "missing",
  "unknown",
  "impossible",
  "notAForm",
  "notAState",
  "firstKeyPose",
  "keyPoseOrder",
  "laterKeyPose",
  "lastKeyPose",
  "sameIds",
  "holdTooLong",
  "combinationBegins",
  "notOnThisSeat",
  "tooManyParts",
  "leastOverIdeal",
  "unknownMovement",
  "bodyCannot",
  "footLeavesUnderLoad",
  "footTurnsUnderLoad",
  "beyondAnatomy",
  "wordsMisfit",
  "contradictsKeyPose",
  "reversalSteps",
  "reversalEndsElsewhere",
  "reversalNeedsSides",
  "holdNotBetween",
  "palmNeedsRest",
  "travelsOnChair",
  "travelsTwoWays",
  "travelNeedsSides",
] as const;
/** Code of what is wrong with a value. */
export type FileProblemCode = (typeof FILE_PROBLEMS)[number];

/** What is wrong with a file, and where. */
export interface FileProblem {
  /** Path to the place, as "keys[2].arms.elbow"; empty for the file as a whole. */
  readonly path: string;
  readonly code: FileProblemCode;
  /** The line of the place, from 1, where it is known. */
  readonly line?: number;
  /** What was required: bounds, a list of words, or what else the sentence needs. */
  readonly requirement?: unknown;
}

function pathOf(issue: v.BaseIssue<unknown>): string {
  return (issue.path ?? [])
    .map((item) => (typeof item.key === "number" ? `[${item.key}]` : `.${String(item.key)}`))
    .join("")
    .replace(/^\./, "");
}

const OF_TYPE: Readonly<Record<string, FileProblemCode>> = {
  string: "notText",
  number: "notNumber",
  integer: "notWhole",
  boolean: "notTrueOrFalse",
  array: "notList",
  tuple: "notList",
  object: "notObject",
  literal: "notExactly",
  picklist: "notOneOf",
  variant: "notOneOf",
  min_value: "tooSmall",
  max_value: "tooLarge",
  regex: "wrongLetters",
};

const isCode = (message: string): message is FileProblemCode => (FILE_PROBLEMS as readonly string[]).includes(message);

/** The code of what a schema found: its own, where the schema says one, or that of the kind of check. */
function codeOf({ type, message, expected, received, input }: v.BaseIssue<unknown>): FileProblemCode {
  if (isCode(message)) return message;
  if (type === "max_length") return typeof input === "string" ? "tooLong" : "tooMany";
  if (type === "min_length") return typeof input === "string" ? "empty" : "tooFew";
  if (expected === "never") return "unknown";
  if (received === "undefined") return "missing";
  return OF_TYPE[type.replace(/^(strict|loose)_/, "")] ?? "impossible";
}

const requirementOf = (issue: v.BaseIssue<unknown>): unknown => issue.requirement ?? issue.expected ?? undefined;

/** What a schema found wrong, each with its place; of a file in another format or version no more than that. */
export function problemsOf(issues: readonly v.BaseIssue<unknown>[]): FileProblem[] {
  const problems = issues.map((issue) => ({ path: pathOf(issue), code: codeOf(issue), requirement: requirementOf(issue) }));
  const ofFormat = problems.filter(({ path }) => path === "format" || path === "version");
  return ofFormat.length > 0 ? ofFormat : problems;
}

/** The steps of a path: "keys[2].arms" is "keys", 2, "arms". */
const stepsOf = (path: string): (string | number)[] =>
  [...path.matchAll(/([^.[\]]+)|\[(\d+)\]/g)].map(([, name, index]) => (index === undefined ? (name ?? "") : Number(index)));

/** The node at a path, or the nearest one around it where there is none, as for a field that is missing. */
function nodeAt(tree: Node, steps: readonly (string | number)[]): Node {
  for (let most = steps.length; most > 0; most -= 1) {
    const node = findNodeAtLocation(tree, steps.slice(0, most));
    if (node) return node;
  }
  return tree;
}

/**
 * Problems of a file with the line of each; of a file of one line without.
 *
 * @param source the text of the file, which is JSON
 * @param problems what is wrong with the file
 */
export function atLines(source: string, problems: readonly FileProblem[]): FileProblem[] {
  const tree = problems.length > 0 && source.trim().includes("\n") ? parseTree(source) : undefined;
  if (!tree) return [...problems];
  return problems.map((problem) => {
    const node = nodeAt(tree, stepsOf(problem.path));
    // The name of a field stands before its value, maybe on an earlier line.
    const { offset } = node.parent?.type === "property" ? node.parent : node;
    return { ...problem, line: source.slice(0, offset).split("\n").length };
  });
}

/** A place in a text as a line and column counted from 1. */
function lineAndColumn(source: string, offset: number): string {
  const before = source.slice(0, offset);
  const line = before.split("\n").length;
  return `line ${line}, column ${offset - before.lastIndexOf("\n")}`;
}

/** What a text says as JSON, or where it stops being JSON. */
export function readJson(source: string): { value: unknown; problem: FileProblem | null } {
  const errors: ParseError[] = [];
  const value: unknown = parse(source, errors, { disallowComments: true, allowTrailingComma: false });
  const broken = errors[0];
  if (!broken) return { value, problem: null };
  return { value: null, problem: { path: lineAndColumn(source, broken.offset), code: "notJson" } };
}
