import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

// Doc comments name parameters that there are, and there is one on each thing.

const ROOT = join(__dirname, '..');
const files = execFileSync('git', ['ls-files', '*.ts', '*.tsx'], { cwd: ROOT, encoding: 'utf8' })
  .trim()
  .split('\n')
  .filter((file) => !file.startsWith('bench/bare'));

/** Names a parameter introduces; a destructured one all of its fields. */
const namesOf = ({ name }: ts.ParameterDeclaration | ts.BindingElement): string[] =>
  ts.isIdentifier(name)
    ? [name.text]
    : name.elements.flatMap((element) =>
        ts.isBindingElement(element)
          ? [...namesOf(element), ...(element.propertyName ? [element.propertyName.getText()] : [])]
          : [],
      );

/** The function a doc comment belongs to; null for anything else. */
function functionOf(node: ts.Node): ts.SignatureDeclaration | null {
  const value = ts.isVariableStatement(node)
    ? node.declarationList.declarations[0]?.initializer
    : ts.isPropertySignature(node)
      ? node.type
      : node;
  return value && ts.isFunctionLike(value) ? value : null;
}

/** Faults of the doc comments of a file, as `file:line name`. */
function faultsIn(file: string): string[] {
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, readFileSync(join(ROOT, file), 'utf8'), ts.ScriptTarget.Latest, true, kind);
  const faults: string[] = [];
  const lineOf = (node: ts.Node) => source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
  const visit = (node: ts.Node) => {
    const docs = (node as { jsDoc?: readonly ts.JSDoc[] }).jsDoc ?? [];
    const owner = functionOf(node);
    if (docs.length > 1) faults.push(`${file}:${lineOf(node)} has several doc comments`);
    if (owner) {
      const names = new Set(owner.parameters.flatMap(namesOf));
      for (const tag of docs.flatMap((doc) => doc.tags ?? []))
        if (ts.isJSDocParameterTag(tag) && !names.has(tag.name.getText()))
          faults.push(`${file}:${lineOf(tag)} ${tag.name.getText()}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return faults;
}

it('doc comments name parameters that there are, one comment on each thing', () => {
  expect(files.length).toBeGreaterThan(500);
  expect(files.flatMap(faultsIn)).toEqual([]);
});
