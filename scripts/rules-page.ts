import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** One rule of thumb: its name, its value as written, and the comment above it. */
interface Rule {
  readonly name: string;
  readonly value: string;
  readonly about: string;
}

/** The rules of thumb of one file, in its order. */
function rulesIn(file: string): Rule[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, true);
  const rules: Rule[] = [];
  const visit = (node: ts.Node): void => {
    if (!ts.isObjectLiteralExpression(node)) return ts.forEachChild(node, visit);
    let about = '';
    for (const property of node.properties) {
      if (!ts.isPropertyAssignment(property)) continue;
      const comment = ts
        .getJSDocCommentsAndTags(property)
        .map(({ comment }) => ts.getTextOfJSDocComment(comment) ?? '');
      // A comment is about everything below it up to the next one.
      if (comment.length > 0) about = comment.join(' ').replace(/\s+/g, ' ');
      rules.push({ name: property.name.getText(), value: property.initializer.getText().replace(/\s+/g, ' '), about });
    }
  };
  visit(source);
  return rules;
}

/** The page of docs with every rule of thumb, folder by folder. @param core folder of the sources of core */
export function rulesOfThumbPage(core: string): string {
  const files = readdirSync(core, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('rules-of-thumb.ts'))
    .sort();
  const tables = files.flatMap((name) => [
    `## ${name.replace('/rules-of-thumb.ts', '')}`,
    '',
    '| rule | value | what it is |',
    '| --- | --- | --- |',
    ...rulesIn(join(core, name)).map(({ name: rule, value, about }) => `| \`${rule}\` | \`${value}\` | ${about} |`),
    '',
  ]);
  return [
    '# Rules of thumb',
    '',
    'Figures that differ between shops, as the code has them. None is physics: each is a starting value, shown as an',
    'estimate. A rule stands in the folder of `core` that uses it; those that several folders use stand in `kit`.',
    'Written by `npm run rules`.',
    '',
    ...tables,
  ].join('\n');
}
