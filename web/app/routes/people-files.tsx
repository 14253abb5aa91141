import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import {
  columnField,
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
  readonly preview: Preview | null;
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
  const preview: Preview = {
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

interface Preview {
  readonly text: string;
  readonly header: readonly string[];
  /** Column of each value, from 0; null for none. */
  readonly mapping: Readonly<Record<string, number | null>>;
  readonly rows: number;
  readonly good: number;
  /** Labels of required values that no column holds. */
  readonly missing: readonly string[];
  readonly broken: readonly { readonly line: number; readonly words: string; readonly message: string }[];
}

/** Which column of the file is which, as found, to be put right by hand. */
function ColumnFields({
  header,
  mapping,
  columns,
}: Pick<Preview, "header" | "mapping"> & { columns: (typeof FILE_COLUMNS)[PeopleFileKind] }) {
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">Match the columns</legend>
      <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">
        {columns.map(({ name, label, required }) => (
          <label key={name} className="flex flex-col">
            <span>
              {label} {required && <span className="text-sand-600">(required)</span>}
            </span>
            <select name={columnField(name)} defaultValue={mapping[name] ?? ""} className="field-box">
              <option value="">None</option>
              {header.map((head, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns of a file have nothing but their place
                <option key={i} value={i}>
                  {head || `Column ${i + 1}`}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Rows that cannot be imported as they are, each with what is wrong. */
function BrokenRows({ broken }: Pick<Preview, "broken">) {
  return (
    <table className="border-collapse text-left">
      <caption className="mb-1 text-left font-semibold">Rows to correct</caption>
      <thead>
        <tr>
          {["Line", "Problem", "Row"].map((head) => (
            <th key={head} scope="col" className="py-1 pr-6">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {broken.map(({ line, words, message }) => (
          <tr key={`${line} ${message}`} className="border-t border-sand-200 align-top">
            <td className="py-1 pr-6 font-bold">{line}</td>
            <td className="pr-6 text-signal-700">{message}</td>
            <td className="text-sand-600">{words}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function PreviewOf({
  kind,
  preview,
  columns,
}: {
  kind: PeopleFileKind;
  preview: Preview;
  columns: (typeof FILE_COLUMNS)[PeopleFileKind];
}) {
  const { header, mapping, rows, good, missing, broken } = preview;
  return (
    <Form method="post" className="flex flex-col gap-5 rounded-soft border border-sand-300 bg-white p-6">
      <input type="hidden" name="kind" value={kind} />
      <div role="status">
        <p className="text-2xl font-bold">
          {good} of {rows} rows are ready{broken.length > 0 && `, ${broken.length} need correcting`}
        </p>
        {missing.length > 0 && (
          <p className="font-semibold text-signal-700">
            Not found in the file: {missing.join(", ")}. Choose their columns below.
          </p>
        )}
      </div>
      <ColumnFields header={header} mapping={mapping} columns={columns} />
      {broken.length > 0 && <BrokenRows broken={broken} />}
      <div>
        <label htmlFor="csv-text" className="mb-1 block font-semibold">
          The file <span className="font-normal text-sand-600">can be corrected here</span>
        </label>
        <textarea
          id="csv-text"
          name="text"
          rows={10}
          defaultValue={preview.text}
          spellCheck={false}
          className="field-box font-mono text-base!"
        />
      </div>
      <div className="flex flex-wrap gap-3">
        <Button look="plain" name="intent" value="check">
          Check again
        </Button>
        {broken.length > 0 && good > 0 && (
          <Button look="plain" name="intent" value="take">
            Import the {good} correct rows
          </Button>
        )}
        {broken.length === 0 && (
          <Button name="intent" value="take-all">
            Import all {good} rows
          </Button>
        )}
      </div>
    </Form>
  );
}

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
        <PreviewOf key={answer.preview.text} kind={answer.kind} preview={answer.preview} columns={columns[answer.kind]} />
      ) : (
        <div className="grid gap-6 lg:grid-cols-2">
          <ChooseFile lastResult={answer?.result ?? null} />
          <ExportList columns={columns} />
        </div>
      )}
    </>
  );
}
