import Papa from "papaparse";

/** A column of a file: what it is called, what else people call it, and whether a row can do without. */
export interface Column {
  readonly name: string;
  readonly label: string;
  readonly also: readonly string[];
  readonly required: boolean;
}

/** A file as it was read: its header and its rows, each with the line it stands on. */
export interface ReadCsv {
  readonly header: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
  /** What is wrong with the file itself, each with its line. */
  readonly problems: readonly { readonly line: number; readonly message: string }[];
}

/** Rows taken at once. */
const MOST_ROWS = 2000;

const DELIMITERS = [",", ";", "\t"] as const;

/** What separates the columns: what the header has most of. */
function delimiterOf(text: string): string {
  const [header = ""] = text.split("\n", 1);
  const times = (delimiter: string): number => header.split(delimiter).length;
  return DELIMITERS.reduce((best, delimiter) => (times(delimiter) > times(best) ? delimiter : best), ",");
}

/** Reads a text of comma- or semicolon-separated values; the first line is the header. */
export function readCsv(text: string): ReadCsv {
  const plainText = text.replace(/^\uFEFF/, "");
  const { data, errors } = Papa.parse<string[]>(plainText, { skipEmptyLines: false, delimiter: delimiterOf(plainText) });
  const [header = [], ...rest] = data;
  const rows = rest
    .map((cells, i) => ({ line: i + 2, cells: cells.map((cell) => cell.trim().replace(/^'(?=[=+@])/, "")) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ""));
  const problems = errors.map(({ row = 0, message }) => ({ line: row + 1, message }));
  if (rows.length > MOST_ROWS)
    problems.push({ line: MOST_ROWS + 2, message: `More than ${MOST_ROWS} rows: please take them in parts.` });
  return { header: header.map((cell) => cell.trim()), rows: rows.slice(0, MOST_ROWS), problems };
}

/** Writes rows as a file that reads back the same. Nothing in it is taken for a formula by a spreadsheet. */
export const writeCsv = (columns: readonly Column[], rows: readonly Readonly<Record<string, string>>[]): string =>
  `${Papa.unparse({ fields: columns.map(({ name }) => name), data: rows.map((row) => columns.map(({ name }) => row[name] ?? "")) }, { escapeFormulae: /^[=+@\t\r]/, newline: "\n" })}\n`;

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, "");

/** Which column of a file each of ours is read from, by its name: the number in the header, null where none fits. */
export const guessMapping = (columns: readonly Column[], header: readonly string[]): Record<string, number | null> =>
  Object.fromEntries(
    columns.map(({ name, label, also }) => {
      const at = header.findIndex((cell) => [name, label, ...also].some((each) => plain(each) === plain(cell)));
      return [name, at === -1 ? null : at];
    }),
  );
