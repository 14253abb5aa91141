// npm run check:length: a file over 300 lines, or a function over 60, says why in its head, in a sentence that begins "Long because".
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { ROOT } from "./setup.mjs";

const MOST = { file: 300, function: 60 };
/** Lines from the top in which a file may say why. */
const HEAD = 12;
const REASON = "Long because";

const files = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "*.ts", "*.tsx", "*.mjs"], {
  cwd: ROOT,
  encoding: "utf8",
})
  .trim()
  .split("\n");

function* tooLong(file) {
  let text;
  try {
    text = readFileSync(join(ROOT, file), "utf8");
  } catch {
    return; // deleted, and not committed yet
  }
  const lines = text.split("\n");
  if (lines.length > MOST.file && !lines.slice(0, HEAD).join("\n").includes(REASON)) yield `${file}: ${lines.length} lines`;
  // A test's cases are read one by one, not as one function.
  if (/\.(test|e2e)\.ts$/.test(file)) return;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const lineOf = (position) => source.getLineAndCharacterOfPosition(position).line;
  const found = [];
  const visit = (node) => {
    if (ts.isFunctionLike(node) && node.body) {
      const length = lineOf(node.end) - lineOf(node.getStart(source)) + 1;
      let holder = node;
      while (holder.parent && holder.parent.kind !== ts.SyntaxKind.SourceFile && !ts.isFunctionLike(holder.parent))
        holder = holder.parent;
      const above = text.slice(holder.getFullStart(), node.getStart(source));
      const name = node.name?.getText(source) ?? holder.getText(source).slice(0, 40).split("\n")[0];
      if (length > MOST.function && !above.includes(REASON)) found.push(`${file}: ${name}, ${length} lines`);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  yield* found;
}

const found = files.flatMap((file) => [...tooLong(file)]);
for (const each of found) process.stderr.write(`${each}\n`);
process.stdout.write(`${files.length} files, ${found.length} too long without a reason\n`);
process.exit(found.length > 0 ? 1 : 0);
