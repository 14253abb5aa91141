import type { BaseIssue } from "valibot";
import { lowerFirst } from "./text.ts";

/** The language that these sentences are in, as schemas are asked for their messages. */
export const LANGUAGE = "en-GB";

const isText = ({ input }: BaseIssue<unknown>): boolean => typeof input === "string";

const SENTENCES: Readonly<Record<string, (issue: BaseIssue<unknown>) => string>> = {
  number: () => "Enter a number.",
  integer: () => "Enter a whole number.",
  min_value: ({ requirement }) => `Enter ${requirement} or more.`,
  max_value: ({ requirement }) => `Enter ${requirement} or less.`,
  multiple_of: ({ requirement }) => `Enter a multiple of ${requirement}.`,
  string: () => "Fill in this field.",
  non_empty: () => "Fill in this field.",
  min_length: (issue) => (isText(issue) ? "Fill in this field." : `Choose ${issue.requirement} or more.`),
  max_length: (issue) =>
    isText(issue) ? `Use ${issue.requirement} characters or fewer.` : `Choose ${issue.requirement} or fewer.`,
  iso_date: () => "Enter a date.",
  picklist: () => "Choose one of the options.",
  literal: () => "Choose one of the options.",
  variant: () => "Choose one of the options.",
  boolean: () => "Choose yes or no.",
  regex: () => "Use small letters, digits and hyphens only.",
};

/** What is wrong with a field, for a schema that has no sentence of its own: what to enter, next to the field. */
export const formatFieldIssue = (issue: BaseIssue<unknown>): string => SENTENCES[issue.type]?.(issue) ?? "Check this entry.";

/** Parts of a plan that its board sends, as its reader knows them. */
const PLAN_FIELDS: Readonly<Record<string, string>> = {
  breathSeconds: "Breath length (s)",
  rounds: "Repetitions",
  talk: "Explanation (s)",
  combination: "Combination",
  combined: "Combination",
  blocks: "Movements",
  holds: "Pinned variants",
  places: "Positions",
  purpose: "Purpose",
  style: "Style",
};

/** What is wrong with a plan beyond one field, by the code of its check. */
const PLAN_PROBLEMS: Readonly<Record<string, string>> = {
  sameIds: "Two have the same id.",
  tooManyParts: "There are more than 120 parts. Use fewer passes, or fewer repetitions in turn.",
};

/** What is wrong with a plan as it was sent, with the name of the part. */
export function formatPlanIssue(issue: BaseIssue<unknown>): string {
  const named = (issue.path ?? []).map(({ key }) => PLAN_FIELDS[String(key)]).findLast((name) => name !== undefined);
  const sentence = PLAN_PROBLEMS[issue.message] ?? formatFieldIssue(issue);
  return named === undefined ? sentence : `${named}: ${lowerFirst(sentence)}`;
}
