/** @jest-environment node */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { rulesOfThumbPage } from './rules-page';

const ROOT = join(__dirname, '..');
const read = (path: string) => readFileSync(join(ROOT, path), 'utf8');

describe('the glossary', () => {
  const rows = read('docs/glossary.md')
    .split('\n')
    .filter((line) => /^\| [*A-Z]/.test(line) && !line.startsWith('| word'))
    .map((line) => line.split('|').map((cell) => cell.trim()));
  /** A file as it is named there: from the checkout, or from the folders of core. */
  const found = (file: string) => [file, `core/src/${file}`].find((path) => existsSync(join(ROOT, path)));

  it('names files that there are', () => {
    const files = rows.flatMap(([, word, , code]) =>
      [...(code ?? '').matchAll(/`([\w./]+\/[\w./]+)`/g)].map(([, file]) => [word, file!] as const),
    );
    expect(files.length).toBeGreaterThan(40);
    expect(files.filter(([, file]) => !found(file))).toEqual([]);
  });

  it('names what is in them', () => {
    const names = rows.flatMap(([, word, , code]) =>
      [...(code ?? '').matchAll(/`([\w./]+\.tsx?)` \((.*?)\)/g)].flatMap(([, file, told]) =>
        [...(told ?? '').matchAll(/`(\w+)`/g)].map(([, name]) => [word, file!, name!] as const),
      ),
    );
    expect(names.length).toBeGreaterThan(15);
    expect(
      names.filter(([, file, name]) => !new RegExp(`\\b${name}\\b`).test(read(found(file) ?? 'docs/glossary.md'))),
    ).toEqual([]);
  });
});

it('every file named in the documents is there', () => {
  const documents = [
    'README.md',
    'CONTRIBUTING.md',
    ...readdirSync(join(ROOT, 'docs'))
      .filter((name) => /\.md$/.test(name))
      .map((name) => `docs/${name}`),
  ];
  const roots = [
    '',
    'core/src/',
    'client/src/',
    'server/src/',
    'words/src/',
    'cli/src/',
    'client/',
    'words/src/english/',
    'core/src/order/',
    'core/src/stage/',
  ];
  const named = documents.flatMap((document) =>
    [...read(document).matchAll(/`([\w.-]+(?:\/[\w.-]+)+\.(?:ts|tsx|mjs|js|json|md|sql))`/g)].map(
      ([, path]) => [document, path!] as const,
    ),
  );
  expect(named.length).toBeGreaterThan(60);
  expect(named.filter(([, path]) => !roots.some((root) => existsSync(join(ROOT, root, path))))).toEqual([]);
});

describe('the pictures of the README', () => {
  it('are all there, and each that is there is shown', () => {
    const shown = [...read('README.md').matchAll(/docs\/screenshots\/([\w-]+\.png)/g)].map(([, name]) => name);
    const kept = readdirSync(join(ROOT, 'docs/screenshots')).filter((name) => name.endsWith('.png'));
    expect([...new Set(shown)].sort()).toEqual(kept.sort());
    expect(kept.length).toBeLessThan(20);
  });
});

describe('the commands of the README', () => {
  it('are scripts of the project', () => {
    const scripts = Object.keys((JSON.parse(read('package.json')) as { scripts: object }).scripts);
    const told = [...read('README.md').matchAll(/\bnpm (?:run )?([a-z-]+)/g)]
      .map(([, name]) => name!)
      .filter((name) => name !== 'run' && name !== 'ci');
    expect(told.length).toBeGreaterThan(2);
    expect(told.filter((name) => !scripts.includes(name))).toEqual([]);
  });
});

it('the page of rules of thumb is that of the code', () =>
  expect(read('docs/rules-of-thumb.md')).toBe(rulesOfThumbPage(join(ROOT, 'core/src'))));
