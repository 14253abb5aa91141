import * as v from "valibot";
import { parseForm } from "./parse-form.ts";
import { PersonForm } from "./person-form.ts";

/** People that one form takes at most: a large group. */
export const MOST_PEOPLE_AT_A_TIME = 60;

/** A line: the name, then birth year, height and weight, with commas, semicolons, tabs or blanks between them. */
const LINE = /^(?<name>.*?)(?:[\s,;]+(?<birthYear>[\d.]+))?(?:[\s,;]+(?<stature>[\d.]+))?(?:[\s,;]+(?<mass>[\d.]+))?[\s,;]*$/;

type ReadPerson = v.InferOutput<typeof PersonForm>;
/** A line as it was read: a person, or the first thing that is wrong. */
type ReadLine = { readonly person: ReadPerson; readonly problem: null } | { readonly person: null; readonly problem: string };

function readLine(text: string, groupIds: readonly string[]): ReadLine {
  const parts = LINE.exec(text)?.groups ?? {};
  const form = new FormData();
  for (const [field, value] of [
    ["name", parts["name"]],
    ["birthYear", parts["birthYear"]],
    ["statureCentimetres", parts["stature"]],
    ["massKilograms", parts["mass"]],
  ] as const)
    form.set(field, value ?? "");
  for (const groupId of groupIds) form.append("groupIds", groupId);
  const submission = parseForm(form, { schema: PersonForm });
  if (submission.status === "success") return { person: submission.value, problem: null };
  const [problem = "Enter name, birth year, height and weight."] = Object.values(submission.error ?? {}).flat();
  return { person: null, problem: problem ?? "" };
}

const Fields = v.object({
  lines: v.pipe(v.string("Enter a line for each participant."), v.maxLength(20_000, "Use 20,000 characters or fewer.")),
  groupIds: v.optional(v.array(v.pipe(v.string(), v.uuid())), []),
});
/** What the form holds before it is read. */
export type PersonLinesFormInput = v.InferInput<typeof Fields>;

/** The form that adds many people at once, a line each. */
export const PersonLinesForm = v.pipe(
  Fields,
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const { lines, groupIds } = dataset.value;
    const issue = (message: string) =>
      addIssue({ message, path: [{ type: "object", origin: "value", input: dataset.value, key: "lines", value: lines }] });
    const read = lines
      .split(/\r?\n/)
      .map((text, i) => ({ number: i + 1, text: text.trim() }))
      .filter(({ text }) => text !== "")
      .map(({ number, text }) => ({ number, ...readLine(text, groupIds) }));
    if (read.length === 0) issue("Enter a line for each participant.");
    if (read.length > MOST_PEOPLE_AT_A_TIME) issue(`Add ${MOST_PEOPLE_AT_A_TIME} participants or fewer at a time.`);
    const wrong = read.find(({ problem }) => problem !== null);
    if (wrong) issue(`Line ${wrong.number}: ${wrong.problem}`);
    if (read.length === 0 || read.length > MOST_PEOPLE_AT_A_TIME || wrong) return NEVER;
    return read.flatMap(({ person }) => (person ? [person] : []));
  }),
);
