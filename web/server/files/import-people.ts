import { LIMITATION_RULES } from "@able-tide/core/caps/limitations/all";
import { waitsForClinician } from "@able-tide/core/caps/propose";
import { present } from "@able-tide/core/checked-access";
import { limitationKindLabel, limitationLabel } from "@able-tide/words/limitations";
import type { GenericSchema } from "valibot";
import { limitationChoice } from "../../forms/limitation-choice.ts";
import { measuredRangeForm } from "../../forms/measured-range-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import type { PeopleFileKind } from "../../forms/people-file-form.ts";
import { PersonForm } from "../../forms/person-form.ts";
import { listGroups } from "../groups/groups.ts";
import { insertMeasurements } from "../people/measurements.ts";
import { addNewcomer } from "../people/newcomers.ts";
import { listPeople } from "../people/people.ts";
import { proposalsFor, recordLimitation } from "../people/record-limitation.ts";
import { type Scope, today } from "../scope.ts";
import { readCsv } from "./csv.ts";
import { FILE_COLUMNS } from "./people-columns.ts";

type Cells = Readonly<Record<string, string>>;
type SaveRow = (scope: Scope) => Promise<void>;
/** One row of a file: the function that saves it, or its first problem. */
export type ReadRow = { readonly line: number; readonly cells: Cells } & (
  | { readonly problem: string; readonly save: null }
  | { readonly problem: null; readonly save: SaveRow }
);

interface Known {
  readonly scope: Scope;
  readonly people: ReadonlyMap<string, string | null>;
  readonly groups: ReadonlyMap<string, string>;
  /** Names met in the file itself. */
  readonly met: Set<string>;
}

const key = (text: string): string => text.trim().toLowerCase();

/** Reads fields as the application's own form would; the first sentence that is wrong, or the value. */
function readAs<Schema extends GenericSchema>(schema: Schema, fields: Readonly<Record<string, string | readonly string[]>>) {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields))
    for (const each of typeof value === "string" ? [value] : value) form.append(name, each);
  const submission = parseForm(form, { schema });
  if (submission.status === "success") return { value: submission.value, problem: null };
  const [problem = "This row cannot be read. Check its columns."] = Object.values(submission.error ?? {}).flatMap(
    (errors) => errors ?? [],
  );
  return { value: null, problem };
}

const YES = ["yes", "y", "1", "true", "x"];

type Read = { readonly problem: string; readonly save: null } | { readonly problem: null; readonly save: SaveRow };
const wrong = (problem: string): Read => ({ problem, save: null });

function readPerson(cells: Cells, { people, groups, met }: Known): Read {
  const name = key(cells["name"] ?? "");
  if (name !== "" && people.has(name)) return wrong(`${cells["name"]} already exists.`);
  if (name !== "" && met.has(name)) return wrong(`${cells["name"]} is in this file twice.`);
  met.add(name);
  const names = (cells["groups"] ?? "")
    .split(/[;|]/)
    .map((each) => each.trim())
    .filter((each) => each !== "");
  const unknown = names.find((each) => !groups.has(key(each)));
  if (unknown !== undefined) return wrong(`There is no group called ${unknown}.`);
  const read = readAs(PersonForm, {
    name: cells["name"] ?? "",
    birthYear: cells["birthYear"] ?? "",
    statureCentimetres: cells["statureCentimetres"] ?? "",
    massKilograms: cells["massKilograms"] ?? "",
    uses: cells["uses"] ?? "",
    notes: cells["notes"] ?? "",
    groupIds: names.map((each) => present(groups.get(key(each)), "group")),
    ...(YES.includes(key(cells["wheelchair"] ?? "")) ? { wheelchair: "on" } : {}),
  });
  if (read.value === null) return wrong(read.problem);
  const { version: _, ...input } = read.value;
  return { problem: null, save: async (scope) => void (await addNewcomer(scope, input)) };
}

/** The person a row speaks of, by name, or why that is not clear. */
function personOf(cells: Cells, { people }: Known): { id: string; problem: null } | { id: null; problem: string } {
  const name = cells["person"] ?? "";
  if (name === "") return { id: null, problem: "Enter the participant's name." };
  const id = people.get(key(name));
  if (id === undefined) return { id: null, problem: `No participant called ${name}. Check the spelling.` };
  if (id === null) return { id: null, problem: `More than one participant is called ${name}.` };
  return { id, problem: null };
}

