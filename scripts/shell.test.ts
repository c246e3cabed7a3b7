/** @jest-environment node */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const ROUNDS = 150;
const STARTS = 4;

/** Makes the same new folders as its siblings at the same moments; prints what it has to complain about. */
const maker = (shell: string, base: string, first: number) => `
  import { writable } from ${JSON.stringify(shell)};
  for (let round = 0; round < ${ROUNDS}; round++) {
    while (Date.now() < ${first} + 4 * round);
    try { writable(${JSON.stringify(base)} + '/' + round + '/a/b/c'); } catch (error) { console.log(error.message); }
  }`;

it('a folder that several starts make in the same moment is there for each of them', async () => {
  const base = mkdtempSync(join(tmpdir(), 'lintrel-folders-'));
  const shell = pathToFileURL(join(__dirname, 'shell.mjs')).href;
  const first = Date.now() + 1500;
  const said = await Promise.all(
    Array.from({ length: STARTS }, () => {
      const child = spawn(process.execPath, ['--input-type=module', '-e', maker(shell, base, first)], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let text = '';
      child.stdout.on('data', (words) => (text += words));
      return new Promise<string>((done) => child.once('close', () => done(text)));
    }),
  );
  rmSync(base, { recursive: true });
  expect(said).toEqual(Array(STARTS).fill(''));
});
