import { type ParseError, parse } from "jsonc-parser";
import type * as v from "valibot";

/** What is wrong with a file, and where. */
export interface FileProblem {
  /** Path to the place, as "keys[2].arms.elbow"; empty for the file as a whole. */
  readonly path: string;
  readonly message: string;
}

function pathOf(issue: v.BaseIssue<unknown>): string {
  return (issue.path ?? [])
    .map((item) => (typeof item.key === "number" ? `[${item.key}]` : `.${String(item.key)}`))
    .join("")
    .replace(/^\./, "");
}

/** What a schema found wrong, each with its place. */
export const problemsOf = (issues: readonly v.BaseIssue<unknown>[]): FileProblem[] =>
  issues.map((issue) => ({ path: pathOf(issue), message: issue.message }));

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
  return { value: null, problem: { path: lineAndColumn(source, broken.offset), message: "this is not JSON" } };
}
