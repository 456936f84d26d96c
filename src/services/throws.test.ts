import ts from 'typescript';
import { written } from '../../tests/support/source';

/** The codes a statement refuses with itself. */
function refusals(statement: ts.Statement): Set<string> {
  const codes = new Set<string>();
  const text = (at: ts.Node | undefined) => (at && ts.isStringLiteral(at) ? at.text : null);
  const visit = (node: ts.Node): void => {
    if (ts.isNewExpression(node) && node.expression.getText() === 'Problem') {
      const code = text(node.arguments?.[0]);
      if (code) codes.add(code);
    }
    if (ts.isCallExpression(node) && ['noSuch', 'checkId'].includes(node.expression.getText())) {
      const what = text(node.arguments.at(-1));
      if (what) codes.add(`no-such-${what.replaceAll(' ', '-')}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(statement);
  return codes;
}

test('what refuses says with which code, where it is written', () => {
  const all = written('src/services', 'src/data', 'app').flatMap(({ path, statement, doc }) =>
    [...refusals(statement)].map((code) => ({
      place: `${path}: ${code}`,
      told: doc.includes(`\`${code}\``),
    })),
  );
  expect(all.filter(({ told }) => !told).map(({ place }) => place)).toEqual([]);
  expect(all.length).toBeGreaterThan(150);
});
