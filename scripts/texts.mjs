// The texts of the sources: what people may come to read, without names, types, styles and imports.
import ts from 'typescript';

/** Attributes that hold styles, paths of a drawing or names for other elements, and nothing to read. */
const NOT_READ = new Set([
  'className',
  'd',
  'id',
  'htmlFor',
  'points',
  'type',
  'viewBox',
  'transform',
  'key',
  'name',
  'role',
]);

/**
 * Every text of a TypeScript source that reads like words: more than one word, or one that begins with a capital.
 * @returns {{ line: number, text: string }[]} holes of a template are written as …
 */
export function textsOf(source, file = 'source.tsx') {
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true, kind);
  const texts = [];
  const add = (node, text) => {
    const tidy = text.replace(/\s+/g, ' ').trim();
    if (/^[A-Z][a-z]|[A-Za-z]{2,}[,;:.]? [A-Za-z(]/.test(tidy))
      texts.push({ line: tree.getLineAndCharacterOfPosition(node.getStart(tree)).line + 1, text: tidy });
  };
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && NOT_READ.has(node.name.getText(tree))) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isJsxText(node))
      add(node, node.text);
    else if (ts.isTemplateExpression(node))
      add(node, node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join(''));
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return texts;
}
