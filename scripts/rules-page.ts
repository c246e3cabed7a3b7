import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** Rules of thumb under one comment: the comment, and names with their values as written. */
interface RuleGroup {
  readonly about: string;
  readonly rules: string[];
}

/** The rules of thumb of one file, in its order; a comment is about everything below it up to the next one. */
function groupsIn(file: string): RuleGroup[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, true);
  const groups: RuleGroup[] = [];
  const visit = (node: ts.Node): void => {
    if (!ts.isObjectLiteralExpression(node)) return ts.forEachChild(node, visit);
    for (const property of node.properties.filter(ts.isPropertyAssignment)) {
      const [doc] = ts.getJSDocCommentsAndTags(property);
      if (doc) groups.push({ about: inOneLine(ts.getTextOfJSDocComment(doc.comment) ?? ''), rules: [] });
      groups.at(-1)?.rules.push(`\`${property.name.getText()}: ${inOneLine(property.initializer.getText())}\``);
    }
  };
  visit(source);
  return groups;
}

const inOneLine = (text: string): string => text.replace(/\s+/g, ' ');

/** The page of docs with every rule of thumb, folder by folder. @param core folder of the sources of core */
export function rulesOfThumbPage(core: string): string {
  const files = readdirSync(core, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('rules-of-thumb.ts'))
    .sort();
  const tables = files.flatMap((name) => [
    `## ${name.replace('/rules-of-thumb.ts', '')}`,
    '',
    '| what it is | value |',
    '| --- | --- |',
    ...groupsIn(join(core, name)).map(({ about, rules }) => `| ${about} | ${rules.join('<br>')} |`),
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