function readLimitation(cells: Cells, known: Known): Read {
  const person = personOf(cells, known);
  if (person.id === null) return wrong(person.problem);
  const named = key(cells["limitation"] ?? "");
  const rule = LIMITATION_RULES.find(({ name }) => key(name) === named || key(limitationLabel(name)) === named);
  if (!rule) return wrong(`"${cells["limitation"] ?? ""}" is not in the table of limitations.`);
  const kind = rule.kinds?.find((name) =>
    [key(name), key(limitationKindLabel(rule.name, name))].includes(key(cells["kind"] ?? "")),
  );
  if (rule.kinds && kind === undefined)
    return wrong(`Which: ${rule.kinds.map((name) => limitationKindLabel(rule.name, name)).join(", ")}?`);
  const day = today(known.scope);
  const read = readAs(limitationChoice(day), {
    rule: rule.name,
    side: key(cells["side"] ?? ""),
    kind: kind ?? "",
    eventDay: cells["since"] ?? "",
    note: cells["note"] ?? "",
  });
  if (read.value === null) return wrong(read.problem);
  const { limitation } = read.value;
  const personId = person.id;
  return {
    problem: null,
    save: async (scope) => {
      const proposals = await proposalsFor(scope, personId, rule, limitation);
      // Saved as suggested: each can be tightened or ended on the participant's page.
      const decisions = waitsForClinician(rule, limitation, day)
        ? []
        : proposals.map(({ limit }) => ({ kind: "accept" as const, limit }));
      await recordLimitation(scope, personId, rule, limitation, proposals, decisions);
    },
  };
}

function readMeasured(cells: Cells, known: Known): Read {
  const person = personOf(cells, known);
  if (person.id === null) return wrong(person.problem);
  const heights = key(cells["range"] ?? "") === "handheight";
  const left = cells["left"] ?? "";
  const right = cells["right"] ?? "";
  const read = readAs(measuredRangeForm(today(known.scope), { positionKnown: false }), {
    range: cells["range"] ?? "",
    how: cells["how"] || "painFree",
    day: cells["day"] ?? "",
    ...(cells["position"] ? { armPosition: cells["position"] } : {}),
    ...(heights ? { leftHeight: left, rightHeight: right } : { left, right }),
  });
  if (read.value === null) return wrong(read.problem);
  const personId = person.id;
  const measurements = read.value;
  return { problem: null, save: (scope) => insertMeasurements(scope, personId, measurements) };
}

const READERS: Readonly<Record<PeopleFileKind, (cells: Cells, known: Known) => Read>> = {
  people: readPerson,
  limitations: readLimitation,
  measured: readMeasured,
};

/** Reads every row of a file by a mapping of its columns, without writing anything. */
export async function readRows(
  scope: Scope,
  kind: PeopleFileKind,
  text: string,
  mapping: Readonly<Record<string, number | null>>,
): Promise<ReadRow[]> {
  const [people, groups] = await Promise.all([listPeople(scope), listGroups(scope)]);
  const byName = new Map<string, string | null>();
  for (const { id, name } of people) byName.set(key(name), byName.has(key(name)) ? null : id);
  const known: Known = { scope, people: byName, groups: new Map(groups.map(({ id, name }) => [key(name), id])), met: new Set() };
  return readCsv(text).rows.map(({ line, cells }) => {
    const named = Object.fromEntries(
      FILE_COLUMNS[kind].map(({ name }) => {
        const at = mapping[name];
        return [name, at === null || at === undefined ? "" : (cells[at] ?? "")];
      }),
    );
    return { line, cells: named, ...READERS[kind](named, known) };
  });
}

/** Saves the rows without a problem, all in one transaction. @returns how many */
export const importRows = (scope: Scope, rows: readonly ReadRow[]): Promise<number> =>
  scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    let saved = 0;
    for (const { save } of rows) {
      if (save === null) continue;
      await save(within);
      saved += 1;
    }
    return saved;
  });
