import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** A statement of a source file at its outermost level, with what is written above it. */
export interface Written {
  readonly path: string;
  readonly statement: ts.Statement;
  readonly doc: string;
}

/** Every outermost statement of the product's own files in some folders, tests left out. */
export function written(...folders: readonly string[]): Written[] {
  return folders
    .flatMap((folder) =>
      readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((path) => join(folder, path)),
    )
    .filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.'))
    .flatMap((path) =>
      ts
        .createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true)
        .statements.map((statement) => ({ path, statement, doc: docOf(statement) })),
    );
}

const docOf = (statement: ts.Statement): string =>
  ts
    .getJSDocCommentsAndTags(statement)
    .map((doc) => doc.getText())
    .join('\n');

export interface ExportedFunction {
  readonly path: string;
  readonly name: string;
  readonly doc: string;
  readonly parameters: readonly { readonly name: string; readonly type: string }[];
  /** Classes of the errors it makes itself. */
  readonly throws: ReadonlySet<string>;
}

type Callable = ts.FunctionDeclaration | ts.ArrowFunction;

/** The name and the function of an exported statement; a function given to another (to remember by) counts. */
function functionOf(statement: ts.Statement): readonly [string, Callable] | null {
  const modifiers = ts.canHaveModifiers(statement) ? (ts.getModifiers(statement) ?? []) : [];
  if (!modifiers.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return null;
  if (ts.isFunctionDeclaration(statement)) return [statement.name?.text ?? '', statement];
  if (!ts.isVariableStatement(statement)) return null;
  const [declared] = statement.declarationList.declarations;
  const value = declared?.initializer;
  if (!declared || !value) return null;
  const made = ts.isCallExpression(value) ? value.arguments.find(ts.isArrowFunction) : value;
  return made && ts.isArrowFunction(made) ? [declared.name.getText(), made] : null;
}

/** Every exported function in some folders. */
export const exportedFunctions = (...folders: readonly string[]): ExportedFunction[] =>
  written(...folders).flatMap(({ path, statement, doc }) => {
    const found = functionOf(statement);
    if (!found) return [];
    const [name, made] = found;
    const throws = new Set<string>();
    const visit = (node: ts.Node): void => {
      if (ts.isThrowStatement(node) && ts.isNewExpression(node.expression))
        throws.add(node.expression.expression.getText());
      ts.forEachChild(node, visit);
    };
    visit(made);
    const parameters = made.parameters.map((each) => ({
      name: each.name.getText(),
      type: each.type?.getText() ?? '',
    }));
    return [{ path, name, doc, parameters, throws }];
  });
