import { Form } from "react-router";
import { columnField, type PeopleFileKind } from "../../forms/people-file-form.ts";
import { Button } from "../kit/button.tsx";

/** A value that a file has, and whether it must. */
interface FileColumn {
  readonly name: string;
  readonly label: string;
  readonly required: boolean;
}

/** What was found in a file, before anything is imported. */
export interface FilePreview {
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
}: Pick<FilePreview, "header" | "mapping"> & { columns: readonly FileColumn[] }) {
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
function BrokenRows({ broken }: Pick<FilePreview, "broken">) {
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

/** A file as it was read: what is ready, what needs correcting, and which column is which. */
export function PreviewOfFile({
  kind,
  preview,
  columns,
}: {
  kind: PeopleFileKind;
  preview: FilePreview;
  columns: readonly FileColumn[];
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
