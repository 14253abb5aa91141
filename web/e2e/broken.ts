import { randomUUID } from "node:crypto";
import fc from "fast-check";

/** Fields of a form by name. */
export type Fields = Readonly<Record<string, string>>;

/** What comes in place of a text, or as the name of a field. */
const brokenText = fc.oneof(
  fc.constantFrom(
    "",
    " ",
    "\0",
    "a\0b",
    "\ud83c",
    "x\udf0a",
    "constructor",
    "__proto__",
    "toString",
    "-1",
    "0",
    "99999999999999999999",
    "2147483648",
    "1e309",
    "-1e309",
    "1e-400",
    "NaN",
    "0x10",
    "1,5,5",
    "2026-02-31",
    "0000-01-01",
    "-000001-01-01",
    "275760-09-13",
    "24:00",
    "[]",
    "{}",
    "null",
    "true",
    "[object Object]",
    "%00",
    "%",
    "'; drop table people; --",
    "../../secret",
    "<script>",
    "a".repeat(3000),
    "🌊".repeat(500),
    "\u202e\u0301",
    "=1+1",
  ),
  fc.string({ unit: "grapheme" }),
  fc.uuid(),
);

/** Almost right: what a careless check lets through, by what stands there. */
const ALMOST: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^\d{4}-\d{2}-\d{2}$/, ["2026-02-31", "2026-02-29", "0000-01-01", "2026-00-00", "9999-12-31", "2026-13-45", "0001-01-01"]],
  [
    /^-?[\d.]+$/,
    ["2147483648", "99999999999999999999", "-2147483649", "1e308", "0.1e-300", "-0", "1.00000000001", "9007199254740993"],
  ],
  [/^[0-9a-f-]{36}$/, ["00000000-0000-0000-0000-000000000000", "{}", "1", randomUUID(), randomUUID().toUpperCase()]],
  [
    /T.*Z$/,
    ["2026-02-31T10:00:00Z", "0000-01-01T00:00:00Z", "275760-09-13T00:00:00Z", "2026-10-13T24:00:00Z", "2026-10-13T10:00Z"],
  ],
];
const almost = (value: string, n: number): string => {
  const values = ALMOST.find(([kind]) => kind.test(value))?.[1] ?? ["constructor", "\0", "", "a".repeat(3000), "\ud83c"];
  return values[n % values.length] ?? "";
};

/** One change to a body that could be right. */
export const edit = fc.record({
  at: fc.nat(),
  how: fc.constantFrom("almost", "almost", "almost", "almost", "replace", "remove", "twice", "rename", "add"),
  text: brokenText,
  n: fc.nat(),
});
export type Edit = typeof edit extends fc.Arbitrary<infer Value> ? Value : never;

/** A form with some changes, in one of the two ways a browser writes it. */
export function brokenForm(form: Fields, edits: readonly Edit[]): URLSearchParams | FormData {
  const pairs: (readonly [string, string])[] = Object.entries(form);
  for (const { at, how, text, n } of edits) {
    const place = pairs.length === 0 ? 0 : at % pairs.length;
    const [name, value] = pairs[place] ?? ["intent", ""];
    if (how === "almost") pairs[place] = [name, almost(value, n)];
    else if (how === "replace") pairs[place] = [name, text];
    else if (how === "remove") pairs.splice(place, 1);
    else if (how === "twice") pairs.push([name, text]);
    else if (how === "rename") pairs[place] = [text, value];
    else pairs.push([text, "x"]);
  }
  const multipart = edits.some(({ at }) => at % 3 === 0) || "file" in form;
  if (!multipart) return new URLSearchParams(pairs.map(([name, value]) => [name, value]));
  const body = new FormData();
  for (const [name, value] of pairs)
    if (name === "file") body.append(name, new File([value], `${value.slice(0, 40) || "plan"}.json`));
    else body.append(name, value);
  return body;
}

/** Every place in a JSON value, as the way to it. */
const places = (value: unknown, way: readonly string[] = []): (readonly string[])[] =>
  typeof value === "object" && value !== null
    ? [way, ...Object.entries(value).flatMap(([key, item]) => places(item, [...way, key]))]
    : [way];

function withAt(value: unknown, [key, ...way]: readonly string[], put: (was: unknown) => unknown): unknown {
  if (key === undefined) return put(value);
  if (Array.isArray(value)) return value.map((item, i) => (String(i) === key ? withAt(item, way, put) : item));
  const fields = Object.entries(value as Readonly<Record<string, unknown>>);
  return Object.fromEntries(fields.map(([name, item]) => [name, name === key ? withAt(item, way, put) : item]));
}

const nested = (depth: number): unknown => JSON.parse("[".repeat(depth) + "]".repeat(depth));
const WRONG: readonly unknown[] = [null, true, [], {}, -1, 1e300, 0.5, 2 ** 53, nested(200), [[null]], { constructor: 1 }];

/** A JSON text with some changes. */
export function brokenJson(json: unknown, edits: readonly Edit[]): string {
  let value = json;
  for (const { at, how, text, n } of edits) {
    const all = places(value);
    const way = all[at % all.length] ?? [];
    value = withAt(value, way, (was) => {
      if (how === "almost") return typeof was === "number" ? Number(almost(String(was), n)) : almost(String(was), n);
      if (how === "replace") return text;
      if (how === "remove") return undefined;
      if (how === "twice") return [was, was];
      return WRONG[at % WRONG.length];
    });
  }
  const text = JSON.stringify(value) ?? "";
  return edits.some(({ how }) => how === "rename") ? text.slice(0, -1) : text;
}
