// npm run mutate -- core 100 1: changes one expression at a time and reports which changes no test notices.
// It works in the folder it is run in, one file at a time, and puts every file back: use a clone of its own.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { randomNumbers } from '../core/src/testing/random-numbers';
import { endGroup, start } from './shell.mjs';

/** Time limit of the tests of one mutant, ms. */
const LIMIT_MS = 60_000;

const ROOTS: Readonly<Record<string, string>> = { core: 'core/src', server: 'server/src', client: 'client/src' };
/** Files without logic of their own, or that only serve tests. */
const SKIPPED = /\.test\.tsx?$|\.d\.ts$|\/testing\/|\/migrations\/|\/index\.ts$|\/messages\.ts$|\/theme\//;

const OPERATORS: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
};
const CALLS: Readonly<Record<string, string>> = { min: 'max', max: 'min', some: 'every', every: 'some' };

/** One change of one place of a file. */
interface Mutant {
  readonly file: string;
  readonly line: number;
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly was: string;
}

/** Every change that could be made to a file. */
function mutantsOf(file: string): Mutant[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, true);
  const found: Mutant[] = [];
  const add = (node: ts.Node, text: string) => {
    const [from, to] = [node.getStart(), node.getEnd()];
    const line = source.getLineAndCharacterOfPosition(from).line + 1;
    found.push({ file, line, from, to, text, was: source.text.slice(from, to) });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const other = OPERATORS[node.operatorToken.kind];
      if (other) add(node.operatorToken, other);
    }
    if (ts.isIfStatement(node) || ts.isWhileStatement(node)) add(node.expression, `!(${node.expression.getText()})`);
    if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText()})`);
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      add(node, `(${node.operand.getText()})`);
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true');
    if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent)) add(node, `(${node.text} + 1)`);
    if (ts.isPropertyAccessExpression(node) && CALLS[node.name.text] && ts.isCallExpression(node.parent))
      add(node.name, CALLS[node.name.text]!);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Mutants on lines drawn evenly, each line once. */
function drawn(root: string, count: number, seed: number): Mutant[] {
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' })
    .map((name) => join(root, name))
    .filter((file) => /\.tsx?$/.test(file) && !SKIPPED.test(file))
    .sort();
  const byLine = new Map<string, Mutant[]>();
  for (const mutant of files.flatMap(mutantsOf)) {
    const place = `${mutant.file}:${mutant.line}`;
    byLine.set(place, [...(byLine.get(place) ?? []), mutant]);
  }
  const [lines, random] = [[...byLine.values()], randomNumbers(seed)];
  return Array.from({ length: Math.min(count, lines.length) }, () => {
    const [line] = lines.splice(Math.floor(random() * lines.length), 1);
    return line![Math.floor(random() * line!.length)]!;
  });
}

type Outcome = 'passed' | 'failed' | 'timeout';

/** Runs some tests until the first that fails; where there are none, none fails. */
async function runTests(args: readonly string[], limitMs: number): Promise<Outcome> {
  const jest = ['node_modules/jest/bin/jest.js', '--bail', '--runInBand', '--passWithNoTests'];
  const env = { ...process.env, NODE_ENV: 'test' };
  const { child, ended } = start(process.execPath, [...jest, ...args], { stdio: 'ignore', env, group: true });
  let late = false;
  const limit = setTimeout(() => {
    late = true;
    endGroup(child);
  }, limitMs);
  const code = await ended;
  clearTimeout(limit);
  if (late) return 'timeout';
  return code === 0 ? 'passed' : 'failed';
}

/** Whether the tests named like the file, those of its folder, or those that use it notice the mutant, in this order. */
async function outcomeOf({ file, from, to, text }: Mutant, project: string): Promise<string> {
  const original = readFileSync(file, 'utf8');
  const until = Date.now() + LIMIT_MS;
  const folder = dirname(file);
  const own = file.replace(/\.tsx?$/, '.test.');
  writeFileSync(file, original.slice(0, from) + text + original.slice(to));
  try {
    for (const [index, which] of [
      ['--testPathPattern', own],
      ['--testPathPattern', `${folder}/[^/]*$`],
      ['--findRelatedTests', file],
    ].entries()) {
      const leftMs = until - Date.now();
      if (leftMs <= 0) return 'SURVIVED (60 s)';
      const outcome = await runTests(['--selectProjects', project, ...which], leftMs);
      if (outcome === 'failed') return 'killed';
      // The tests of one file end within the limit: if not, the mutant goes round and round.
      if (outcome === 'timeout') return index === 0 ? 'killed (no end)' : 'SURVIVED (60 s)';
    }
    return 'SURVIVED';
  } finally {
    writeFileSync(file, original);
  }
}

const [project = 'core', count = '100', seed = '1'] = process.argv.slice(2);
const mutants = drawn(ROOTS[project]!, Number(count), Number(seed));
let killed = 0;
for (const [index, mutant] of mutants.entries()) {
  const outcome = await outcomeOf(mutant, project);
  if (outcome.startsWith('killed')) killed++;
  const { file, line, was, text } = mutant;
  console.log(`${index + 1} ${outcome} ${file}:${line} ${was.slice(0, 60)} -> ${text.slice(0, 60)}`);
}
console.log(`${project}, seed ${seed}: ${killed} of ${mutants.length} killed`);
