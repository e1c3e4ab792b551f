import ts from "typescript";
import { expect, test } from "vitest";

const LABELS = ["label", "title", "aria-label", "placeholder", "alt"];
const JOINING = [
  ts.SyntaxKind.AmpersandAmpersandToken,
  ts.SyntaxKind.BarBarToken,
  ts.SyntaxKind.QuestionQuestionToken,
  ts.SyntaxKind.PlusToken,
];
const WORD = /\p{L}{2,}/u;

/** Texts that an expression may come to, written out: "here" in `at ? "here" : go`. */
function written(node: ts.Expression): ts.Node[] {
  if (ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) return [node];
  if (ts.isConditionalExpression(node)) return [node.whenTrue, node.whenFalse].flatMap(written);
  if (ts.isBinaryExpression(node) && JOINING.includes(node.operatorToken.kind))
    return [node.left, node.right].flatMap(written);
  return ts.isParenthesizedExpression(node) ? written(node.expression) : [];
}

/** Whether a screen would show its words: children and labels, less what is put into them. */
function shown(node: ts.Node): ts.Node[] {
  if (ts.isJsxText(node)) return [node];
  if (ts.isJsxExpression(node) && node.expression && !ts.isJsxAttribute(node.parent)) return written(node.expression);
  if (!ts.isJsxAttribute(node) || !LABELS.includes(node.name.getText()) || !node.initializer) return [];
  if (ts.isStringLiteral(node.initializer)) return [node.initializer];
  return ts.isJsxExpression(node.initializer) && node.initializer.expression
    ? written(node.initializer.expression)
    : [];
}

const isText = (node: ts.Expression) => ts.isCallExpression(node) && /(^t|Text)$/.test(node.expression.getText());

/** A text written out where the other way of a choice is one of the catalogue: `none ? "nothing" : t("some")`. */
function besideText(node: ts.Node): ts.Node[] {
  if (!ts.isConditionalExpression(node)) return [];
  const ways = [node.whenTrue, node.whenFalse];
  return ways.some(isText) ? ways.filter((way) => ts.isStringLiteralLike(way)) : [];
}

function literals(name: string, source: string): string[] {
  const file = ts.createSourceFile(name, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const visit = (node: ts.Node) => {
    for (const own of [...shown(node), ...besideText(node)]) {
      const words = own.getText().replace(/\$\{[^}]*\}/g, "");
      if (WORD.test(words))
        found.push(`${name}:${file.getLineAndCharacterOfPosition(own.getStart()).line + 1} ${words}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return [...new Set(found)];
}

const files = Object.entries(
  import.meta.glob<string>("../**/*.tsx", { query: "?raw", import: "default", eager: true }),
).filter(([path]) => !path.endsWith(".test.tsx"));

test("every word on a screen stands in the catalogue", () => {
  expect(files.length).toBeGreaterThan(100);
  expect(files.flatMap(([path, source]) => literals(path, source))).toEqual([]);
});

test("a word in the code is found, wherever it is shown", () => {
  const source = `
    <p aria-label={given ? "Here" : t("there")} className="quiet">
      {count > 1 && "many"} {t("few")} {rows.map((row) => (row > 0 ? t("some") : "nothing"))} {\`\${count} of them\`} loose
    </p>`;
  expect(literals("a.tsx", source).map((line) => line.split(" ").slice(1).join(" ").trim())).toEqual([
    '"Here"',
    '"many"',
    '"nothing"',
    "` of them`",
    "loose",
  ]);
});
