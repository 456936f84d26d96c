import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** What a statement of a file throws itself, by name: `Problem x` by its code, errors of our own by their class. */
function thrownIn(statement: ts.Statement): Set<string> {
  const thrown = new Set<string>();
  const visit = (node: ts.Node): void => {
    const text = (at: ts.Node | undefined) => (at && ts.isStringLiteral(at) ? at.text : null);
    if (ts.isNewExpression(node) && node.expression.getText() === 'Problem') {
      const code = text(node.arguments?.[0]);
      if (code) thrown.add(code);
    }
    if (ts.isCallExpression(node) && ['noSuch', 'checkId'].includes(node.expression.getText())) {
      const what = text(node.arguments.at(-1));
      if (what) thrown.add(`no-such-${what.replaceAll(' ', '-')}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(statement);
  return thrown;
}

const docOf = (statement: ts.Statement): string =>
  ts
    .getJSDocCommentsAndTags(statement)
    .map((doc) => doc.getText())
    .join('\n');

const files = ['src/services', 'src/data', 'app']
  .flatMap((room) => readdirSync(room, { recursive: true, encoding: 'utf8' }).map((path) => join(room, path)))
  .filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.'));

test('what refuses says with which code, where it is written', () => {
  let told = 0;
  const silent: string[] = [];
  for (const path of files) {
    const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
    for (const statement of source.statements)
      for (const code of thrownIn(statement)) {
        told += 1;
        if (!docOf(statement).includes(`\`${code}\``)) silent.push(`${path}: ${code}`);
      }
  }
  expect(silent).toEqual([]);
  expect(told).toBeGreaterThan(150);
});
