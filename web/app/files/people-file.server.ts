import { LIMITATION_RULES } from "@able-tide/core/caps/limitations/all";
import { waitsOn } from "@able-tide/core/caps/propose";
import type { GenericSchema } from "valibot";
import { type Column, readCsv } from "../../server/files/csv.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { limitationHistory } from "../../server/people/limitations.ts";
import { insertMeasurements, listMeasurements } from "../../server/people/measurements.ts";
import { takeInNewcomer } from "../../server/people/newcomers.ts";
import { listPeople } from "../../server/people/people.ts";
import { proposalsFor, recordLimitation } from "../../server/people/record-limitation.ts";
import { type Scope, today } from "../../server/scope.ts";
import { parseForm } from "../parse-form.ts";
import { limitationChoice } from "../people/limitation-choice.ts";
import { measuredRangeForm } from "../people/measured-range-form.ts";
import { PersonForm } from "../people/person-form.ts";

export const FILE_KINDS = ["people", "limitations", "measured"] as const;
export type FileKind = (typeof FILE_KINDS)[number];

const column = (name: string, label: string, required: boolean, ...also: string[]): Column => ({ name, label, also, required });

/** The columns of each file, in the order they are written. */
export const FILE_COLUMNS: Readonly<Record<FileKind, readonly Column[]>> = {
  people: [
    column("name", "Name", true, "person", "called"),
    column("birthYear", "Birth year", true, "born", "year of birth"),
    column("statureCentimetres", "Stature (cm)", true, "stature", "height", "height cm"),
    column("massKilograms", "Mass (kg)", true, "mass", "weight", "weight kg"),
    column("uses", "What they use", false, "aids"),
    column("notes", "Notes", false, "note"),
    column("groups", "Groups", false, "group"),
    column("wheelchair", "Wheelchair", false),
  ],
  limitations: [
    column("person", "Person", true, "name"),
    column("limitation", "Limitation", true, "what is the matter", "rule"),
    column("side", "Side", false),
    column("kind", "Which", false, "kind"),
    column("since", "When it happened", false, "since", "event day", "date"),
    column("note", "Note", false, "notes"),
  ],
  measured: [
    column("person", "Person", true, "name"),
    column("range", "What was measured", true, "range", "joint"),
    column("how", "How", false),
    column("left", "Left", false),
    column("right", "Right", false),
    column("day", "Day", true, "date"),
    column("position", "Where the arm was", false, "arm position"),
  ],
};

type Cells = Readonly<Record<string, string>>;
type TakeIn = (scope: Scope) => Promise<void>;
/** One row of a file: what taking it in does, or what is wrong with it. */
export type ReadRow = { readonly line: number; readonly cells: Cells } & (
  | { readonly problem: string; readonly takeIn: null }
  | { readonly problem: null; readonly takeIn: TakeIn }
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

type Read = { readonly problem: string; readonly takeIn: null } | { readonly problem: null; readonly takeIn: TakeIn };
const wrong = (problem: string): Read => ({ problem, takeIn: null });

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
    statureCentimetres: (cells["statureCentimetres"] ?? "").replace(",", "."),
    massKilograms: (cells["massKilograms"] ?? "").replace(",", "."),
    uses: cells["uses"] ?? "",
    notes: cells["notes"] ?? "",
    groupIds: names.map((each) => groups.get(key(each)) as string),
    ...(YES.includes(key(cells["wheelchair"] ?? "")) ? { wheelchair: "on" } : {}),
  });
  if (read.value === null) return wrong(read.problem);
  const { version: _, ...input } = read.value;
  return { problem: null, takeIn: async (scope) => void (await takeInNewcomer(scope, input)) };
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
  const rule = LIMITATION_RULES.find(({ name, label }) => key(name) === named || key(label) === named);
  if (!rule) return wrong(`"${cells["limitation"] ?? ""}" is not in the table of limitations.`);
  const kind = rule.kinds?.find(({ name, label }) => [key(name), key(label)].includes(key(cells["kind"] ?? "")))?.name;
  if (rule.kinds && kind === undefined) return wrong(`Which: ${rule.kinds.map(({ label }) => label).join(", ")}?`);
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
    takeIn: async (scope) => {
      const proposals = await proposalsFor(scope, personId, rule, limitation);
      // Taken in as proposed: each can be tightened or ended on the person's page.
      const decisions = waitsOn(rule, limitation, day) ? [] : proposals.map(({ limit }) => ({ kind: "accept" as const, limit }));
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
    ...(heights ? { leftHeight: left, rightHeight: right } : { left: left.replace(",", "."), right: right.replace(",", ".") }),
  });
  if (read.value === null) return wrong(read.problem);
  const personId = person.id;
  const measurements = read.value;
  return { problem: null, takeIn: (scope) => insertMeasurements(scope, personId, measurements) };
}

const READERS: Readonly<Record<FileKind, (cells: Cells, known: Known) => Read>> = {
  people: readPerson,
  limitations: readLimitation,
  measured: readMeasured,
};

/** Reads every row of a file by a mapping of its columns, without writing anything. */
export async function readRows(
  scope: Scope,
  kind: FileKind,
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

/** Takes the rows in that have no problem, all of them in one transaction. @returns how many */
export const importRows = (scope: Scope, rows: readonly ReadRow[]): Promise<number> =>
  scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    let taken = 0;
    for (const { takeIn } of rows) {
      if (takeIn === null) continue;
      await takeIn(within);
      taken += 1;
    }
    return taken;
  });

/** The rows of a file of what is written down now, to be written out. */
export async function rowsToWrite(scope: Scope, kind: FileKind): Promise<Record<string, string>[]> {
  const [people, groups] = await Promise.all([listPeople(scope), listGroups(scope)]);
  const groupName = new Map(groups.map(({ id, name }) => [id, name]));
  if (kind === "people")
    return people.map((person) => ({
      name: person.name,
      birthYear: String(person.birthYear),
      statureCentimetres: String(Math.round(1000 * person.stature) / 10),
      massKilograms: String(person.mass),
      uses: person.uses,
      notes: person.notes,
      groups: person.groupIds.map((id) => groupName.get(id) ?? "").join(";"),
      wheelchair: person.measured.wheelchair ? "yes" : "",
    }));
  const rows: Record<string, string>[] = [];
  for (const { id, name } of people) {
    if (kind === "limitations")
      for (const { rule, side, kind: which, eventDay, note, ended } of await limitationHistory(scope, id))
        if (ended === null)
          rows.push({ person: name, limitation: rule, side: side ?? "", kind: which ?? "", since: eventDay ?? "", note });
    if (kind === "measured")
      for (const { range, side, how, value, day, armPosition } of await listMeasurements(scope, id))
        rows.push({
          person: name,
          range,
          how,
          left: side === "left" ? String(value) : "",
          right: side === "left" ? "" : String(value),
          day,
          position: armPosition ?? "",
        });
  }
  return rows;
}
