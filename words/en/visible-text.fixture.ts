import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import ts from "typescript";

const ROOT = join(import.meta.dirname, "../..");

/** A text in the sources, and where it is. */
export interface TextInCode {
  readonly at: string;
  readonly text: string;
}

const isSource = (name: string): boolean => /\.tsx?$/.test(name) && !/\.(test|fixture|e2e)\.tsx?$/.test(name);

function* sourcesUnder(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* sourcesUnder(path);
    else if (isSource(entry.name)) yield path;
  }
}

/** Attributes of JSX that no one reads. */
const UNREAD = new Set(["className", "id", "htmlFor", "name", "to", "href", "d", "type", "key", "form", "autoComplete"]);

/** Whether a node says what is missing in the error of `present`. */
const isErrorText = (node: ts.Node): boolean =>
  node.parent !== undefined &&
  ts.isCallExpression(node.parent) &&
  node.parent.expression.getText() === "present" &&
  node.parent.arguments[1] === node;

/** Whether a node and all in it are read by no one: imports, types, styles, and errors for programmers. */
const isUnread = (node: ts.Node): boolean =>
  isErrorText(node) ||
  ts.isImportDeclaration(node) ||
  ts.isExportDeclaration(node) ||
  ts.isTypeNode(node) ||
  ts.isThrowStatement(node) ||
  (ts.isJsxAttribute(node) && UNREAD.has(node.name.getText()));

function textOf(node: ts.Node): string | null {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  if (ts.isJsxText(node)) return node.text.replace(/\s+/g, " ").trim();
  if (ts.isTemplateExpression(node))
    return [node.head, ...node.templateSpans.map(({ literal }) => literal)].map(({ text }) => text).join("…");
  return null;
}

/** Every text in the sources under some folders of the project that someone may read. @param folders from the project's root */
export function textsIn(...folders: readonly string[]): TextInCode[] {
  const found: TextInCode[] = [];
  for (const folder of folders)
    for (const path of sourcesUnder(join(ROOT, folder))) {
      const source = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, true);
      const visit = (node: ts.Node): void => {
        if (isUnread(node)) return;
        const text = textOf(node);
        if (text) {
          const line = source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
          found.push({ at: `${relative(ROOT, path)}:${line}`, text });
        }
        ts.forEachChild(node, visit);
      };
      visit(source);
    }
  return found;
}
