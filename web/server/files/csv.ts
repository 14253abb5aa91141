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

/**
 * What a spreadsheet could take for a formula: written with an apostrophe before it, which spreadsheets do not show. A cell that
 * begins with apostrophes of its own gets one more, so that reading takes away just the one that was added.
 */
const FORMULA = /^'*[-+=@\t\r]/;
const NEUTRALISED = /^'+[-+=@\t\r]/;
const plainCell = (cell: string): string => (NEUTRALISED.test(cell) ? cell.slice(1) : cell.trim());

const LINE_BREAK = /\r\n|\r|\n/g;
const lineBreaksIn = (text: string): number => text.match(LINE_BREAK)?.length ?? 0;

/** Reads a text of comma- or semicolon-separated values; the first line is the header. A cell may hold several lines. */
export function readCsv(text: string): ReadCsv {
  const plainText = text.replace(/^\uFEFF/, "");
  const read: { line: number; cells: string[] }[] = [];
  const problems: { line: number; message: string }[] = [];
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(plainText, {
    skipEmptyLines: false,
    delimiter: delimiterOf(plainText),
    step: ({ data, errors, meta }) => {
      read.push({ line, cells: data });
      for (const { message } of errors) problems.push({ line, message });
      line += lineBreaksIn(plainText.slice(from, meta.cursor));
      from = meta.cursor;
    },
  });
  const [header, ...rest] = read;
  const rows = rest
    .map(({ line: at, cells }) => ({ line: at, cells: cells.map(plainCell) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ""));
  const next = rows[MOST_ROWS];
  if (next) problems.push({ line: next.line, message: `More than ${MOST_ROWS} rows. Import the file in parts.` });
  return { header: header?.cells.map((cell) => cell.trim()) ?? [], rows: rows.slice(0, MOST_ROWS), problems };
}

/** Writes rows as a file that reads back the same. Nothing in it is taken for a formula by a spreadsheet. */
export const writeCsv = (columns: readonly Column[], rows: readonly Readonly<Record<string, string>>[]): string =>
  `${Papa.unparse({ fields: columns.map(({ name }) => name), data: rows.map((row) => columns.map(({ name }) => row[name] ?? "")) }, { escapeFormulae: FORMULA, newline: "\n" })}\n`;

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, "");

/** Which column of a file each of ours is read from, by its name: the number in the header, null where none fits. */
export const guessMapping = (columns: readonly Column[], header: readonly string[]): Record<string, number | null> =>
  Object.fromEntries(
    columns.map(({ name, label, also }) => {
      const at = header.findIndex((cell) => [name, label, ...also].some((each) => plain(each) === plain(cell)));
      return [name, at === -1 ? null : at];
    }),
  );
