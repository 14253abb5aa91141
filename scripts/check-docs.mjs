// npm run check:docs: reads the core with typedoc and fails on a public export without
// a summary, a described parameter or a described return that is not listed in docs/undocumented.json. That list only shrinks:
// an entry that is described by now, or gone, fails as well. "-- --write" writes the list anew, "-- --html" also builds the
// reference as pages in .local/reference.
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { Application, ReflectionKind } from "typedoc";
import { LOCAL, ROOT } from "./setup.mjs";

const LIST = join(ROOT, "docs/undocumented.json");
const CORE = join(ROOT, "core/src");
const reference = join(LOCAL, "reference");

const app = await Application.bootstrap({
  entryPoints: [join(CORE, "**/*.ts")],
  exclude: ["**/*.test.ts", "**/*.fixture.ts"],
  tsconfig: join(ROOT, "core/tsconfig.json"),
  logLevel: "Error",
  skipErrorChecking: true,
  excludePrivate: true,
  disableGit: true,
  sourceLinkTemplate: "{path}",
  name: "Able Tide: the core",
  readme: "none",
});
const project = await app.convert();
if (!project) throw new Error("typedoc could not read the core");
mkdirSync(reference, { recursive: true });
await app.generateJson(project, join(LOCAL, "reference.json"));
if (process.argv.includes("--html")) await app.generateDocs(project, reference);

const words = (comment) =>
  (comment?.summary ?? [])
    .map(({ text }) => text)
    .join("")
    .trim();
const isDescribed = (reflection) => words(reflection.comment) !== "";
/** Whether a signature says what comes back: by a tag, or in a summary that begins with what it returns. */
const saysReturn = (signature) =>
  signature.type?.name === "void" ||
  signature.type?.name === "never" ||
  signature.comment?.getTag("@returns") !== undefined ||
  words(signature.comment) !== "";
/** Whether a parameter is described by a tag, or speaks for itself: its name stands in the summary, or it is taken apart. */
const saysParameter = (parameter, signature) => {
  if (isDescribed(parameter)) return true;
  const summary = words(signature.comment).toLowerCase();
  const parts = parameter.name
    .replace(/^_+/, "")
    .replace(/([A-Z])/g, " $1")
    .toLowerCase()
    .split(" ");
  return parameter.name.startsWith("__")
    ? summary !== ""
    : parts.some((part) => part.length > 2 && summary.includes(part.replace(/s$/, "")));
};

function* lacking(reflection) {
  const { file } = reflection.sources?.[0] ? { file: relative(ROOT, reflection.sources[0].fullFileName) } : { file: "?" };
  const name = `${relative("core/src", file)} ${reflection.name}`;
  const signatures = reflection.signatures ?? reflection.type?.declaration?.signatures ?? [];
  if (signatures.length === 0) {
    if (!isDescribed(reflection) && !reflection.getSignature) yield `${name}: summary`;
    return;
  }
  for (const signature of signatures) {
    const described = isDescribed(signature) ? signature : { ...signature, comment: reflection.comment, type: signature.type };
    if (words(described.comment) === "") {
      yield `${name}: summary`;
      return;
    }
    if (!saysReturn(described)) yield `${name}: return`;
    for (const parameter of signature.parameters ?? [])
      if (!saysParameter(parameter, described)) yield `${name}: ${parameter.name}`;
  }
}

const kinds =
  ReflectionKind.Function | ReflectionKind.Class | ReflectionKind.Interface | ReflectionKind.Variable | ReflectionKind.TypeAlias;
const found = [
  ...new Set(
    project
      .getReflectionsByKind(kinds)
      .filter((each) => each.parent?.kind === ReflectionKind.Module)
      .flatMap((each) => [...lacking(each)]),
  ),
].sort();
const exported = project.getReflectionsByKind(kinds).filter((each) => each.parent?.kind === ReflectionKind.Module).length;
if (process.argv.includes("--write")) writeFileSync(LIST, `${JSON.stringify(found, null, 2)}\n`);
const listed = new Set(JSON.parse(readFileSync(LIST, "utf8")));
const fresh = found.filter((each) => !listed.has(each));
const stale = [...listed].filter((each) => !found.includes(each));
for (const each of fresh) process.stderr.write(`not described: ${each}\n`);
for (const each of stale) process.stderr.write(`described or gone, take it off docs/undocumented.json: ${each}\n`);
process.stdout.write(`${exported} exports of the core, ${found.length} things about them not described yet\n`);
process.exit(fresh.length + stale.length > 0 ? 1 : 0);
