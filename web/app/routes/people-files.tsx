import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import {
  PEOPLE_FILE_KINDS,
  PeopleFileForm,
  type PeopleFileFormInput,
  type PeopleFileKind,
  readColumns,
} from "../../forms/people-file-form.ts";
import { guessMapping, readCsv } from "../../server/files/csv.ts";
import { importRows, readRows } from "../../server/files/import-people.ts";
import { FILE_COLUMNS } from "../../server/files/people-columns.ts";
import { formDataOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { FileField, Problem, SelectField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { type FilePreview, PreviewOfFile } from "../people/file-preview.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/people-files";

export const meta: Route.MetaFunction = () => [{ title: "Import and export · Able Tide" }];

export function loader() {
  return { columns: FILE_COLUMNS };
}

interface Answer {
  readonly kind: PeopleFileKind;
  readonly result: SubmissionResult<string[]> | null;
  /** Why nothing was imported. */
  readonly problem: string | null;
  readonly preview: FilePreview | null;
  /** Rows that were imported. */
  readonly taken: number | null;
}

/** The mapping as chosen, or as the header suggests. */
function mappingFrom(formData: FormData, kind: PeopleFileKind, header: readonly string[]): Record<string, number | null> {
  const names = FILE_COLUMNS[kind].map(({ name }) => name);
  const suggested = guessMapping(FILE_COLUMNS[kind], header);
  const chosen = readColumns(formData, names, header.length);
  return Object.fromEntries(names.map((name) => [name, name in chosen ? (chosen[name] ?? null) : (suggested[name] ?? null)]));
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const intent = intentOf(formData, ["check", "take", "take-all"]);
  const submission = parseForm(formData, { schema: PeopleFileForm });
  if (submission.status !== "success")
    return data<Answer>(
      { kind: "people", result: submission.reply(), problem: null, preview: null, taken: null },
      { status: 422 },
    );
  const { kind, file } = submission.value;
  const text = file && file.size > 0 ? await file.text() : (submission.value.text ?? "");
  const { header, problems } = readCsv(text);
  const mapping = mappingFrom(formData, kind, header);
  const rows = await readRows(scope, kind, text, mapping);
  const broken = rows.filter(({ problem }) => problem !== null);
  const preview: FilePreview = {
    text,
    header,
    mapping,
    rows: rows.length,
    good: rows.length - broken.length,
    missing: FILE_COLUMNS[kind].filter(({ name, required }) => required && mapping[name] === null).map(({ label }) => label),
    broken: [
      ...problems.map(({ line, message }) => ({ line, words: "", message })),
      ...broken.map(({ line, cells, problem }) => ({
        line,
        words: Object.values(cells)
          .filter((cell) => cell !== "")
          .slice(0, 4)
          .join(", "),
        message: problem ?? "",
      })),
    ],
  };
  if (intent === "check") return data<Answer>({ kind, result: null, problem: null, preview, taken: null });
  if (intent === "take-all" && preview.broken.length > 0)
    return data<Answer>(
      { kind, result: null, problem: "Nothing was imported. Correct the marked rows, then try again.", preview, taken: null },
      { status: 422 },
    );
  const taken = await importRows(scope, rows);
  return data<Answer>({ kind, result: null, problem: null, preview: null, taken });
}

const TITLES: Readonly<Record<PeopleFileKind, string>> = {
  people: "Participants",
  limitations: "Limitations",
  measured: "Measured ranges",
};
const KIND_OPTIONS = PEOPLE_FILE_KINDS.map((kind) => [kind, TITLES[kind]] as const);

/** Files to export, with the columns that each has. */
function ExportList({ columns }: { columns: typeof FILE_COLUMNS }) {
  return (
    <section className="rounded-soft border border-sand-300 bg-white p-6">
      <h2 className="text-xl">Export files</h2>
      <p className="mb-3 text-sand-600">An exported file has the same columns as an import.</p>
      <ul className="flex flex-col gap-3">
        {PEOPLE_FILE_KINDS.map((kind) => (
          <li key={kind}>
            <a href={`/people/files/${kind}.csv`} className="text-lg font-semibold underline underline-offset-4">
              {TITLES[kind]}
            </a>
            <p className="text-sand-600">{columns[kind].map(({ name }) => name).join(", ")}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The first step: what the file contains, and the file or its text. */
function ChooseFile({ lastResult }: { lastResult: Answer["result"] }) {
  const [form, fields] = useForm<PeopleFileFormInput, v.InferOutput<typeof PeopleFileForm>>({
    id: "people-file",
    lastResult,
    defaultValue: { kind: "people" },
    onValidate: ({ formData }) => parseForm(formData, { schema: PeopleFileForm }),
  });
  return (
    <Form
      method="post"
      encType="multipart/form-data"
      {...getFormProps(form)}
      className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-white p-6"
    >
      <h2 className="text-xl">Import a file</h2>
      <SelectField field={fields.kind} label="What the file contains" options={KIND_OPTIONS} />
      <FileField field={fields.file} label="File" accept=".csv,text/csv,text/plain" />
      <div>
        <label htmlFor={fields.text.id} className="mb-1 block font-semibold">
          Or paste its text
        </label>
        <textarea
          id={fields.text.id}
          name={fields.text.name}
          defaultValue={fields.text.initialValue}
          rows={4}
          className="field-box font-mono text-base!"
        />
        <Problem id={`${fields.text.id}-problem`} errors={fields.text.errors} />
      </div>
      <div>
        <Button name="intent" value="check">
          Check file
        </Button>
      </div>
    </Form>
  );
}

export default function PeopleFiles({ loaderData: { columns }, actionData }: Route.ComponentProps) {
  const answer = actionData ?? null;
  return (
    <>
      <PageHead title="Import and export" note="CSV files. You can check every row before anything is saved.">
        <ButtonLink look="plain" to="/people">
          Back to participants
        </ButtonLink>
      </PageHead>
      {answer?.taken != null && (
        <p role="status" className="mb-4 text-lg font-semibold text-tide-700">
          {answer.taken} rows imported{answer.kind === "people" && ", each participant with newcomer caps"}.
        </p>
      )}
      {answer?.problem && (
        <p role="alert" className="mb-4 text-lg font-semibold text-signal-700">
          {answer.problem}
        </p>
      )}
      {answer?.preview ? (
        <PreviewOfFile key={answer.preview.text} kind={answer.kind} preview={answer.preview} columns={columns[answer.kind]} />
      ) : (
        <div className="grid gap-6 lg:grid-cols-2">
          <ChooseFile lastResult={answer?.result ?? null} />
          <ExportList columns={columns} />
        </div>
      )}
    </>
  );
}
